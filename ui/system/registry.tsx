'use client';
import { useServerInsertedHTML } from 'next/navigation';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';
import { GlobalStyle } from './theme';

/** Collects styles while the server renders; every style element carries the page's nonce. */
export function StyleRegistry({ nonce, children }: { nonce: string; children: ReactNode }) {
  // The document keeps the nonce it came with; later renders of the layout bring others, which it would refuse.
  const [first] = useState(nonce);
  const [sheet] = useState(() => (typeof window === 'undefined' ? new ServerStyleSheet({ nonce }) : null));
  useServerInsertedHTML(() => {
    if (!sheet) return null;
    const styles = sheet.getStyleElement();
    sheet.instance.clearTag();
    return <>{styles}</>;
  });
  return (
    <StyleSheetManager nonce={first} sheet={sheet?.instance}>
      <GlobalStyle />
      {children}
    </StyleSheetManager>
  );
}
