import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'piscina'],
  poweredByHeader: false,
  // A file of 8 MB is longer once it is quoted; what is longer still is turned away with a line (`runtime/gate.ts`).
  experimental: { serverActions: { bodySizeLimit: '20mb' }, proxyClientMaxBodySize: '20mb' },
  devIndicators: false,
  // The test command checks types on its own, all of them; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
};

export default config;
