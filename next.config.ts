import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'piscina'],
  poweredByHeader: false,
  devIndicators: false,
  // The test command checks types on its own, all of them; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
};

export default config;
