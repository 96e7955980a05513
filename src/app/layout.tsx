import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { monoFont, nextFont } from '@/ui/theme/fonts';
import { Providers } from '@/ui/theme/Providers';

export const metadata: Metadata = { title: 'Plucky Parcel', description: 'The refurbishing bench, computed.' };
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { readonly children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html
      lang="en"
      data-words={process.env.PLUCKY_WORDS}
      className={`${nextFont.variable} ${monoFont.variable}`}
      suppressHydrationWarning
    >
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
