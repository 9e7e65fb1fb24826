import type { NextConfig } from 'next';

/** No other site may read what this one answers, nor hold a handle on its window. */
const HEADERS = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'referrer-policy', value: 'no-referrer' },
  { key: 'cross-origin-opener-policy', value: 'same-origin' },
  { key: 'cross-origin-resource-policy', value: 'same-origin' },
];

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // `npm test` checks the types by itself; whoever only starts the program need not wait for that.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['@electric-sql/pglite', 'fflate', 'pg'],
  images: { unoptimized: true },
  headers: () => Promise.resolve([{ source: '/:path*', headers: HEADERS }]),
  experimental: {
    serverActions: { bodySizeLimit: '1mb' },
    // The proxy sees actions only; recordings and backups go past it.
    proxyClientMaxBodySize: '2mb',
  },
};

export default config;
