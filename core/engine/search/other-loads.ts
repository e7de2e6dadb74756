import type { Fault } from '../../faults/index.ts';
import type { Network } from '../../physics/index.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import { alikeIn, fedThrough, type LoadPattern, leastWatts, smallLoadWatts } from '../model/unknown-loads.ts';
import type { Beginning, Start } from './beginning.ts';

/** Watts at each outlet that drags a floating conductor along. */
const levelsOfWatts = [smallLoadWatts, leastWatts, 250] as const;
/** Watts at an outlet beside which readings at rest ask for ohms. */
const askingWatts = 150;

/**
 * What drags a floating conductor along, as it is in what is led further, at the level that does best beside its other
 * loads, or on just before where it may not be on, before anything is fitted. Null where none comes within `limit` nats.
 */
export function startAmongLevels(
  beginning: Beginning,
  hypothesis: Hypothesis,
  start: Start,
  pattern: LoadPattern,
  limit: number,
): Start | null {
  const before = start.pattern?.lower;
  const isNewlyOn = pattern.lower.map((watts, outlet) =>
    watts > 0 && (before?.[outlet] ?? 0) === 0 ? 1 : 0,
  );
  const isOn = isNewlyOn.includes(1);
  const atLevel = (level: number): Float64Array =>
    start.watts.map((known, outlet) => (isNewlyOn[outlet] === 1 ? level : known));
  let better: Start | null = null;
  let least = limit;
  const { moved } = pattern;
  const others = isOn ? levelsOfWatts.map(atLevel) : moved === undefined ? [] : [moved];
  for (const watts of different([start.watts, ...others])) {
    const tried = beginning.asStarted(hypothesis, { ...start, watts }, pattern, least);
    const short = tried.deficit - tried.logShare;
    if (short >= least) continue;
    least = short;
    better = { ...start, watts, isInherited: start.isInherited && !isOn && watts !== moved };
  }
  return better;
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
