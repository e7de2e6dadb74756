'use client';

import {
  type Assessment,
  assess,
  type HouseJudgement,
  HouseSender,
  withChanges,
} from '@fair-plug/core/assessment';
import type { InstrumentId } from '@fair-plug/core/instruments';
import type { House } from '@fair-plug/core/log';
import { proxy } from 'comlink';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import type { NumberedChanges } from '@/workers/engine.worker';
import { ask as askEngine } from './engine';
import { useLocal } from './local-store';
import { useBag } from './use-bag';

/** What the engine of this page has sent so far, and what arrived before its turn. */
let sender: string | null = null;
let known: HouseJudgement | null = null;
/** null until the first of its answers is here, which is a whole one. */
let nextNumber: number | null = null;
const early = new Map<number, NumberedChanges>();

/** Takes changes in their order; answers the judgement as it then stands, or null where something is still to come. */
function applied(changes: NumberedChanges): HouseJudgement | null {
  if (changes.engine !== sender) {
    sender = changes.engine;
    known = null;
    nextNumber = null;
    early.clear();
  }
  early.set(changes.number, changes);
  if (changes.isWhole) nextNumber ??= changes.number;
  if (nextNumber === null) return null;
  let latest: HouseJudgement | null = null;
  for (let next = early.get(nextNumber); next !== undefined; next = early.get(nextNumber)) {
    early.delete(nextNumber);
    nextNumber += 1;
    latest = withChanges(known, next);
    known = latest;
  }
  return latest;
}

/** Names the moment in which the engine was heard of last. */
const atWork = 'engine at work';

/** What the engine was asked last. */
interface Question {
  readonly job: string;
  readonly bag: readonly InstrumentId[];
  readonly house: House;
}

/** What the engine of this page was sent so far. */
const sending = new HouseSender(v7());

/** Puts a question to the engine; null where it was overtaken by another. */
async function judged(
  { job, house, bag }: Question,
  store: string,
  hear: (changes: NumberedChanges | null) => void,
  isWanted: () => boolean,
): Promise<NumberedChanges | null> {
  const put = (isWhole: boolean) =>
    askEngine<NumberedChanges | 'not-here' | null>(async (engine) =>
      engine.judge(job, sending.sent(house, isWhole), bag, store, proxy(hear)),
    );
  const changes = await put(false);
  // An engine that was started anew has nothing of it.
  const whole = changes === 'not-here' && isWanted() ? await put(true) : changes;
  return whole === 'not-here' ? null : whole;
}

/** The engine's answers, and what they were answers to. */
interface Answer {
  readonly house: House;
  readonly answers: HouseJudgement;
}

export interface Assessed {
  /** By the engine's best answers so far, though of an older house; by the lamps alone until there are any. */
  readonly assessment: Assessment;
  /** The engine has answered to all that is in this house. */
  readonly isFinal: boolean;
  /** An error kept it from answering: what is shown goes by the lamps, and by answers from before. */
  readonly hasFailed: boolean;
}

/** What a house comes to. */
export function useAssessment(job: string, house: House): Assessed {
  const { bag } = useBag();
  const { cache, store } = useLocal();
  const [answer, setAnswer] = useState<Answer | null>(null);
  /** The house that the engine failed at, last. */
  const [failedAt, setFailed] = useState<House | null>(null);
  const before = useRef<Assessment | null>(null);
  const asked = useRef<Question | null>(null);
  /** Asks about a house unless that was asked last; ends with the first answer. */
  const ask = useCallback(
    async (about: House): Promise<void> => {
      const { current } = asked;
      if (current !== null && current.job === job && current.bag === bag && current.house === about) return;
      const question = { job, bag, house: about };
      asked.current = question;
      await new Promise<void>((answered) => {
        const take = (changes: NumberedChanges): void => {
          // News are taken though overtaken: the next ones build on them.
          const better = applied(changes);
          if (asked.current === question && better !== null) setAnswer({ house: about, answers: better });
          answered();
        };
        const hear = (changes: NumberedChanges | null): void => {
          if (changes !== null) take(changes);
          // Seen by whoever prints the page.
          performance.clearMarks(atWork);
          performance.mark(atWork);
        };
        const put = async (): Promise<void> => {
          const changes = await judged(question, store.name, hear, () => asked.current === question);
          if (changes !== null) take(changes);
          // A question that is none any more came after it, from a page that was left: it is put once more.
          else if (asked.current === question) await put();
        };
        put()
          .catch(() => {
            if (asked.current === question) setFailed(about);
          })
          .finally(answered);
      });
    },
    [job, bag, store],
  );
  // What the log has grown by is drawn with the engine's answer to it where that comes soon.
  useEffect(() => {
    const book = cache.book(job);
    return book.listenFirst(async () => {
      const { isRead, house: grown } = book.state();
      if (isRead) await ask(grown);
    });
  }, [cache, job, ask]);
  // Asked before the page is painted: the engine answers while it is.
  useLayoutEffect(() => void ask(house), [ask, house]);
  useEffect(
    () => () => {
      asked.current = null;
    },
    [],
  );
  const answers = answer?.answers ?? null;
  if (before.current?.house !== house || before.current.answers !== answers)
    before.current = assess(house, answers, before.current);
  const isFinal = answer?.house === house && answers?.isFinal === true;
  return { assessment: before.current, isFinal, hasFailed: failedAt === house && !isFinal };
}
