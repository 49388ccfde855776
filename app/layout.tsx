import '@fontsource-variable/archivo/wdth.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { FocusKeeper } from '@/ui/system/focus-keeper';
import { StyleRegistry } from '@/ui/system/registry';
import { THEME_SCRIPT } from '@/ui/system/theme-script';

export const metadata: Metadata = {
  title: 'Pelvik',
  description: 'What failed first, and what to do about it.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* styled-components and React Aria read the nonce of the styles they add in the browser from here. */}
        <meta property="csp-nonce" content={nonce} nonce={nonce} suppressHydrationWarning />
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        <StyleRegistry nonce={nonce}>
          <a className="skip" href="#main">
            To the work
          </a>
          <FocusKeeper />
          {children}
        </StyleRegistry>
      </body>
    </html>
  );
}
