import { type Circuit, networkOf } from '@fair-plug/core/circuit';
import { Diagnostician } from '@fair-plug/core/engine';
import { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import type { InstrumentId, Test } from '@fair-plug/core/instruments';
import { Random } from './random.ts';
import { causesIn, circuitFrom, drawCauses, faultsFrom, isShort, kits, readingsFrom } from './world.ts';

/** How well conditions were foretold: outlets, those right, and the sum of the logarithms of what held. */
export interface Foretold {
  outlets: number;
  right: number;
  logScore: number;
}

export const loadsKnown = ['known', 'not known'] as const;
type LoadsKnown = (typeof loadsKnown)[number];

/** What holds is never held for less likely than this. */
const leastShare = 1e-4;
/** A circuit in so many has nothing wrong. */
const soundShare = 0.25;

function drawnFor(circuit: Circuit, random: Random) {
  const causes = causesIn(circuit).filter(({ prior }) => prior !== 'short');
  const isSound = random.chance(soundShare);
  for (;;) {
    const drawn = drawCauses(causes, random);
    const faults = faultsFrom(drawn, random);
    if ((isSound || drawn.length > 0) && !isShort({ ...circuit, faults: [...faults] })) return faults;
  }
}

/**
 * The same circuits of three to eight outlets and the same readings, their loads known to the diagnosis and not known to
 * it, by kit: were loads that fit best no stand-in for all that may be on, knowing them would foretell more.
 */
export function knownLoads(
  seed: number,
  count: number,
  twoLegShare: number,
): ReadonlyMap<string, Readonly<Record<LoadsKnown, Foretold>>> {
  const random = new Random(seed);
  const nothing = (): Foretold => ({ outlets: 0, right: 0, logScore: 0 });
  const names = Object.keys(kits);
  const byKit = new Map(names.map((kit) => [kit, { known: nothing(), 'not known': nothing() }]));
  for (let made = 0; made < count; made += 1) {
    const circuit = circuitFrom(random, 3 + random.whole(6), twoLegShare);
    const name = names[made % names.length] ?? '';
    const kit: readonly InstrumentId[] = kits[name] ?? [];
    const faults = drawnFor(circuit, random);
    const tests = circuit.outlets.flatMap(({ id }) =>
      kit.map((instrument) => ({ at: id, instrument }) as Test),
    );
    const taken = readingsFrom({ ...circuit, faults: [...faults], tests }, random);
    const readings = taken.map(({ reading }) => reading);
    const { loads } = circuit;
    const truth = new OutletConditions(networkOf(circuit)).under({ faults, loads, deviceStates: [] });
    for (const way of loadsKnown) {
      const unknownLoads = way === 'not known';
      const { outlets, explanations } = new Diagnostician({
        circuit: unknownLoads ? { ...circuit, loads: [] } : circuit,
        unknownLoads,
        unknownDevices: new Set(),
      }).diagnose({ readings, trippedBefore: [], kit });
      const here = byKit.get(name)?.[way];
      if (here === undefined) continue;
      outlets.forEach(({ condition }, outlet) => {
        const holds = truth[outlet] ?? 'correct';
        const share = explanations.reduce(
          (sum, { conditions, probability }) => sum + (conditions[outlet] === holds ? probability : 0),
          0,
        );
        here.outlets += 1;
        here.right += condition === holds ? 1 : 0;
        here.logScore += Math.log(Math.max(leastShare, share));
      });
    }
  }
  return byKit;
}
