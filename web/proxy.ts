import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type NextRequest, NextResponse } from 'next/server';

/**
 * The content security policy of every page. Pages are made at build time, so their inline scripts are known: each is
 * allowed by its hash (written by the build, see scripts/setup/build.mjs), and a page that a browser keeps for a visit
 * without a network still opens with it. Only `next dev` needs more.
 */
const isDevelopment = process.env.NODE_ENV === 'development';

/** By page ("/walk"), the hashes of its inline scripts. */
function hashesOfBuild(): Readonly<Record<string, readonly string[]>> {
  if (isDevelopment) return {};
  const file = join(process.cwd(), process.env.FAIRPLUG_DIST || '.next', 'inline-scripts.json');
  return JSON.parse(readFileSync(file, 'utf8'));
}

const hashes = hashesOfBuild();

const policyFor = (path: string): string => {
  const inline = (hashes[path] ?? hashes['/_not-found'] ?? []).map((hash) => `'${hash}'`).join(' ');
  return [
    "default-src 'self'",
    "img-src 'self' data: blob:",
    `script-src 'self' ${isDevelopment ? "'unsafe-inline' 'unsafe-eval'" : inline}`,
    // Mantine sets sizes and colours in style attributes.
    "style-src 'self' 'unsafe-inline'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
};

export function proxy({ nextUrl }: NextRequest): NextResponse {
  const response = NextResponse.next();
  response.headers.set('Content-Security-Policy', policyFor(nextUrl.pathname));
  // Pages are made at build time; next would let every cache on the way keep them.
  response.headers.set('Cache-Control', 'private, no-cache');
  return response;
}

export const config = { matcher: ['/((?!_next/|api/|icons/|manifest.webmanifest|icon.svg).*)'] };
