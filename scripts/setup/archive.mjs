import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { withCluster } from './cluster.mjs';
import { run } from './processes.mjs';
import { Refusal } from './refusal.mjs';
import { secretIn } from './secrets.mjs';
import { root, startSettings } from './settings.mjs';
import { needDebianPackages, needNode, needPackages } from './toolchain.mjs';

/** The data of `npm run serve` where there is any, else that of `npm start`; FAIRPLUG_DATA names another. */
function archiveSettings() {
  const settings = startSettings();
  const served = join(root, '.data/serve');
  return !process.env.FAIRPLUG_DATA && existsSync(served) ? { ...settings, data: served } : settings;
}

/** Backs up into a file or restores from it: `npm run backup -- FILE`, `npm run restore -- FILE [--replace]`. */
export async function runArchive(what) {
  needNode();
  const [file, ...options] = process.argv.slice(2);
  const isKnown = options.every((option) => what === 'restore' && option === '--replace');
  if (file === undefined || file.startsWith('-') || !isKnown)
    throw new Refusal(`npm run ${what} -- FILE${what === 'restore' ? ' [--replace]' : ''}`);
  await needPackages();
  await needDebianPackages(['postgresql']);
  const settings = archiveSettings();
  return withCluster(settings, async (url) => {
    const { code } = await run(
      process.execPath,
      [
        '--import',
        'tsx',
        join(root, 'scripts/backup/main.ts'),
        what,
        resolve(process.env.INIT_CWD ?? '.', file),
        ...options,
      ],
      {
        cwd: root,
        env: {
          FAIRPLUG_ADMIN_URL: url('postgres'),
          FAIRPLUG_OWNER_URL: url('fairplug'),
          FAIRPLUG_APPLICATION_PASSWORD: secretIn(settings.data, 'application-password'),
        },
      },
    );
    return code;
  });
}
