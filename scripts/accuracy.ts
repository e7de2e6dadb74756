import { type Circuit, networkOf } from '@fair-plug/core/circuit';
import { Diagnostician, type PriorId, priors } from '@fair-plug/core/engine';
import { OutletConditions } from '@fair-plug/core/engine/outlet-conditions.ts';
import type { Test } from '@fair-plug/core/instruments';
import { conditions } from '@fair-plug/core/knowledge';
import { Exact, nameOf } from './accuracy/exact.ts';
import { Random } from './accuracy/random.ts';
import {
  causesIn,
  circuitFrom,
  drawCauses,
  faultsFrom,
  isShort,
  kits,
  readingsFrom,
} from './accuracy/world.ts';
import { type Section, writeSections } from './pages.ts';

/**
 * Measures the diagnosis on random circuits with reading errors, beside exact enumeration on the same readings, and
 * writes docs/accuracy.md. `npm run accuracy -- 200` takes fewer circuits and writes nothing; a part may be named behind.
 */

const total = Number(process.argv[2] ?? 10_000);
const perCircuit = 200;
const bins = 10;

class Calibration {
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
  falselySafe: number;
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
  falselySafe: 0,
  misread: 0,
  beyond: 0,
  darkDead: 0,
});

interface Run {
  readonly byKit: Map<string, Tally>;
  readonly ofCauses: Calibration;
  readonly ofConditions: Calibration;
  /** Of exact enumeration's leading causes. */
  readonly ofExact: Calibration;
  readonly cases: string[];
}

const instruments = ['lamps', 'meter', 'probe', 'loaded'] as const;

function measure(
  seed: number,
  count: number,
  factorsOf: (random: Random) => Partial<Record<PriorId, number>>,
  unknownLoads = false,
): Run {
  const random = new Random(seed);
  const run: Run = {
    byKit: new Map(),
    ofCauses: new Calibration(),
    ofConditions: new Calibration(),
    ofExact: new Calibration(),
    cases: [],
  };
  const names = Object.keys(kits);
  for (let made = 0; made < count; made += perCircuit) {
    const circuit = circuitFrom(random);
    const causes = causesIn(circuit).filter(({ prior }) => prior !== 'short');
    const exact = unknownLoads ? null : new Exact(circuit, causes, instruments);
    const diagnostician = new Diagnostician({
      circuit: unknownLoads ? { ...circuit, loads: [] } : circuit,
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
}

function oneCircuit(run: Run, kit: string, random: Random, scene: Scene): void {
  const { circuit, causes, exact, diagnostician, truth, factors } = scene;
  let drawn = drawCauses(causes, random, factors);
  let faults = faultsFrom(drawn, random);
  while (isShort({ ...circuit, faults: [...faults] })) {
    drawn = drawCauses(causes, random, factors);
    faults = faultsFrom(drawn, random);
  }
  const tests = circuit.outlets.flatMap(({ id }) =>
    (kits[kit] ?? []).map((instrument) => ({ at: id, instrument }) as Test),
  );
  const faulty: Circuit = { ...circuit, faults: [...faults], tests };
  const read = readingsFrom(faulty, random);
  const readings = read.map(({ reading }) => reading);
  const conditionsHere = truth.under({ faults, loads: circuit.loads, deviceStates: [] });
  const answer = diagnostician.diagnose({ readings, trippedBefore: [], kit: kits[kit] ?? [] });
  const [leading] = answer.explanations;
  if (leading === undefined) throw new Error('no explanation');
  const name = nameOf(drawn);
  const isHit = nameOf(leading.hypothesis.causes) === name;
  const here = run.byKit.get(kit) ?? tally();
  run.byKit.set(kit, here);
  here.circuits += 1;
  here.hits += isHit ? 1 : 0;
  here.groupHits += answer.explanations.some(
    ({ group, hypothesis }) => group === 1 && nameOf(hypothesis.causes) === name,
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
  answer.outlets.forEach(({ id, condition, probability, notRuledOut }, outlet) => {
    const holds = conditionsHere[outlet] ?? 'correct';
    here.outlets += 1;
    here.outletHits += condition === holds ? 1 : 0;
    if (condition !== 'undetermined') run.ofConditions.add(probability, condition === holds);
    const isMissed = conditions[holds].dangerous && !notRuledOut.includes(holds);
    // Two causes behind what reads as sound are one more than the list goes, by its definition.
    const isBeyond = drawn.length > leading.hypothesis.causes.length + 1;
    if (!isMissed) return;
    const said = () =>
      JSON.stringify({
        kit,
        faults,
        holds,
        id,
        condition,
        leading: leading.fitted.supposed.faults,
        notRuledOut,
      });
    const isDark = condition === 'open-hot' || condition === 'protection-tripped';
    const isMisread = read.some(({ reading, isWrong }) => reading.at === id && isWrong);
    if (condition !== 'correct' && !isDark) return;
    if (isMisread) here.misread += 1;
    else if (isBeyond) here.beyond += 1;
    else {
      if (isDark) here.darkDead += 1;
      else here.falselySafe += 1;
      run.cases.push(said());
    }
  });
}

const percent = (part: number, whole: number): string =>
  `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;

const table = ({ byKit }: Run, withExact: boolean): string =>
  [
    `| kit | circuits | causes named exactly | ${withExact ? 'best possible | ' : ''}among the leading group | of the faulty alone | ${withExact ? 'best possible | ' : ''}outlets right | falsely safe | misread at the outlet itself | two causes behind nothing | dark called dead |`,
    `|---|---|---|${withExact ? '---|' : ''}---|---|${withExact ? '---|' : ''}---|---|---|---|---|`,
    ...[...byKit].map(([kit, t]) =>
      [
        '',
        kit,
        t.circuits,
        percent(t.hits, t.circuits),
        ...(withExact ? [percent(t.exactHits, t.circuits)] : []),
        percent(t.groupHits, t.circuits),
        percent(t.faultyHits, t.faulty),
        ...(withExact ? [percent(t.exactFaultyHits, t.faulty)] : []),
        percent(t.outletHits, t.outlets),
        t.falselySafe,
        t.misread,
        t.beyond,
        t.darkDead,
        '',
      ]
        .join(' | ')
        .trim(),
    ),
  ].join('\n');

const wrongFactors = (random: Random): Partial<Record<PriorId, number>> =>
  Object.fromEntries(
    (Object.keys(priors) as PriorId[]).map((id) => [id, Math.exp(random.between(-1.6, 1.6))]),
  );

/** A section measured, and what was falsely safe. */
interface Measured extends Section {
  readonly cases: readonly string[];
}

function withPriorsAsTheyAre(): Measured {
  const run = measure(1, total, () => ({}));
  return {
    heading: '## With the priors as they are',
    cases: run.cases,
    text: `${total} circuits.

${table(run, true)}

Stated probability of the leading causes against how often they are right; expected calibration error **${run.ofCauses.error().toFixed(4)}** (aim: at most 0.03):

| stated | circuits | mean stated | right |
|---|---|---|---|
${run.ofCauses.rows()}

The same of the condition at each outlet; expected calibration error **${run.ofConditions.error().toFixed(4)}**:

| stated | outlets | mean stated | right |
|---|---|---|---|
${run.ofConditions.rows()}`,
  };
}

function withWrongPriors(): Measured {
  let fixed: Partial<Record<PriorId, number>> = {};
  const run = measure(2, total, (random) => {
    if (random.chance(0.01)) fixed = wrongFactors(random);
    return fixed;
  });
  return {
    heading: '## With wrong priors',
    cases: run.cases,
    text: `${total} circuits. Every kind of cause is made commoner or rarer than its prior by a factor between 1/5 and 5, drawn anew every hundred circuits or so; neither the diagnosis nor the exact enumeration knows.

${table(run, true)}

Expected calibration error of causes **${run.ofCauses.error().toFixed(4)}** (exact enumeration, as misled: ${run.ofExact.error().toFixed(4)}), of conditions **${run.ofConditions.error().toFixed(4)}**.`,
  };
}

function withUnknownLoads(): Measured {
  const count = Math.ceil(total / 10);
  const run = measure(3, count, () => ({}), true);
  return {
    heading: '## With loads that nobody knows',
    cases: run.cases,
    text: `${count} circuits whose loads the diagnosis has to fit.

${table(run, false)}

Expected calibration error of causes **${run.ofCauses.error().toFixed(4)}**, of conditions **${run.ofConditions.error().toFixed(4)}**.`,
  };
}

const parts = {
  priors: withPriorsAsTheyAre,
  'wrong-priors': withWrongPriors,
  loads: withUnknownLoads,
} as const;
const isPart = (name: string): name is keyof typeof parts => Object.hasOwn(parts, name);

const introduction = `# Accuracy

Written by \`npm run accuracy\`, part by part (\`npm run accuracy -- 10000 loads\` measures one anew); random circuits of three to five outlets.

Causes are drawn as the priors have it (at most two at once, and nothing that would have opened the breaker), bad connections with log-normal ohms. Readings scatter within max(0.5 V, 1 %) (two standard deviations); one volt value in 100 and one reading in 250 is plainly wrong, one lamp in 170 misread, a probe is deaf once in 100 and falsely alarmed by induction in 3 to 20 %. *Best possible* is exact enumeration of every set of at most two causes, with the same priors and error rates, on the same readings: no method can do better on average.

*Falsely safe* counts outlets called correct whose true, dangerous condition is not in their list, none of whose own readings was wrong. *Misread at the outlet itself* counts those whose own reading was wrong in the draw: what was read there was not what was there, which no method can see; testing twice can. *Two causes behind nothing* counts those where two causes together look like none: the list goes one cause beyond the leading explanation. *Dark called dead* counts outlets held to be without power whose dangerous condition is not in their list.
`;

const chosen = process.argv[3];
if (chosen !== undefined && !isPart(chosen))
  throw new Error(`expected one of ${Object.keys(parts).join(', ')}`);
const sections = (chosen === undefined ? Object.values(parts) : [parts[chosen]]).map((part) => part());
if (total >= 10_000) writeSections('accuracy.md', introduction, sections);
for (const { heading, text, cases } of sections) {
  console.log(`${heading}\n\n${text}\n`);
  for (const one of cases.slice(0, 20)) console.error(one);
}
