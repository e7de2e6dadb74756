import {
  assess,
  changesSince,
  HouseJudge,
  type HouseJudgement,
  HouseReceiver,
  type JudgementChanges,
  type SentHouse,
  usualPace,
} from '@fair-plug/core/assessment';
import type { Circuit } from '@fair-plug/core/circuit';
import { blindSpots, type Diagnosis, Diagnostician, searchTime } from '@fair-plug/core/engine';
import type { InstrumentId, Reading } from '@fair-plug/core/instruments';
import type { ConditionId, Practice } from '@fair-plug/core/knowledge';
import type { House } from '@fair-plug/core/log';
import type { FindingSummary } from '@fair-plug/core/report';
import { expose } from 'comlink';
import { v7 } from 'uuid';

/** Slices of work are gathered until so many milliseconds have passed; then other requests get their turn. */
const turnMilliseconds = 12;

/** A turn for whatever else the worker was asked. */
const othersTurn = (): Promise<void> =>
  new Promise((go) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      go();
    };
    port2.postMessage(null);
  });

/** Who waits hears so often, in milliseconds, that the engine is at work. */
const pulseMilliseconds = 1000;

/**
 * Runs a stepwise answer to its end, telling of each better one, and with null now and then that it goes on; answers null
 * where it was overtaken by another request.
 */
async function inTurns<T>(
  steps: Generator<T | null, T>,
  isOvertaken: () => boolean,
  notify: (better: T | null) => void,
): Promise<T | null> {
  let turnEnds = performance.now() + turnMilliseconds;
  let pulseDue = performance.now() + pulseMilliseconds;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (step.value !== null) notify(step.value);
    const now = performance.now();
    if (now < turnEnds) continue;
    if (now > pulseDue) {
      pulseDue = now + pulseMilliseconds;
      notify(null);
    }
    await othersTurn();
    if (isOvertaken()) return null;
    turnEnds = performance.now() + turnMilliseconds;
  }
}

let asked = { house: 0, bench: 0 };
/** Who judges the job that was asked about last; ends what that one holds open. */
let judge = { job: '', of: Promise.resolve(new HouseJudge(usualPace)), end: (): void => {} };

/** Takes up a job, with what was answered in it before. */
function takeUp(job: string, store: string): void {
  judge.end();
  let isEnded = false;
  let close = (): void => {};
  const end = (): void => {
    isEnded = true;
    close();
  };
  const open = async (): Promise<HouseJudge> => {
    const { KeptAnswers } = await import('@/local/kept-answers');
    const kept = new KeptAnswers(store, job);
    close = () => kept.close();
    const known = await kept.all();
    if (isEnded) close();
    return new HouseJudge(usualPace, known, kept.keep);
  };
  judge = { job, of: open().catch(() => new HouseJudge(usualPace)), end };
}

const received = new HouseReceiver();
/** What the page knows of the house by now; null before anything was sent. */
let sent: HouseJudgement | null = null;

/** News in the order in which they were made: they may arrive in another. */
export interface NumberedChanges extends JudgementChanges {
  readonly number: number;
  /** Of an engine that was started anew, whose numbers begin anew. */
  readonly engine: string;
}
let numbered = 0;
const engineId = v7();

function changes(judgement: HouseJudgement): NumberedChanges {
  const since = { ...changesSince(sent, judgement), number: numbered, engine: engineId };
  sent = judgement;
  numbered += 1;
  return since;
}

/** Longest that one circuit may keep the engine busy. */
const mostMilliseconds = 3000;

const engine = {
  /** What a kit would read as correct. */
  blindSpots: (kit: readonly InstrumentId[]): readonly ConditionId[] => blindSpots(kit),

  /** Judges a house whose log is kept in the store of that name, and tells what is new, and now and then with null that it goes on; a later call overtakes an earlier one, which then answers null. A house of which something is not here has to be sent whole. */
  async judge(
    job: string,
    asSent: SentHouse,
    kit: readonly InstrumentId[],
    store: string,
    notify: (better: NumberedChanges | null) => void,
  ): Promise<NumberedChanges | 'not-here' | null> {
    const house = received.received(asSent);
    if (house === null) return 'not-here';
    asked = { ...asked, house: asked.house + 1 };
    const mine = asked.house;
    if (judge.job !== job) {
      takeUp(job, store);
      sent = null;
    }
    const of = await judge.of;
    if (asked.house !== mine) return null;
    const steps = of.judging(house, kit);
    const answer = await inTurns(
      steps,
      () => asked.house !== mine,
      (better) => notify(better === null ? null : changes(better)),
    );
    return answer === null ? null : changes(answer);
  },

  /** How many findings a house comes to and how pressing they are, by all that is in it; for lists of houses. */
  async summarize(house: House, practice: Practice): Promise<FindingSummary> {
    const judgement = await inTurns(
      new HouseJudge(usualPace).judging(house, []),
      () => false,
      () => {},
    );
    // Words come along only with lists of houses: no verdict waits for them.
    const { findingSummaryOf } = await import('@fair-plug/core/words');
    return findingSummaryOf(assess(house, judgement), practice);
  },

  /** Diagnoses a circuit of the bench from readings taken on it, whose faults and loads it is not told. */
  async diagnose(
    circuit: Circuit,
    readings: readonly Reading[],
    kit: readonly InstrumentId[],
    notify: (better: BenchDiagnosis) => void,
  ): Promise<BenchDiagnosis | null> {
    asked = { ...asked, bench: asked.bench + 1 };
    const mine = asked.bench;
    const started = performance.now();
    const most = searchTime(mostMilliseconds, circuit.outlets.length);
    const diagnostician = new Diagnostician({
      circuit: { ...circuit, faults: [], loads: [], tests: [] },
      unknownLoads: true,
      unknownDevices: new Set(),
    });
    const steps = diagnostician.diagnosing(
      { readings, trippedBefore: null, kit },
      { mostBounds: 6000, isOver: () => performance.now() - started > most },
    );
    const answer = await inTurns(
      steps,
      () => asked.bench !== mine,
      (better) => better !== null && notify(plain(better)),
    );
    return answer === null ? null : plain(answer);
  },
};

/** A diagnosis without what only the engine needs. */
const plain = ({ explanations, outlets, causes, misfits, table, isFinal, stoppedEarly }: Diagnosis) => ({
  explanations: explanations.slice(0, 8).map(({ fitted: { supposed }, probability, group }) => ({
    faults: supposed.faults,
    loads: supposed.loads,
    probability,
    group,
  })),
  outlets,
  causes,
  misfits,
  table,
  isFinal,
  stoppedEarly,
});
export type BenchDiagnosis = ReturnType<typeof plain>;
export type Engine = typeof engine;

expose(engine);
