import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';
import { CustomerPage } from '@/ui/customer/page';
import type { CustomerQuote } from '@/ui/customer/quote';
import { MessagePage } from '@/ui/system/message';
import { GlobalStyle } from '@/ui/system/theme';
import { THEME_SCRIPT } from '@/ui/system/theme-script';

/** Addresses of the browser's files, told by the build. */
declare const __CUSTOMER_SCRIPT: string;
declare const __CUSTOMER_STYLE: string;

/**
 * The customer's document, drawn whole on the server: a phone on a slow line gets the quote with the first answer, and a
 * script of a few kB. Bundled by itself, since Next would send its own program along.
 */
export function quoteDocument(quote: CustomerQuote, nonce: string): string {
  const title = `Your quote from ${quote.content.shop.name}`;
  return draw(title, nonce, <CustomerPage quote={quote} />);
}

/** The same for a link that opens nothing. */
export function messageDocument(title: string, words: string, nonce: string): string {
  return draw(title, nonce, <MessagePage title={title} words={words} home={false} />);
}

function draw(title: string, nonce: string, page: ReactNode): string {
  const sheet = new ServerStyleSheet({ nonce });
  try {
    const body = renderToStaticMarkup(
      <StyleSheetManager sheet={sheet.instance}>
        <GlobalStyle />
        <a className="skip" href="#main">
          To the quote
        </a>
        {page}
      </StyleSheetManager>,
    );
    const head = renderToStaticMarkup(
      <>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex, nofollow" />
        <title>{title}</title>
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        <link rel="stylesheet" href={__CUSTOMER_STYLE} />
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
        <script nonce={nonce} src={__CUSTOMER_SCRIPT} defer />
      </>,
    );
    return `<!doctype html><html lang="en"><head>${head}${sheet.getStyleTags()}</head><body>${body}</body></html>`;
  } finally {
    sheet.seal();
  }
}
