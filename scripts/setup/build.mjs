import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { mustRun } from './processes.mjs';
import { root, webFolder } from './settings.mjs';

export const nextProgram = join(root, 'node_modules/next/dist/bin/next');

function filesIn(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.name.startsWith('.') || entry.name === 'node_modules') return [];
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path) : [path];
  });
}

/** Equal as long as nothing that goes into the build changes. */
function sourceFingerprint() {
  const sources = [...filesIn(join(root, 'core')), ...filesIn(webFolder)].filter(
    (path) => !/\.test\.tsx?$|next-env\.d\.ts$|\.tsbuildinfo$/.test(path),
  );
  const all = [...sources, join(root, 'package-lock.json'), join(root, 'tsconfig.base.json')].sort();
  const hash = createHash('sha256');
  for (const path of all)
    hash.update(relative(root, path)).update('\0').update(readFileSync(path)).update('\0');
  return hash.digest('hex');
}

/** Builds the application into web/`dist` unless the build there was made from the same sources. */
export async function needBuild(dist) {
  const stamp = join(webFolder, dist, 'fair-plug-sources');
  const wanted = sourceFingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Building …');
  await mustRun(
    process.execPath,
    [nextProgram, 'build'],
    { cwd: webFolder, env: { FAIRPLUG_DIST: dist, NEXT_TELEMETRY_DISABLED: '1' }, output: 'capture' },
    'The application could not be built.',
  );
  writeFileSync(stamp, wanted);
}
