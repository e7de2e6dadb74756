import { resolve } from 'node:path';
import type { NextConfig } from 'next';

const config: NextConfig = {
  distDir: process.env.FAIRPLUG_DIST || '.next',
  poweredByHeader: false,
  // `npm test` checks the types of every part; a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  agentRules: false,
  transpilePackages: ['@fair-plug/core'],
  serverExternalPackages: ['pg', 'pino', 'playwright-core', 'fontkit', '@aws-sdk/client-s3'],
  // What it was built from; nothing while it is developed.
  env: { FAIRPLUG_BUILD: process.env.FAIRPLUG_BUILD ?? '' },
  turbopack: { root: resolve(import.meta.dirname, '..') },
  experimental: {
    // Nobody reads them, and they take a tenth of the time of a build.
    turbopackSourceMaps: false,
    turbopackInputSourceMaps: false,
    // Tests build once in a clone: what a second build would spare takes longer to be written.
    turbopackFileSystemCacheForBuild: !process.env.FAIRPLUG_BUILD_ONCE,
    optimizePackageImports: ['@mantine/core', '@mantine/hooks', '@tabler/icons-react'],
    // Half as many files for a page, and a fifth more bytes in all: a request costs a phone more than the bytes do.
    turbopackChunking: { requestCost: 1_000_000, maxMergeChunkSize: 1_000_000, minChunkSize: 150_000 },
  },
  headers: async () => [
    {
      source: '/api/:path*',
      headers: [{ key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" }],
    },
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(self), microphone=(), geolocation=(), payment=()' },
      ],
    },
  ],
};

export default config;
