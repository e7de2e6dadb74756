import type { Evaluator, Supposed } from '../evidence/evaluator.ts';
import type { StateEvidence } from '../evidence/evidence.ts';
import { type Scales, scaleAt } from '../model/scales.ts';
import { leastOhms, middleOhms } from './prior-shares.ts';

/** Volts that ohms change by less tell nothing of them. */
const leastVolts = 3;
/** Between these, volts only rise with the ohms, or only fall. */
const triedOhms = [leastOhms, middleOhms, 1e4] as const;
/** Steps by which ohms between two that were tried are narrowed down at the most, and volts that are near enough. */
const mostSteps = 8;
const nearVolts = 0.3;
/** Ohms that differ by a smaller share of themselves are one. */
const sameShare = 0.15;
const mostAsked = 3;

/** Readings that what is led further does not account for, by their index, as far as they were taken at these outlets. */
interface Misfits {
  readonly of: ReadonlySet<number>;
  readonly at: ReadonlySet<number>;
  /** Of these, what was read with no load put on. */
  readonly atRest: boolean;
}

/**
 * Ohms of a bad connection at which it shows volts that are not accounted for; the least first, none where it shows
 * them at no ohms. What is wrong counts no more the further it is off, so no slope leads there from ohms that were tried.
 */
export function askedOhms(
  evaluator: Evaluator,
  supposedAt: (ohms: number) => Supposed,
  misfits: Misfits,
  scales: Scales,
): readonly number[] {
  const states = withMisfits(evaluator, misfits);
  const { evidence, predicted, weighing } = evaluator;
  const channels = states.flatMap(({ outlets }) =>
    outlets.flatMap(({ readings }) =>
      readings.flatMap(({ first, end, isOnOtherLeg }) =>
        Array.from({ length: end - first }, (_, span) => first + span)
          .filter((channel) => weighing.isUnread[channel] !== 1)
          .map((channel) => ({ channel, scale: scaleAt(scales, isOnOtherLeg) })),
      ),
    ),
  );
  if (channels.length === 0) return [];
  /** Volts by which every channel is above what was read. */
  const above = (ohms: number): readonly number[] => {
    const supposed = supposedAt(ohms);
    for (const state of states) {
      const settled = evaluator.enter(state, supposed);
      for (const { outlet, readings } of state.outlets) {
        evaluator.look(outlet);
        for (const reading of readings) evaluator.readHere(reading, settled, supposed.instruments);
      }
    }
    return channels.map(
      ({ channel, scale }) => scale * (predicted[channel] as number) - (evidence.observed[channel] as number),
    );
  };
  const tried = triedOhms.map((ohms) => ({ ohms, volts: above(ohms) }));
  const found: number[] = [];
  tried.slice(1).forEach((upper, index) => {
    const lower = tried[index] as (typeof tried)[number];
    upper.volts.forEach((high, which) => {
      const low = lower.volts[which] as number;
      if (low * high > 0 || Math.abs(high - low) < leastVolts) return;
      const at = (ohms: number): number => above(ohms)[which] as number;
      found.push(crossing(at, [lower.ohms, low], [upper.ohms, high]));
    });
  });
  found.sort((a, b) => a - b);
  return found.filter((ohms, index) => ohms > (found[index - 1] ?? 0) * (1 + sameShare)).slice(0, mostAsked);
}

/** What was read before repair, of it the volts that are not accounted for. */
const withMisfits = ({ evidence, weighing }: Evaluator, misfits: Misfits): readonly StateEvidence[] =>
  evidence.states
    .filter(({ repaired }) => !repaired)
    .map((state) => ({
      ...state,
      outlets: state.outlets
        .filter(({ outlet }) => misfits.at.has(outlet))
        .map((outlet) => ({
          ...outlet,
          readings: outlet.readings.filter(
            (reading) =>
              misfits.of.has(reading.index) &&
              weighing.holdsVolts(reading) &&
              !(misfits.atRest && reading.hookup.load > 0),
          ),
        }))
        .filter(({ readings }) => readings.length > 0),
    }))
    .filter(({ outlets }) => outlets.length > 0);

/** Where a quantity passes through nought between two ohms, by false position in their logarithm (Illinois; from memory). */
function crossing(
  at: (ohms: number) => number,
  lower: readonly [ohms: number, value: number],
  upper: readonly [ohms: number, value: number],
): number {
  let [[low, below], [high, above]] = [lower, upper];
  let ohms = low;
  for (let step = 0, kept = 0; step < mostSteps; step += 1) {
    ohms = low * (high / low) ** (below / (below - above));
    const value = at(ohms);
    if (Math.abs(value) < nearVolts) break;
    // What is kept twice counts by half, or the other end would creep.
    if (value * below > 0) {
      [low, below] = [ohms, value];
      if (kept === 1) above /= 2;
      kept = 1;
    } else {
      [high, above] = [ohms, value];
      if (kept === -1) below /= 2;
      kept = -1;
    }
  }
  return ohms;
}
