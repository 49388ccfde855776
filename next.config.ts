import type { NextConfig } from 'next';

/** Headers that do not change per request; the Content-Security-Policy carries a nonce and is set in proxy.ts. */
const HEADERS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(self), microphone=(), geolocation=(), payment=()' },
];

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Named for its sources: what two machines build of the same checkout is one version, to a browser that meets both.
  generateBuildId: () => process.env.PELVIK_BUILD ?? null,
  // Types are checked by `./pelvik test`, tests and tools included; a shop's start need not wait for it.
  typescript: { ignoreBuildErrors: true },
  // Names of components are for whoever works on Pelvik: a browser in a shop need not be sent them.
  compiler: { styledComponents: { displayName: process.env.NODE_ENV !== 'production' } },
  experimental: {
    // A log's traces name functions and places because the server's code is left as it is written; maps for it all,
    // read by nothing, took a third of the build.
    turbopackSourceMaps: false,
    turbopackMinify: { server: false, client: true },
  },
  // No picture passes an optimiser: its cache would go on showing what a revoked link no longer may.
  images: { unoptimized: true },
  serverExternalPackages: [
    '@node-rs/argon2',
    '@zxcvbn-ts/core',
    '@zxcvbn-ts/language-common',
    'pg',
    'pino',
    'pino-roll',
    'rate-limiter-flexible',
    'sharp',
    'workerpool',
  ],
  headers: async () => [
    { source: '/:path*', headers: HEADERS },
    {
      source: '/api/:path*',
      headers: [{ key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" }],
    },
  ],
};

export default config;
