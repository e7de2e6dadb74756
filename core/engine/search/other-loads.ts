import type { Fault } from '../../faults/index.ts';
import type { Network } from '../../physics/index.ts';
import type { Hypothesis } from '../model/hypothesis.ts';
import { alikeIn, fedThrough, type LoadPattern, leastWatts, smallLoadWatts } from '../model/unknown-loads.ts';
import type { Beginning, Start } from './beginning.ts';
import { leastOhms } from './prior-shares.ts';

/** Watts at each outlet that drags a floating conductor along. */
const levelsOfWatts = [smallLoadWatts, leastWatts, 250] as const;
/** Loads of so many watts together may have been fitted for want of what is tried now, be they few. */
const someLoad = 5;
const muchLoad = 100;
/** Watts at every outlet, and ohms, that a fit of a bad connection may begin with where much was on. */
const lightWatts = [0, 50] as const;
const lightOhms = [leastOhms, 0.4, 30, 1e4] as const;

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
  const among = (others: Float64Array, isInherited: boolean): Start | null => {
    let better: Start | null = null;
    let least = limit;
    for (const level of isOn ? [null, ...levelsOfWatts] : [null]) {
      const watts = others.map((known, outlet) => (isNewlyOn[outlet] === 1 ? (level ?? known) : known));
      const tried = beginning.asStarted(hypothesis, { ...start, watts }, pattern, least);
      const short = tried.deficit - tried.logShare;
      if (short >= least) continue;
      least = short;
      better = { ...start, watts, isInherited };
    }
    return better;
  };
  const asLed = among(start.watts, start.isInherited && !isOn);
  return asLed === null && wattsLed >= someLoad ? among(alikeIn(pattern, 0), false) : asLed;
}

/**
 * Ohms and loads with which a bad connection shows what its parent does not account for: beside those of the parent's
 * loads that are not fed through it, beside none, and beside all of them; with the nats by which that falls short,
 * nothing fitted. Null where it falls short by `limit` or more.
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
  const asked = beginning.ohmsAsked(hypothesis, { ...start, watts: notFed }, fed);
  let found: { readonly start: Start; readonly deficit: number } | null = null;
  for (const ohms of asked)
    for (const watts of pattern === null ? [notFed] : [notFed, none, start.watts]) {
      const so = { ...start, ohms, watts };
      const nearest = found?.deficit ?? limit;
      const { deficit } = beginning.asStarted(hypothesis, so, pattern, nearest);
      if (deficit < nearest) found = { start: so, deficit };
    }
  return found;
}

/**
 * Loads that were fitted for want of a bad connection keep a fit that begins with them from it: where it falls short by
 * less than `least` nats with little on everywhere, before anything is fitted, it is begun so too. Else null.
 */
export function lightlyLoaded(
  beginning: Beginning,
  hypothesis: Hypothesis,
  start: Start,
  pattern: LoadPattern,
  least: number,
  wattsLed: number,
): LoadPattern | null {
  if (start.fresh.length === 0 || wattsLed < muchLoad) return null;
  let found: LoadPattern | null = null;
  let nearest = least;
  for (const level of lightWatts) {
    const watts = alikeIn(pattern, level);
    for (const tried of lightOhms) {
      const ohms = start.ohms.map((known, which) => (start.fresh.includes(which) ? tried : known));
      const { deficit } = beginning.asStarted(hypothesis, { ...start, ohms, watts }, pattern, nearest);
      if (deficit >= nearest) continue;
      nearest = deficit;
      found = { ...pattern, start: watts };
    }
  }
  return found;
}
