import '@fontsource-variable/archivo/wdth.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { FocusKeeper } from '@/ui/system/focus-keeper';
import { StyleRegistry } from '@/ui/system/registry';

export const metadata: Metadata = {
  title: 'Pelvik',
  description: 'What failed first, and what to do about it.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Sets the theme before the first paint, so that a dark shop stays dark. */
const THEME = `try{var t=localStorage.getItem('pelvik-theme');if(!t&&matchMedia('(prefers-color-scheme: dark)').matches)t='dark';if(t)document.documentElement.dataset.theme=t}catch(e){}`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* styled-components and React Aria read the nonce of the styles they add in the browser from here. */}
        <meta property="csp-nonce" content={nonce} nonce={nonce} suppressHydrationWarning />
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: THEME }} />
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
