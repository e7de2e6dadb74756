'use client';

import { afterNews, type HouseJudgement, slimHouse } from '@fair-plug/core/assessment';
import type { InstrumentId } from '@fair-plug/core/circuit';
import type { House } from '@fair-plug/core/inspection';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import type { NumberedNews } from '@/workers/engine.worker';
import { engine } from './engine';
import { useOwnStorage } from './use-own-storage';

/** What is in the bag until somebody says otherwise. */
const usualBag: readonly InstrumentId[] = ['lamps', 'probe', 'meter'];

/** The instruments at hand, as this device remembers them. */
export function useBag() {
  const [bag, setBag] = useOwnStorage<readonly InstrumentId[]>('bag', usualBag);
  return { bag, setBag };
}

/** What the engine has told so far, and what arrived before its turn; one engine, one page. */
let known: HouseJudgement['receptacles'] = new Map();
let nextNumber = 0;
const early = new Map<number, NumberedNews>();

/** Takes news in their order; answers the judgement as it then stands, or null where something is still to come. */
function heard(news: NumberedNews): HouseJudgement | null {
  early.set(news.number, news);
  let latest: HouseJudgement | null = null;
  for (let next = early.get(nextNumber); next !== undefined; next = early.get(nextNumber)) {
    early.delete(nextNumber);
    nextNumber += 1;
    latest = afterNews(known, next);
    known = latest.receptacles;
  }
  return latest;
}

/** An answer, and what it was an answer to. */
interface Answer {
  readonly house: House;
  readonly judgement: HouseJudgement;
}

export interface Judged {
  /** null until the engine has answered, then its best answer so far, though of an older house. */
  readonly judgement: HouseJudgement | null;
  /** The engine has judged all that is in this house. */
  readonly isFinal: boolean;
}

/** What the engine makes of a house. */
export function useJudgement(job: string, house: House): Judged {
  const { bag } = useBag();
  const [answer, setAnswer] = useState<Answer | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const take = (news: NumberedNews | null): void => {
      // News are taken though overtaken: the next ones build on them.
      const better = news === null ? null : heard(news);
      if (isCurrent && better !== null) setAnswer({ house, judgement: better });
    };
    void engine().judge(job, slimHouse(house), bag, proxy(take)).then(take);
    return () => {
      isCurrent = false;
    };
  }, [job, house, bag]);
  const judgement = answer?.judgement ?? null;
  return { judgement, isFinal: answer?.house === house && judgement?.isFinal === true };
}
