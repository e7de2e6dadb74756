import type { Fault } from '../../faults/index.ts';
import type { Network } from '../../physics/index.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import { alikeIn, fedThrough, type LoadPattern, leastWatts, smallLoadWatts } from '../model/unknown-loads.ts';
import type { Beginning, Start } from './beginning.ts';

/** Watts at each outlet that drags a floating conductor along. */
const levelsOfWatts = [smallLoadWatts, leastWatts, 250] as const;
/** Watts at an outlet beside which readings at rest ask for ohms. */
const askingWatts = 150;
/** Loads of so many watts together may have been fitted for want of what is tried now. */
const someLoad = 5;

/**
 * What drags a floating conductor along, as it is in what is led further or at the level that does best beside its other
 * loads, before anything is fitted; where none comes within `limit` nats and something was on, beside nothing else. Null
 * where none does.
 */
export function startAmongLevels(
  beginning: Beginning,
  hypothesis: Hypothesis,
  start: Start,
  pattern: LoadPattern,
  limit: number,
  wattsLed: number,
): Start | null {
  const before = start.pattern?.lower;
  const isNewlyOn = pattern.lower.map((watts, outlet) =>
    watts > 0 && (before?.[outlet] ?? 0) === 0 ? 1 : 0,
  );
  const isOn = isNewlyOn.includes(1);
  const levels = (others: Float64Array): readonly Float64Array[] => {
    const at = (level: number) => others.map((known, outlet) => (isNewlyOn[outlet] === 1 ? level : known));
    return isOn ? [others, ...levelsOfWatts.map(at)] : [others];
  };
  const bestOf = (some: readonly Float64Array[], isInherited: boolean): Start | null => {
    let better: Start | null = null;
    let least = limit;
    for (const watts of some) {
      const tried = beginning.asStarted(hypothesis, { ...start, watts }, pattern, least);
      const short = tried.deficit - tried.logShare;
      if (short >= least) continue;
      least = short;
      better = { ...start, watts, isInherited };
    }
    return better;
  };
  const asLed = different(levels(start.watts));
  const better = bestOf(asLed, start.isInherited && !isOn);
  if (better !== null || wattsLed < someLoad) return better;
  return bestOf(different([...asLed, ...levels(alikeIn(pattern, 0))]).slice(asLed.length), false);
}

/**
 * Ohms and loads with which a bad connection shows what its parent does not account for: beside those of the parent's
 * loads that are not fed through it, beside none, beside all of them, and beside something on at each outlet that is fed
 * through it, for without a load it drops nothing at rest; with the nats by which that falls short, nothing fitted. Null
 * where it falls short by `limit` or more.
 */
export function startAsAsked(
  beginning: Beginning,
  network: Network,
  hypothesis: Hypothesis,
  start: Start,
  pattern: LoadPattern | null,
  limit: number,
): { readonly start: Start; readonly deficit: number } | null {
  const fresh = hypothesis.resistances.filter((_, which) => start.fresh.includes(which));
  const fed = new Set(fresh.flatMap((at) => [...fedThrough(network, hypothesis.faults[at] as Fault)]));
  const none = pattern === null ? start.watts : alikeIn(pattern, 0);
  const notFed = start.watts.map((watts, outlet) => (fed.has(outlet) ? (none[outlet] as number) : watts));
  let found: { readonly start: Start; readonly deficit: number } | null = null;
  const tryBeside = (asking: Float64Array, loads: readonly Float64Array[], atRest: boolean): void => {
    for (const ohms of beginning.ohmsAsked(hypothesis, { ...start, watts: asking }, fed, atRest))
      for (const watts of loads) {
        const so = { ...start, ohms, watts };
        const nearest = found?.deficit ?? limit;
        const { deficit } = beginning.asStarted(hypothesis, so, pattern, nearest);
        if (deficit < nearest) found = { start: so, deficit };
      }
  };
  if (pattern === null) tryBeside(notFed, [notFed], false);
  else {
    tryBeside(notFed, different([notFed, none, start.watts]), false);
    const someOn = alikeIn(pattern, askingWatts);
    const fedOn = notFed.map((watts, outlet) => (fed.has(outlet) ? (someOn[outlet] as number) : watts));
    tryBeside(fedOn, [fedOn], true);
  }
  return found;
}

/** Loads by outlet, those that are the same once. */
const different = (some: readonly Float64Array[]): readonly Float64Array[] =>
  some.filter((watts, index) => !some.slice(0, index).some((before) => isSame(before, watts)));

const isSame = (a: Float64Array, b: Float64Array): boolean =>
  a.every((watts, outlet) => Math.abs(watts - (b[outlet] as number)) < 0.5);
