import type { KnownCircuit } from '@fair-plug/core/assessment';
import { LocalDatabase, type LogKey } from './tables';

/** Names what the application was built from: an engine of another build may answer otherwise. Empty: nothing is kept. */
const currentBuild = (): string => process.env.FAIRPLUG_BUILD ?? '';

/** What the engine answered in a job, kept beside its log: opened again, it is judged at once. */
export class KeptAnswers {
  private readonly store: LocalDatabase;
  private readonly log: LogKey;
  private readonly build: string;

  /** `name`: of the store that the log is kept in. */
  constructor(name: string, log: LogKey, build: string = currentBuild()) {
    this.store = new LocalDatabase(name);
    this.log = log;
    this.build = build;
  }

  /** All that this build answered; what another one did goes. None where the store cannot be read. */
  async all(): Promise<readonly KnownCircuit[]> {
    if (this.build === '') return [];
    const { answers } = this.store;
    try {
      const kept = await answers.where('log').equals(this.log).toArray();
      const stale = kept.filter(({ build }) => build !== this.build);
      await answers.bulkDelete(stale.map(({ log, breaker }) => [log, breaker]));
      return kept.filter((one) => !stale.includes(one));
    } catch {
      return [];
    }
  }

  /**
   * Keeps an answer as long as its log is here: one that comes when that was taken away is not kept. Where there is no
   * room for it, it is worked out anew next time.
   */
  readonly keep = async (answered: KnownCircuit): Promise<void> => {
    if (this.build === '') return;
    const { store, log, build } = this;
    await store
      .transaction('rw', store.answers, store.logs, async () => {
        if ((await store.logs.get(log)) === undefined) return;
        await store.answers.put({ ...answered, log, build });
      })
      .catch(() => {});
  };

  close(): void {
    this.store.close();
  }
}
