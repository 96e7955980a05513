import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  generateBuildId: () => process.env.NEXT_PUBLIC_PLUCKY_BUILD ?? null,
  reactStrictMode: true,
  // Types are checked by ./plucky test; a newcomer's first build need not wait for them.
  typescript: { ignoreBuildErrors: true },
  // Documents that name no icon of theirs, as an export does, make browsers ask for this one.
  rewrites: () => Promise.resolve([{ source: '/favicon.ico', destination: '/icon.svg' }]),
  devIndicators: false,
  serverExternalPackages: ['mariadb', 'knex', '@node-rs/argon2', 'pdfkit', 'bwip-js', 'piscina', 'sharp'],
  // Components draw again only when what they show has changed: styles are worked out at run time, which is not free.
  reactCompiler: true,
  turbopack: {},
  // The DTO table looks classes up by value, never by name, but error messages of class-validator name them.
  experimental: { serverMinification: false },
};

export default config;
