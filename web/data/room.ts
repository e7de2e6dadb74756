import { readFile, statfs } from 'node:fs/promises';

/**
 * Whether the database's disk has room for more than its reserve, so that entries are refused while devices still keep
 * them, and PostgreSQL can go on writing its log. True where nobody said where the disk is.
 */
export async function hasRoom(): Promise<boolean> {
  const { FAIRPLUG_DATABASE_FOLDER: folder, FAIRPLUG_RESERVE: reserve } = process.env;
  if (!folder || !reserve) return true;
  try {
    const { bavail, bsize } = await statfs(folder);
    return bavail * bsize >= Number(reserve);
  } catch {
    // A folder that this process may not look into says nothing.
    return true;
  }
}

/** What whoever keeps the database running says of it. */
export interface DatabaseState {
  /** How often it was started again since the server's own start. */
  readonly restarts: number;
  readonly goneSince: string | null;
  readonly reason: string | null;
}

export async function databaseState(): Promise<DatabaseState | null> {
  const { FAIRPLUG_DATABASE_STATE: file } = process.env;
  if (!file) return null;
  try {
    return JSON.parse(await readFile(file, 'utf8'));
  } catch {
    return null;
  }
}
