import { join } from 'node:path';
import { parseJobText } from '@fair-plug/core/exchange';
import { sql } from 'kysely';
import { v7 } from 'uuid';
import { applicationUrl, prepareApplicationRole } from '../../web/data/application-role.ts';
import { createPerson } from '../../web/data/credentials.ts';
import { connect, migrate } from '../../web/data/database.ts';
import { FirmData } from '../../web/data/firm-data.ts';
import { invite } from '../../web/data/invitations.ts';
import { appendToKit, openJob } from '../../web/data/logs.ts';
import { backUp } from '../backup/archive.ts';
import { loadDemo } from '../demo/load.ts';
import { removeData, startCluster } from '../setup/cluster.mjs';
import { root, testSettings } from '../setup/settings.mjs';
import { partOf } from './corpus.ts';

// A backup of what this build keeps in a database: the demo, and a firm with the job files and the kit of the corpus.

const settings = testSettings().backup;
await removeData(settings.data);
const cluster = await startCluster(settings, 'FAIRPLUG_BACKUP_DATABASE_PORT');
const admin = connect(cluster.url('postgres'));
await sql`create database kept`.execute(admin);
const owner = connect(cluster.url('kept'));
await migrate(owner);
await prepareApplicationRole(owner, 'for tests alone');
const connection = connect(applicationUrl(cluster.url('kept'), 'for tests alone'));
await loadDemo(connection, 'a demo password');
const person = v7();
await createPerson(
  connection,
  { name: 'Odile Farrant', email: 'odile@example.com', password: 'a long password' },
  person,
);
const firm = await FirmData.found(connection, {
  firm: { id: v7(), name: 'Quillmere Surveys' },
  owner: person,
  kit: v7(),
});
const by = { person: { id: person, name: 'Odile Farrant' }, role: 'owner' } as const;
for (const { file } of partOf('jobs')) {
  const opened = parseJobText(file);
  if (opened.kind === 'problems') throw new Error(JSON.stringify(opened.problems));
  await openJob(firm, by, opened.value.job, opened.value.entries);
}
await appendToKit(firm, by, partOf('kit').entries);
await invite(firm, by.person, { role: 'inspector', email: 'tessa@example.com' });
console.log(await backUp(cluster.url('kept'), join(root, 'scripts/corpus/database.backup')));
await Promise.all([admin, owner, connection].map((one) => one.destroy()));
await cluster.stop();
await removeData(settings.data);
