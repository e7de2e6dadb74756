import { assess, HouseJudge, LoneDiagnostician } from '@fair-plug/core/assessment';
import { foldHouse, foldKit, type House } from '@fair-plug/core/log';
import type { FindingSummary } from '@fair-plug/core/report';
import { findingSummaryOf } from '@fair-plug/core/words';
import type { FirmData } from './firm-data.ts';
import { lockLog, refreshJob, wholeLog } from './logs.ts';

/** The engine works so long at a time; then requests get their turn. */
const turnMilliseconds = 12;

const othersTurn = (): Promise<void> => new Promise((go) => setImmediate(go));

/** One for all houses: what receptacles are held against takes a while to make. */
const lone = new LoneDiagnostician();

/** Assesses a house to the end, in turns with whatever else the server does. */
async function assessed(house: House) {
  const steps = new HouseJudge(lone).judging(house, []);
  let turnEnds = performance.now() + turnMilliseconds;
  for (;;) {
    const step = steps.next();
    if (step.done) return assess(house, step.value);
    if (performance.now() < turnEnds) continue;
    await othersTurn();
    turnEnds = performance.now() + turnMilliseconds;
  }
}

/** What a firm's job comes to now, written beside the sequence numbers of the job's and the kit's log that it is of. */
export async function assessJob(firm: FirmData, job: string): Promise<void> {
  const read = await firm.transaction(async (transaction) => {
    const log = await wholeLog(transaction, firm.id, 'job', job);
    const kit = await wholeLog(transaction, firm.id, 'kit');
    return log === null || kit === null ? null : { log, kit };
  });
  if (read === null) return;
  const { log, kit } = read;
  const { practice } = foldKit(kit.entries).firm;
  const findings: FindingSummary = findingSummaryOf(await assessed(foldHouse(log.entries)), practice);
  await firm.transaction(async (transaction) => {
    // As whoever appends does: nothing is written of a log that is growing.
    await lockLog(transaction, firm.id, job);
    await refreshJob(transaction, firm.id, job);
    await transaction
      .updateTable('job')
      .set({
        findings: JSON.stringify(findings),
        assessed_seq: log.cursor,
        assessed_kit_seq: kit.cursor,
      })
      .where('organization', '=', firm.id)
      .where('id', '=', job)
      // What another server wrote of a longer log stands.
      .where((is) => is.or([is('assessed_seq', 'is', null), is('assessed_seq', '<=', log.cursor)]))
      .execute();
  });
}

/** Jobs that wait to be assessed, each once; the one asked for last first. */
const waiting = new Map<string, () => Promise<void>>();
let isWorking = false;

async function work(): Promise<void> {
  if (isWorking) return;
  isWorking = true;
  try {
    for (let last = [...waiting].at(-1); last !== undefined; last = [...waiting].at(-1)) {
      const [name, run] = last;
      waiting.delete(name);
      // One that cannot be assessed now is asked for again by the next list.
      await run().catch(() => {});
    }
  } finally {
    isWorking = false;
  }
}

/** More than this wait for the next list that names them. */
const mostWaiting = 1000;

/** Has jobs assessed beside whatever else is done, one after another. */
export function assessSoon(firm: FirmData, jobs: readonly string[]): void {
  for (const job of jobs) {
    const name = `${firm.id} ${job}`;
    if (waiting.size >= mostWaiting && !waiting.has(name)) return;
    waiting.set(name, () => assessJob(firm, job));
  }
  void work();
}
