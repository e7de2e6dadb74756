import { type Circuit, networkOf } from '@fair-plug/core/circuit';
import { Diagnostician } from '@fair-plug/core/engine';
import { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import { clash } from '@fair-plug/core/engine/model/cause.ts';
import type { Reading, Test } from '@fair-plug/core/instruments';
import { conditions } from '@fair-plug/core/knowledge';
import { endangers } from './hazard.ts';
import { Random } from './random.ts';
import { causesIn, circuitFrom, dayFrom, faultsFrom, isShort, readingsFrom } from './world.ts';

const mostTests = 40;
const allInstruments = ['probe', 'meter', 'loaded'] as const;

/** What following the advice came to. */
export interface Advised {
  outlets: number;
  right: number;
  undetermined: number;
  falselySafe: number;
  /** Outlets right once everything else was read as well: what no advice can better. */
  rightWithAll: number;
  /** Tests made on each circuit after the lamps. */
  readonly tests: number[];
  /** Tests that put more than 132 V on an outlet, or a live ground under load. */
  unsafe: number;
  readonly cases: string[];
}

/** One fault in two thirds of the circuits, two in the rest, as the priors have them. */
function drawnFor(circuit: Circuit, random: Random) {
  const causes = causesIn(circuit).filter(({ prior }) => prior !== 'short');
  const total = causes.reduce((sum, { logOdds }) => sum + Math.exp(logOdds), 0);
  const one = () => {
    const drawn = random.next() * total;
    let sum = 0;
    return causes.find(({ logOdds }) => {
      sum += Math.exp(logOdds);
      return sum > drawn;
    });
  };
  for (;;) {
    const drawn = [one(), ...(random.chance(1 / 3) ? [one()] : [])].flatMap((cause) => cause ?? []);
    const contradict = drawn.some((a, index) => drawn.slice(index + 1).some((b) => a === b || clash(a, b)));
    const faults = faultsFrom(drawn, random);
    if (!contradict && !isShort({ ...circuit, faults: [...faults] })) return faults;
  }
}

const nothing = (): Advised => ({
  outlets: 0,
  right: 0,
  undetermined: 0,
  falselySafe: 0,
  rightWithAll: 0,
  tests: [],
  unsafe: 0,
  cases: [],
});

/** What was not yet tested at any outlet. */
function notMade({ outlets }: Circuit, readings: readonly Reading[]): readonly Test[] {
  const made = new Set(readings.map(({ at, instrument }) => `${at} ${instrument}`));
  return outlets.flatMap(({ id }) =>
    allInstruments
      .filter((instrument) => !made.has(`${id} ${instrument}`))
      .map((instrument) => ({ at: id, instrument }) as Test),
  );
}

/** From lamps everywhere to the end of the advice, on so many random circuits of four to eight outlets. */
export function adviseOn(seed: number, count: number, unknownLoads = true): Advised {
  const all = nothing();
  for (let circuits = 0; circuits < count; circuits += 1) {
    // Each by its own seed: what is asked for on one changes nothing on the next.
    const random = new Random(1000 * seed + circuits);
    const circuit = circuitFrom(random, 4 + random.whole(5));
    const faults = drawnFor(circuit, random);
    const day = dayFrom(random);
    const truth = new OutletConditions(networkOf(circuit)).under({
      faults,
      loads: circuit.loads,
      deviceStates: [],
    });
    const take = (tests: readonly Test[]): readonly Reading[] =>
      readingsFrom({ ...circuit, faults: [...faults], tests: [...tests] }, random, day).map(
        ({ reading }) => reading,
      );
    let readings = take(circuit.outlets.map(({ id }) => ({ at: id, instrument: 'lamps' }) as Test));
    const diagnostician = new Diagnostician({
      circuit: unknownLoads ? { ...circuit, loads: [] } : circuit,
      unknownLoads,
      unknownDevices: new Set(),
    });
    let answer = diagnostician.diagnose({ readings, trippedBefore: [] });
    const trail: string[] = [];
    while (answer.next !== null && trail.length < mostTests) {
      const { at, instrument, state } = answer.next;
      const test = { at, instrument, ...(state === undefined ? {} : { state }) } as Test;
      if (endangers({ ...circuit, faults: [...faults] }, test)) {
        all.unsafe += 1;
        all.cases.push(JSON.stringify({ unsafe: test, faults, circuit, readings, outlets: answer.outlets }));
      }
      trail.push(`${at} ${instrument}${state === undefined ? '' : ' loads off'}`);
      readings = [...readings, ...take([test])];
      answer = diagnostician.diagnose({ readings, trippedBefore: [] });
    }
    all.tests.push(trail.length);
    answer.outlets.forEach((outlet, index) => {
      const holds = truth[index] ?? 'correct';
      all.outlets += 1;
      if (outlet.condition === holds) all.right += 1;
      else if (outlet.condition === 'undetermined') all.undetermined += 1;
      const isListed = [...outlet.notRuledOut, ...outlet.ifMisread].includes(holds);
      if (outlet.condition === 'correct' && conditions[holds].dangerous && !isListed) all.falselySafe += 1;
      if (outlet.condition !== holds)
        all.cases.push(
          JSON.stringify({
            faults,
            holds,
            said: outlet.condition,
            at: outlet.id,
            p: outlet.probability,
            trail,
          }),
        );
    });
    const rest = notMade(circuit, readings);
    const whole = diagnostician.diagnose({ readings: [...readings, ...take(rest)], trippedBefore: [] });
    all.rightWithAll += whole.outlets.filter(
      ({ condition }, index) => condition === (truth[index] ?? 'correct'),
    ).length;
  }
  return all;
}
