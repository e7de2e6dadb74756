import { resolve } from 'node:path';
import type { NextConfig } from 'next';

const contentSecurity = [
  "default-src 'self'",
  "img-src 'self' data:",
  // next writes its start-up scripts and Mantine its colour variables into the page.
  `script-src 'self' 'unsafe-inline'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
  "style-src 'self' 'unsafe-inline'",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

const config: NextConfig = {
  distDir: process.env.FAIRPLUG_DIST || '.next',
  poweredByHeader: false,
  // `npm test` checks the types of every part; a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  agentRules: false,
  transpilePackages: ['@fair-plug/core'],
  serverExternalPackages: ['pg', 'playwright-core'],
  turbopack: { root: resolve(import.meta.dirname, '..') },
  experimental: { optimizePackageImports: ['@mantine/core', '@mantine/hooks', '@tabler/icons-react'] },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'Content-Security-Policy', value: contentSecurity },
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(self), microphone=(), geolocation=(), payment=()' },
      ],
    },
  ],
};

export default config;
