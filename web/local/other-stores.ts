import { forgetRead, LocalDatabase } from './store';

const ownName = /^fair-plug [0-9a-f-]{36} ([0-9a-f-]{36})$/;

/**
 * What others read on this device goes once somebody else has signed in: the server has it, and those who were removed
 * from a firm are not to have it longer. What did not reach the server stays for its author.
 */
export async function forgetReadOfOthers(person: string): Promise<void> {
  const all = (await indexedDB.databases?.()) ?? [];
  for (const { name = '' } of all) {
    const whose = ownName.exec(name)?.[1];
    if (whose === undefined || whose === person) continue;
    const store = new LocalDatabase(name);
    await forgetRead(store);
    store.close();
  }
}
