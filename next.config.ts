import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // `npm test` checks the types by itself; whoever only starts the program need not wait for that.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['@electric-sql/pglite', 'fflate'],
  experimental: {
    serverActions: { bodySizeLimit: '1mb' },
    // Above the limits of src/stations (recordings, backups), which answer with a reason; the default would cut at 10 MB.
    proxyClientMaxBodySize: '520mb',
  },
};

export default config;
