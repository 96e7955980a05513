import localFont from 'next/font/local';

/** Shipped with the application: Atkinson Hyperlegible Next for words, its Mono for codes. */
export const nextFont = localFont({
  src: [
    {
      path: '../../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-600-normal.woff2',
      weight: '600',
    },
    {
      path: '../../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff2',
      weight: '700',
    },
  ],
  variable: '--font-next',
  display: 'swap',
});

export const monoFont = localFont({
  src: [
    {
      path: '../../../node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../../node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff2',
      weight: '700',
    },
  ],
  variable: '--font-mono',
  display: 'swap',
  preload: false,
});
