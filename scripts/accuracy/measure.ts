import { type Circuit, networkOf } from '@fair-plug/core/circuit';
import { Diagnostician, type HouseFacts, type PriorId } from '@fair-plug/core/engine';
import { ruledOutShare } from '@fair-plug/core/engine/answer/posterior.ts';
import { OutletConditions } from '@fair-plug/core/engine/evidence/outlet-conditions.ts';
import type { Cause } from '@fair-plug/core/engine/model/cause.ts';
import type { Test } from '@fair-plug/core/instruments';
import { conditions } from '@fair-plug/core/knowledge';
import { Doubts } from './doubts.ts';
import { Exact, nameOf } from './exact.ts';
import { Random } from './random.ts';
import {
  causesIn,
  circuitFrom,
  drawCauses,
  faultsFrom,
  isShort,
  kits,
  readingsFrom,
  type Taken,
} from './world.ts';

const perCircuit = 200;
const bins = 10;

/** How often what is held with some probability is right. */
export class Calibration {
  private readonly counts = new Float64Array(bins);
  private readonly stated = new Float64Array(bins);
  private readonly right = new Float64Array(bins);
  add(probability: number, isRight: boolean): void {
    const bin = Math.min(bins - 1, Math.floor(probability * bins));
    this.counts[bin] = (this.counts[bin] ?? 0) + 1;
    this.stated[bin] = (this.stated[bin] ?? 0) + probability;
    this.right[bin] = (this.right[bin] ?? 0) + (isRight ? 1 : 0);
  }
  /** Expected calibration error: mean distance of frequency from stated probability, bins weighed by their counts. */
  error(): number {
    const all = this.counts.reduce((sum, count) => sum + count, 0);
    return this.counts.reduce(
      (sum, _, bin) => sum + Math.abs((this.right[bin] ?? 0) - (this.stated[bin] ?? 0)) / Math.max(1, all),
      0,
    );
  }
  rows(): string {
    return [...this.counts.keys()]
      .filter((bin) => (this.counts[bin] ?? 0) > 0)
      .map((bin) => {
        const count = this.counts[bin] ?? 1;
        const percent = (sum: number | undefined) => `${((100 * (sum ?? 0)) / count).toFixed(1)} %`;
        return `| ${bin * 10}–${bin * 10 + 10} % | ${count} | ${percent(this.stated[bin])} | ${percent(this.right[bin])} |`;
      })
      .join('\n');
  }
}

/** What a kit was worth, counted. */
interface Tally {
  circuits: number;
  faulty: number;
  hits: number;
  faultyHits: number;
  exactHits: number;
  exactFaultyHits: number;
  exactExpected: number;
  groupHits: number;
  outlets: number;
  outletHits: number;
  undetermined: number;
  falselySafe: number;
  /** Of these, what exact enumeration holds for less likely than what belongs in a list. */
  alsoByExact: number;
  misread: number;
  beyond: number;
  darkDead: number;
}
const tally = (): Tally => ({
  circuits: 0,
  faulty: 0,
  hits: 0,
  faultyHits: 0,
  exactHits: 0,
  exactFaultyHits: 0,
  exactExpected: 0,
  groupHits: 0,
  outlets: 0,
  outletHits: 0,
  undetermined: 0,
  falselySafe: 0,
  alsoByExact: 0,
  misread: 0,
  beyond: 0,
  darkDead: 0,
});

/** What was measured. */
export interface Run {
  readonly byKit: Map<string, Tally>;
  readonly ofCauses: Calibration;
  readonly ofConditions: Calibration;
  /** Of exact enumeration's leading causes. */
  readonly ofExact: Calibration;
  readonly cases: string[];
  readonly doubts: Doubts;
}

const instruments = ['lamps', 'meter', 'probe', 'loaded'] as const;

/** How circuits are drawn and read. */
export interface Drawn {
  readonly unknownLoads?: boolean;
  /** With exact enumeration on the same readings. */
  readonly beside?: boolean;
  /** What is known of the house, by which causes are drawn too; nothing where left out. */
  readonly house?: HouseFacts;
  /** So many of the circuits are on two legs. */
  readonly twoLegShare?: number;
  /** An instrument that fails, or a hand that slips, on top of what is misread everywhere. */
  readonly spoil?: (readings: readonly Taken[], random: Random) => readonly Taken[];
}

/** Diagnoses so many random circuits; `factorsOf` makes causes commoner or rarer than their priors. */
export function measure(
  seed: number,
  count: number,
  factorsOf: (random: Random) => Partial<Record<PriorId, number>>,
  {
    unknownLoads = false,
    beside = !unknownLoads,
    house = {},
    twoLegShare,
    spoil = (readings) => readings,
  }: Drawn = {},
): Run {
  const random = new Random(seed);
  const run: Run = {
    byKit: new Map(),
    ofCauses: new Calibration(),
    ofConditions: new Calibration(),
    ofExact: new Calibration(),
    cases: [],
    doubts: new Doubts(),
  };
  const names = Object.keys(kits);
  for (let made = 0; made < count; made += perCircuit) {
    const circuit = circuitFrom(random, undefined, twoLegShare);
    const causes = causesIn(circuit, house).filter(({ prior }) => prior !== 'short');
    const exact = !beside ? null : new Exact(circuit, causes, instruments);
    const diagnostician = new Diagnostician({
      circuit: unknownLoads ? { ...circuit, loads: [] } : circuit,
      house,
      unknownLoads,
      unknownDevices: new Set(),
    });
    const truth = new OutletConditions(networkOf(circuit));
    for (let one = 0; one < perCircuit && made + one < count; one += 1) {
      const kit = names[(made + one) % names.length] ?? '';
      oneCircuit(run, kit, random, {
        circuit,
        causes,
        exact,
        diagnostician,
        truth,
        factors: factorsOf(random),
        spoil,
      });
    }
    process.stderr.write(`\r${made + perCircuit} of ${count}   `);
  }
  return run;
}

interface Scene {
  readonly circuit: Circuit;
  readonly causes: ReturnType<typeof causesIn>;
  readonly exact: Exact | null;
  readonly diagnostician: Diagnostician;
  readonly truth: OutletConditions;
  readonly factors: Partial<Record<PriorId, number>>;
  readonly spoil: NonNullable<Drawn['spoil']>;
}

/** Without what is held of instruments: it is no cause in the circuit. */
const inWiring = (causes: readonly Cause[]): readonly Cause[] =>
  causes.filter(({ instrument }) => instrument === null);

/** Causes as the priors have them, none that would have opened the breaker. */
function drawnFrom(random: Random, { circuit, causes, factors }: Scene) {
  for (;;) {
    const drawn = drawCauses(causes, random, factors);
    const faults = faultsFrom(drawn, random);
    if (!isShort({ ...circuit, faults: [...faults] })) return { drawn, faults };
  }
}

function oneCircuit(run: Run, kit: string, random: Random, scene: Scene): void {
  const { circuit, exact, diagnostician, truth, spoil } = scene;
  const { drawn, faults } = drawnFrom(random, scene);
  const tests = circuit.outlets.flatMap(({ id }) =>
    (kits[kit] ?? []).map((instrument) => ({ at: id, instrument }) as Test),
  );
  const faulty: Circuit = { ...circuit, faults: [...faults], tests };
  const read = spoil(readingsFrom(faulty, random), random);
  const readings = read.map(({ reading }) => reading);
  const conditionsHere = truth.under({ faults, loads: circuit.loads, deviceStates: [] });
  const answer = diagnostician.diagnose({ readings, trippedBefore: [], kit: kits[kit] ?? [] });
  const [leading] = answer.explanations;
  if (leading === undefined) throw new Error('no explanation');
  const name = nameOf(drawn);
  const isHit = nameOf(inWiring(leading.hypothesis.causes)) === name;
  const here = run.byKit.get(kit) ?? tally();
  run.byKit.set(kit, here);
  here.circuits += 1;
  here.hits += isHit ? 1 : 0;
  here.groupHits += answer.explanations.some(
    ({ group, hypothesis }) => group === 1 && nameOf(inWiring(hypothesis.causes)) === name,
  )
    ? 1
    : 0;
  if (drawn.length > 0) {
    here.faulty += 1;
    here.faultyHits += isHit ? 1 : 0;
  }
  run.ofCauses.add(leading.probability, isHit);
  if (exact !== null) {
    const [best] = [...exact.posterior(circuit, readings)].sort(([, a], [, b]) => b - a);
    const isBest = best?.[0] === name;
    here.exactHits += isBest ? 1 : 0;
    here.exactFaultyHits += isBest && drawn.length > 0 ? 1 : 0;
    here.exactExpected += best?.[1] ?? 0;
    run.ofExact.add(best?.[1] ?? 0, isBest);
  }
  const isBeyond = drawn.length > leading.hypothesis.causes.length + 1;
  answer.outlets.forEach((outlet, index) => {
    const holds = conditionsHere[index] ?? 'correct';
    here.outlets += 1;
    here.outletHits += outlet.condition === holds ? 1 : 0;
    here.undetermined += outlet.condition === 'undetermined' ? 1 : 0;
    if (outlet.condition === 'correct')
      run.doubts.add(
        holds,
        answer.explanations.map(({ conditions: under, probability }) => [
          under[index] ?? 'correct',
          probability,
        ]),
      );
    if (outlet.condition !== 'undetermined')
      run.ofConditions.add(outlet.probability, outlet.condition === holds);
    if (!conditions[holds].dangerous || outlet.notRuledOut.includes(holds)) return;
    const isMisread = read.some(({ reading, isWrong }) => reading.at === outlet.id && isWrong);
    const missed = countMissed(here, outlet.condition, isMisread, isBeyond);
    if (!missed) return;
    const byExact = exact?.probabilityOf(holds, index, { circuit, readings, truth }) ?? 1;
    if (outlet.condition === 'correct' && byExact < ruledOutShare) here.alsoByExact += 1;
    run.cases.push(
      JSON.stringify({ kit, faults, holds, byExact, outlet, leading: leading.fitted.supposed.faults }),
    );
  });
}

/** Counts a danger that is not in an outlet's list; true where no reason excuses it. */
function countMissed(here: Tally, condition: string, isMisread: boolean, isBeyond: boolean): boolean {
  const isDark = condition === 'open-hot' || condition === 'protection-tripped';
  if (condition !== 'correct' && !isDark) return false;
  if (isMisread) here.misread += 1;
  // Two causes behind what reads as sound are one more than the list goes, by its definition.
  else if (isBeyond) here.beyond += 1;
  else if (isDark) here.darkDead += 1;
  else here.falselySafe += 1;
  return !isMisread && !isBeyond;
}
