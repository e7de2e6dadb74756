import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { mustRun, run } from './processes.mjs';
import { Refusal } from './refusal.mjs';
import { root } from './settings.mjs';

const oldestNode = [20, 19];

export function needNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major > oldestNode[0] || (major === oldestNode[0] && minor >= oldestNode[1])) return;
  throw new Refusal(
    `Fair Plug needs Node ${oldestNode.join('.')} or newer; this is Node ${process.versions.node}.`,
  );
}

/** Installs the packages of the lock file unless they are installed already. */
export async function needPackages() {
  const stamp = join(root, 'node_modules/.fair-plug-lock');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Installing packages …');
  await mustRun(
    'npm',
    ['ci', '--no-audit', '--no-fund'],
    { cwd: root },
    'The packages could not be installed.',
  );
  writeFileSync(stamp, wanted);
}

const postgresFolder = '/usr/lib/postgresql';

/** Folder of the newest PostgreSQL programs that Debian installed, or null. */
export function postgresPrograms() {
  if (!existsSync(postgresFolder)) return null;
  const versions = readdirSync(postgresFolder)
    .filter((version) => existsSync(join(postgresFolder, version, 'bin/initdb')))
    .sort((a, b) => Number(a) - Number(b));
  const newest = versions.at(-1);
  return newest === undefined ? null : join(postgresFolder, newest, 'bin');
}

export const chromium = '/usr/bin/chromium';
/** The same without windows: browser tests take a sixth less of it. */
export const headlessShell = '/usr/bin/chromium-headless-shell';

/** Where Debian's packages put the programs that we need. */
const isInstalled = {
  postgresql: () => postgresPrograms() !== null,
  chromium: () => existsSync(chromium),
  'chromium-headless-shell': () => existsSync(headlessShell),
  ngspice: () => existsSync('/usr/bin/ngspice'),
};

/** Installs the named packages of Debian where they are missing. */
export async function needDebianPackages(packages = ['postgresql', 'chromium']) {
  const missing = packages.filter((name) => !isInstalled[name]());
  if (missing.length === 0) return;
  const names = missing.join(' ');
  const isRoot = process.getuid?.() === 0;
  const maySudo =
    !isRoot &&
    (await run('sudo', ['-n', 'true'], { output: 'capture' }).catch(() => ({ code: 1 }))).code === 0;
  if (!isRoot && !maySudo)
    throw new Refusal(
      `Missing: ${names}. Install with this command, then start again:\n\n` +
        `  sudo apt-get update && sudo apt-get install -y --no-install-recommends ${names}`,
    );
  console.log(`Installing ${missing.join(' and ')} from Debian’s packages …`);
  const [program, before] = isRoot ? ['apt-get', []] : ['sudo', ['-n', 'apt-get']];
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const failed = `Debian’s packages could not be installed (${names}).`;
  await mustRun(program, [...before, 'update', '-qq'], { output: 'capture', env }, failed);
  const install = ['install', '-y', '-qq', '--no-install-recommends', ...missing];
  await mustRun(program, [...before, ...install], { output: 'capture', env }, failed);
}
