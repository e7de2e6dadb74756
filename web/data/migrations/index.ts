import type { Migration, MigrationProvider } from 'kysely';
import * as logs from './2026-11-24-logs.ts';
import * as people from './2026-11-25-people.ts';
import * as assessment from './2026-11-28-assessment.ts';
import * as inviters from './2026-11-28-inviters.ts';
import * as heads from './2026-11-29-heads.ts';
import * as links from './2026-11-29-links.ts';
import * as photos from './2026-11-29-photos.ts';

/** Every migration, in the order of its name. A migration that has shipped is never changed. */
const migrations: Readonly<Record<string, Migration>> = {
  '2026-11-24-logs': logs,
  '2026-11-25-people': people,
  '2026-11-28-assessment': assessment,
  '2026-11-28-inviters': inviters,
  '2026-11-29-heads': heads,
  '2026-11-29-links': links,
  '2026-11-29-photos': photos,
};

export const migrationProvider: MigrationProvider = {
  getMigrations: async () => ({ ...migrations }),
};
