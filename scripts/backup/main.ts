import { prepareApplicationRole } from '../../web/data/application-role.ts';
import { connect, migrate } from '../../web/data/database.ts';
import { Refusal } from '../setup/refusal.mjs';
import { backUp, type Manifest, restore } from './archive.ts';

/** Runs a backup or a restore on the cluster whose addresses are in the environment. */
const [what, file, ...options] = process.argv.slice(2);
const {
  FAIRPLUG_ADMIN_URL: adminUrl,
  FAIRPLUG_OWNER_URL: url,
  FAIRPLUG_APPLICATION_PASSWORD: password,
} = process.env;
if (!adminUrl || !url || !password || !file)
  throw new Error(
    'FAIRPLUG_ADMIN_URL, FAIRPLUG_OWNER_URL, FAIRPLUG_APPLICATION_PASSWORD and a file are needed',
  );

/** Whether photos are inside. */
function photosInWords(manifest: Manifest): string {
  if (manifest.format === 'fair-plug/backup@1') return 'from before there were photos';
  const { count, bucket } = manifest.photos;
  return bucket === null
    ? `${count} photos inside`
    : `the bytes of ${count} photos NOT inside: they are in the bucket ${bucket}, which has to be backed up too`;
}

const inWords = (manifest: Manifest): string => {
  const { madeAt, tables } = manifest;
  const rows = Object.values(tables).reduce((sum, count) => sum + count, 0);
  return `${rows} rows in ${Object.keys(tables).length} tables, of ${madeAt}; ${photosInWords(manifest)}`;
};

try {
  if (what === 'backup')
    console.log(`${file}: ${inWords(await backUp(url, file, process.env.FAIRPLUG_S3_BUCKET || null))}`);
  else {
    const manifest = await restore({ adminUrl, url, file, replace: options.includes('--replace') });
    const owner = connect(url);
    await migrate(owner);
    await prepareApplicationRole(owner, password);
    await owner.destroy();
    console.log(`Restored: ${inWords(manifest)}`);
  }
} catch (error) {
  if (!(error instanceof Refusal)) throw error;
  console.error(`\n${error.message}\n`);
  process.exitCode = 1;
}
