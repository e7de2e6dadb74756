import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import './mantine.css';
import './globals.css';
import { ColorSchemeScript, mantineHtmlProps } from '@mantine/core';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { preload } from 'react-dom';
import { readEarly } from '@/local/early-reading';
import { identityKey } from '@/local/identity';
import { kitKey, storeVersion } from '@/local/log-names';
import { fontsOfEveryPage } from './fonts';
import { Providers } from './providers';

export const metadata: Metadata = {
  title: { default: 'Fair Plug', template: '%s · Fair Plug' },
  description: 'What a receptacle tester shows, what it means, and what it leaves open.',
};

export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  viewportFit: 'cover',
  interactiveWidget: 'resizes-content',
};

/** As text, for the head of every page. */
const readingEarly = `(${readEarly})(${JSON.stringify({ identity: identityKey, kit: kitKey, version: storeVersion })})`;

export default function RootLayout({ children }: { children: ReactNode }) {
  // Asked for with the page: words that are set anew once a font arrives are laid out twice.
  for (const href of fontsOfEveryPage)
    preload(href, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' });
  return (
    <html lang="en" {...mantineHtmlProps}>
      <head>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a function of our own, allowed by its hash. */}
        <script suppressHydrationWarning dangerouslySetInnerHTML={{ __html: readingEarly }} />
        <ColorSchemeScript defaultColorScheme="auto" />
      </head>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
