import { assess, HouseJudge, type KnownCircuit, usualPace } from '@fair-plug/core/assessment';
import { foldKit, type House } from '@fair-plug/core/log';
import type { FindingSummary } from '@fair-plug/core/report';
import { findingSummaryOf } from '@fair-plug/core/words';
import { LRUCache } from 'lru-cache';
import type { FirmData } from './firm-data.ts';
import { writeLine } from './job-lines.ts';
import { wholeLog } from './log-pages.ts';
import { readJob } from './read-jobs.ts';

/** The engine works so long at a time; then requests get their turn. */
const turnMilliseconds = 12;

const othersTurn = (): Promise<void> => new Promise((go) => setImmediate(go));

/** Circuits of jobs assessed lately, all jobs together; each some 20 kB in writing where lamps were read. */
const mostCircuits = 400;
/** By firm and job, what its circuits came to: one reading more changes one of them. */
const known = new LRUCache<string, readonly KnownCircuit[]>({
  maxSize: mostCircuits,
  sizeCalculation: (circuits) => 1 + circuits.length,
});

const nameOf = (firm: FirmData, job: string): string => `${firm.id} ${job}`;

/** What the circuits of a job came to when it was assessed last, where that is remembered: the same objects as long as they stand. */
export const circuitsOf = (firm: FirmData, job: string): readonly KnownCircuit[] =>
  known.get(nameOf(firm, job)) ?? [];

/** Assesses a house to the end, in turns with whatever else the server does; what did not change since stands as it was. */
async function assessed(name: string, house: House) {
  const circuits = new Map((known.get(name) ?? []).map((one) => [one.breaker, one]));
  const keep = (answered: KnownCircuit): void => {
    circuits.set(answered.breaker, answered);
  };
  const steps = new HouseJudge(usualPace, [...circuits.values()], keep).judging(house, []);
  let turnEnds = performance.now() + turnMilliseconds;
  for (;;) {
    const step = steps.next();
    if (step.done) {
      known.set(
        name,
        step.value.circuits.flatMap(({ breaker }) => circuits.get(breaker) ?? []),
      );
      return assess(house, step.value);
    }
    if (performance.now() < turnEnds) continue;
    await othersTurn();
    turnEnds = performance.now() + turnMilliseconds;
  }
}

/** Brings a job's line in the list up to date with its log, but for what needs the engine. */
export async function summarizeJob(firm: FirmData, job: string): Promise<void> {
  const read = await readJob(firm, job);
  if (read !== null) await firm.transaction((transaction) => writeLine(transaction, firm, job, read));
}

/** What a firm's job comes to now, written beside the sequence numbers of the job's and the kit's log that it is of. */
export async function assessJob(firm: FirmData, job: string): Promise<void> {
  const read = await readJob(firm, job);
  const kit = await firm.transaction((transaction) => wholeLog(transaction, firm.id, 'kit'));
  if (read === null || kit === null) return;
  const { seq } = read;
  const { practice } = foldKit(kit.entries).firm;
  const findings: FindingSummary = findingSummaryOf(
    await assessed(nameOf(firm, job), read.fold.house),
    practice,
  );
  await firm.transaction(async (transaction) => {
    await writeLine(transaction, firm, job, read);
    await transaction
      .updateTable('job')
      .set({ findings: JSON.stringify(findings), assessed_seq: seq, assessed_kit_seq: kit.cursor })
      .where('organization', '=', firm.id)
      .where('id', '=', job)
      // What another server wrote of a longer log stands.
      .where((is) => is.or([is('assessed_seq', 'is', null), is('assessed_seq', '<=', seq)]))
      .execute();
  });
}

/** What waits to be done of jobs, each once; what was asked for last first. */
const waiting = new Map<string, () => Promise<void>>();
let isWorking = false;

async function work(): Promise<void> {
  if (isWorking) return;
  isWorking = true;
  try {
    for (let last = [...waiting].at(-1); last !== undefined; last = [...waiting].at(-1)) {
      const [name, run] = last;
      waiting.delete(name);
      // What cannot be done now is asked for again by the next list.
      await run().catch(() => {});
    }
  } finally {
    isWorking = false;
  }
}

/** More than this wait for the next list that names them. */
const mostWaiting = 1000;

function soon(name: string, run: () => Promise<void>): void {
  if (waiting.size >= mostWaiting && !waiting.has(name)) return;
  // Asked for once more, it is done once; what is asked for last comes first.
  waiting.delete(name);
  waiting.set(name, run);
  void work();
}

/** Has jobs assessed beside whatever else is done, one after another. */
export function assessSoon(firm: FirmData, jobs: readonly string[]): void {
  for (const job of jobs) soon(`findings ${firm.id} ${job}`, () => assessJob(firm, job));
}

/** Has a job's line in the list brought up to date beside whatever else is done. */
export const summarizeSoon = (firm: FirmData, job: string): void =>
  soon(`line ${firm.id} ${job}`, () => summarizeJob(firm, job));
