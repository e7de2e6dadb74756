import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { mustRun } from './processes.mjs';
import { root, webFolder } from './settings.mjs';

export const nextProgram = join(root, 'node_modules/next/dist/bin/next');

export const preparingProgram = join(root, 'scripts/prepare-database.ts');
const preparingFolder = (dist) => join(webFolder, dist, 'preparing');
/** The program that makes a database ready, as a build has it: it takes a fifth of the time that its sources do. */
export const builtPreparing = (dist) => join(preparingFolder(dist), 'prepare-database.mjs');

function filesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.name.startsWith('.') || entry.name === 'node_modules') return [];
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path) : [path];
  });
}

/** Equal as long as nothing that goes into the build changes. */
function sourceFingerprint() {
  const folders = [join(root, 'core'), webFolder, join(root, 'scripts/demo')];
  const sources = folders
    .flatMap(filesIn)
    .filter(
      (path) => !/\.test\.tsx?$|^web\/testing\/|next-env\.d\.ts$|\.tsbuildinfo$/.test(relative(root, path)),
    );
  const settings = [join(root, 'package-lock.json'), join(root, 'tsconfig.base.json')];
  const all = [...sources, preparingProgram, ...settings].sort();
  // What is made of a build besides: raised when that changes.
  const hash = createHash('sha256').update('compressed 1, preparing 2');
  for (const path of all)
    hash.update(relative(root, path)).update('\0').update(readFileSync(path)).update('\0');
  return hash.digest('hex');
}

/**
 * Builds the application into web/`dist` unless the build there was made from the same sources. `forTests`: as quickly as
 * it can be made, with nothing kept for the next build and scripts not as small as they can be.
 */
export async function needBuild(dist, { forTests = false } = {}) {
  const stamp = join(webFolder, dist, 'fair-plug-sources');
  const wanted = sourceFingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Building …');
  await mustRun(
    process.execPath,
    [nextProgram, 'build'],
    {
      cwd: webFolder,
      env: {
        FAIRPLUG_DIST: dist,
        FAIRPLUG_BUILD: wanted.slice(0, 16),
        FAIRPLUG_BUILD_ONCE: forTests ? 'yes' : '',
        NEXT_TELEMETRY_DISABLED: '1',
      },
      output: 'capture',
    },
    'The application could not be built.',
  );
  askForScriptsAtOnce(dist);
  writeFileSync(join(webFolder, dist, 'inline-scripts.json'), JSON.stringify(inlineScripts(dist)));
  await buildServiceWorker(dist);
  await buildPreparing(dist);
  await compressFiles(dist, forTests ? quickQuality : constants.BROTLI_MAX_QUALITY);
  writeFileSync(stamp, wanted);
}

const hashOf = (path) => createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 16);

/** The pages of a build: each one's path and its file. */
function pagesOf(dist) {
  const folder = join(webFolder, dist, 'server/app');
  return filesIn(folder)
    .filter((path) => path.endsWith('.html'))
    .map((path) => ({
      path: `/${relative(folder, path).replace(/\.html$/, '')}`.replace(/^\/index$/, '/'),
      file: path,
    }));
}

/**
 * Browsers hold back scripts that may come late, two at a time, for as long as style sheets are on their way; here nothing
 * is to be seen without the scripts. What makes the pages has no word for it.
 */
function askForScriptsAtOnce(dist) {
  for (const { file } of pagesOf(dist)) {
    const page = readFileSync(file, 'utf8');
    const hurried = page
      .replaceAll(/<script src="[^"]+" async=""/g, '$& fetchpriority="high"')
      .replaceAll('as="script" fetchPriority="low"', 'as="script" fetchpriority="high"');
    writeFileSync(file, hurried);
  }
}

/** Everything that the application needs on a device, under its address. */
function precached(dist) {
  const files = join(webFolder, dist, 'static');
  const open = join(webFolder, 'public');
  return [
    ...pagesOf(dist)
      .filter(({ path }) => !path.startsWith('/_'))
      .map(({ path, file }) => ({ url: path, revision: hashOf(file) })),
    // Named after what is in them.
    ...filesIn(files)
      .filter((path) => !/\.(map|br|gz)$/.test(path))
      .map((path) => ({ url: `/_next/static/${relative(files, path)}`, revision: null })),
    ...filesIn(open).map((path) => ({ url: `/${relative(open, path)}`, revision: hashOf(path) })),
    { url: '/icon.svg', revision: hashOf(join(webFolder, 'app/icon.svg')) },
    { url: '/manifest.webmanifest', revision: hashOf(join(webFolder, 'app/manifest.ts')) },
  ];
}

async function buildServiceWorker(dist) {
  // Known only once the packages are installed.
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(webFolder, 'workers/service-worker.ts')],
    outfile: join(webFolder, dist, 'service-worker.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    platform: 'browser',
    define: { precached: JSON.stringify(precached(dist)), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'error',
  });
}

/** In few files, of which those that make the demo are read only where it has to be made. */
async function buildPreparing(dist) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [preparingProgram],
    outdir: preparingFolder(dist),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    // What is not JavaScript alone, or finds files beside itself.
    external: ['pg', 'sharp', 'fontkit', '@aws-sdk/client-s3'],
    alias: { '@fair-plug/core': join(root, 'core'), '@': webFolder },
    // Packages that are no modules ask for Node's own by this.
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
    logLevel: 'error',
  });
}

/** A tenth more bytes than at the best, in a tenth of the time. */
const quickQuality = 5;

/** Puts each script and style beside itself made smaller. */
async function compressFiles(dist, quality) {
  const [brotli, gzipped] = [promisify(brotliCompress), promisify(gzip)];
  const all = filesIn(join(webFolder, dist, 'static')).filter((path) => /\.(js|css)$/.test(path));
  await Promise.all(
    all.map(async (path) => {
      const bytes = readFileSync(path);
      writeFileSync(
        `${path}.br`,
        await brotli(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: quality } }),
      );
      writeFileSync(`${path}.gz`, await gzipped(bytes, { level: 9 }));
    }),
  );
}

/** By page, the hashes of the scripts that stand in its HTML: what its content security policy allows. */
function inlineScripts(dist) {
  return Object.fromEntries(
    pagesOf(dist).map(({ path, file }) => {
      const scripts = readFileSync(file, 'utf8').matchAll(/<script(?![^>]*\ssrc=)[^>]*>(.+?)<\/script>/gs);
      const hashes = Array.from(
        scripts,
        ([, text]) => `sha256-${createHash('sha256').update(text).digest('base64')}`,
      );
      return [path, [...new Set(hashes)]];
    }),
  );
}
