import { type PriorId, priors } from '@fair-plug/core/engine';
import { type Advised, adviseOn } from './accuracy/advice.ts';
import { everyCause } from './accuracy/every-cause.ts';
import { failing } from './accuracy/failing.ts';
import { knownLoads } from './accuracy/known-loads.ts';
import { measure, type Run } from './accuracy/measure.ts';
import { nearEqual } from './accuracy/near-equal.ts';
import type { Random } from './accuracy/random.ts';
import { type Section, writeSections } from './pages.ts';

/**
 * Measures the diagnosis on random circuits with reading errors, beside exact enumeration on the same readings, and
 * writes docs/accuracy.md. `npm run accuracy -- 200` takes fewer circuits and writes nothing below three hundred; a part
 * may be named behind.
 */

const total = Number(process.argv[2] ?? 10_000);
const percent = (part: number, whole: number): string =>
  `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;

const table = ({ byKit }: Run, withExact: boolean): string =>
  [
    `| kit | circuits | causes named exactly | ${withExact ? 'best possible | ' : ''}among the leading group | of the faulty alone | ${withExact ? 'best possible | ' : ''}outlets right | undetermined | falsely safe | ${withExact ? 'of these below a thousandth by exact enumeration | ' : ''}misread at the outlet itself | two causes behind nothing | dark called dead |`,
    `|---|---|---|${withExact ? '---|' : ''}---|---|${withExact ? '---|' : ''}---|---|---|${withExact ? '---|' : ''}---|---|---|`,
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
        t.undetermined,
        t.falselySafe,
        ...(withExact ? [t.alsoByExact] : []),
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
  const run = measure(3, count, () => ({}), { unknownLoads: true });
  return {
    heading: '## With loads that nobody knows',
    cases: run.cases,
    text: `${count} circuits whose loads the diagnosis has to fit.

${table(run, false)}

Expected calibration error of causes **${run.ofCauses.error().toFixed(4)}**, of conditions **${run.ofConditions.error().toFixed(4)}**.`,
  };
}

function withTwoLegs(): Measured {
  const count = Math.ceil(total / 10);
  const run = measure(8, count, () => ({}), { unknownLoads: true, twoLegShare: 1 });
  return {
    heading: '## On two legs',
    cases: run.cases,
    text: `${count} circuits on two legs that share a neutral, whose loads the diagnosis has to fit.

${table(run, false)}

Expected calibration error of causes **${run.ofCauses.error().toFixed(4)}**, of conditions **${run.ofConditions.error().toFixed(4)}**.`,
  };
}

function withUnknownGrounds(): Measured {
  const count = Math.ceil(total / 10);
  const house = { yearBuilt: 1955, groundedWiring: null };
  const run = measure(10, count, () => ({}), { unknownLoads: true, house });
  return {
    heading: '## In houses of which nobody knows whether they have grounds',
    cases: run.cases,
    text: `${count} circuits in houses of 1955, whose loads the diagnosis has to fit; causes are drawn as the priors of such houses have it.

${table(run, false)}

Expected calibration error of causes **${run.ofCauses.error().toFixed(4)}**, of conditions **${run.ofConditions.error().toFixed(4)}**.`,
  };
}

function withFailingInstruments(): Measured {
  const count = Math.ceil(total / 10);
  const run = measure(9, count, () => ({}), { unknownLoads: true, spoil: failing });
  return {
    heading: '## With instruments that fail and hands that slip',
    cases: run.cases,
    text: `${count} circuits whose loads the diagnosis has to fit; on each, beyond what is misread everywhere, one of these, equally often: the tester is dead, one of its lamps is burned out, a decimal point slips, two digits or two probes change places (the last three where a meter is in the kit).

${table(run, false)}

Expected calibration error of causes **${run.ofCauses.error().toFixed(4)}**, of conditions **${run.ofConditions.error().toFixed(4)}**.`,
  };
}

function withDoubts(): Measured {
  const run = measure(4, total, () => ({}), { beside: false });
  return {
    heading: '## Doubts about what reads correct',
    cases: [],
    text: `${total} circuits. What is held to be correct may hide something; from 0.1 on (\`pressingDoubt\` in \`core/assessment/refined-verdict.ts\`) it becomes a finding. ${run.doubts.text()}`,
  };
}

/** One circuit named wrongly throughout counts as eight: what comes out of a set of 150 differs from set to set by as much as seven in a hundred. */
const adviceSeeds = [5, 6, 31, 32];

function withAdvice(): Measured {
  const count = Math.min(150, Math.ceil(total / 20));
  const sets = adviceSeeds.map((seed) => adviseOn(seed, count));
  const sum = (of: (set: Advised) => number): number => sets.reduce((all, set) => all + of(set), 0);
  const share = (of: (set: Advised) => number): string =>
    percent(
      sum(of),
      sum(({ outlets }) => outlets),
    );
  const tests = sets.flatMap((set) => set.tests).sort((one, other) => one - other);
  const each = sets.map((set) => percent(set.right, set.outlets)).join(', ');
  return {
    heading: '## Following the advice',
    cases: sets.flatMap((set) => set.cases),
    text: `${sets.length} times ${count} circuits of four to eight outlets with a fault in two thirds and two in the rest, loads not known to the diagnosis. Lamps are read everywhere, then whatever is asked for next, until nothing is.

| what | measured | aim |
|---|---|---|
| outlets right at the end | ${share(({ right }) => right)} (set by set ${each}) | at least 93 % |
| outlets right with probe, meter and load test at every outlet besides | ${share(({ rightWithAll }) => rightWithAll)} | |
| of the others undetermined | ${sum(({ undetermined }) => undetermined)} | |
| falsely safe | ${sum(({ falselySafe }) => falselySafe)} | 0 |
| tests after the lamps | median ${tests[tests.length >> 1]}, 90th percentile ${tests[Math.floor(0.9 * tests.length)]}, most ${tests.at(-1)} | median 3, 90th percentile at most 9 |
| load tests that put more than 132 V on an outlet, or a live ground under load | ${sum(({ unsafe }) => unsafe)} | 0 |`,
  };
}

function withKnownLoads(): Measured {
  const count = Math.ceil(total / 50);
  const places = [
    ['one leg, some on two', 11, 0.15],
    ['two legs', 12, 1],
  ] as const;
  const rows = places.flatMap(([name, seed, twoLegShare]) =>
    [...knownLoads(seed, count, twoLegShare)].map(([kit, { known, 'not known': unknown }]) => {
      const right = [known, unknown].map((one) => percent(one.right, one.outlets));
      const score = [known, unknown].map((one) => (one.logScore / Math.max(1, one.outlets)).toFixed(3));
      return `| ${name} | ${kit} | ${known.outlets} | ${right.join(' | ')} | ${score.join(' | ')} |`;
    }),
  );
  return {
    heading: '## What not knowing the loads costs',
    cases: [],
    text: `The same readings diagnosed twice, with the loads known and not known: ${count} circuits of three to eight outlets on one leg (and 15 of 100 on two) and as many on two, with something wrong in three of four. The score is the mean logarithm of the probability that was given to what holds, the nearer to nought the better. Loads are fitted, each explanation with those that fit it best; what could be gained by summing over all of them is at most what separates the last two columns.

| circuits | kit | outlets | right, loads known | not known | score, loads known | not known |
|---|---|---|---|---|---|---|
${rows.join('\n')}`,
  };
}

function withNearEqualLegs(): Measured {
  const rows = (['as-written', 'unknown'] as const).map((legs) => {
    const { circuits, outlets, right, excluded } = nearEqual(7, 40, legs);
    return `| ${legs === 'unknown' ? 'not known' : 'known'} | ${circuits} | ${outlets} | ${percent(right, outlets)} | ${excluded} |`;
  });
  return {
    heading: '## A shared neutral that is lost, with legs loaded alike',
    cases: [],
    text: `40 circuits of two or four outlets on two legs whose neutral is open or bad (5 to 100 Ω), the two loads within a tenth of each other (15 to 400 W) and known to nobody; lamps, meter and probe everywhere.

| legs | circuits | outlets | right | condition in no list (aim: 0) |
|---|---|---|---|---|
${rows.join('\n')}`,
  };
}

function withEveryCause(): Measured {
  const ohms = [0.25, 0.7, 2, 5.5, 18, 100];
  const { circuits, outlets, right, surelyWrong, falselySafe, cases } = everyCause(ohms, 118);
  return {
    heading: '## Every single cause, with a full kit and nothing misread',
    cases,
    text: `${circuits} circuits: each cause in turn at each place of five outlets in a row, fed through and pigtailed, bad connections with ${ohms.join(', ')} Ω, nothing on or one load of 60, 250 or 600 W, a supply of 118 V; lamps, meter, probe and load test everywhere, without any error; loads not known to the diagnosis. Nothing here is hard to see, so what is wrong is a fault of the search. Neutral and ground exchanged show nothing and are left out of what is surely wrong.

| what | measured | aim |
|---|---|---|
| outlets right | ${percent(right, outlets)} | |
| surely wrong (more than 0.7) | ${surelyWrong} of ${outlets} | 0 |
| falsely safe | ${falselySafe} | 0 |`,
  };
}

const parts = {
  priors: withPriorsAsTheyAre,
  'wrong-priors': withWrongPriors,
  loads: withUnknownLoads,
  'known-loads': withKnownLoads,
  'two-legs': withTwoLegs,
  'unknown-grounds': withUnknownGrounds,
  failing: withFailingInstruments,
  doubts: withDoubts,
  advice: withAdvice,
  'near-equal': withNearEqualLegs,
  'every-cause': withEveryCause,
} as const;
const isPart = (name: string): name is keyof typeof parts => Object.hasOwn(parts, name);

const introduction = `# Accuracy

Written by \`npm run accuracy\`, part by part (\`npm run accuracy -- 10000 loads\` measures one anew); random circuits of three to five outlets.

Causes are drawn as the priors have it (at most two at once, and nothing that would have opened the breaker), bad connections with log-normal ohms. The supply stands near nominal in six houses of ten and anywhere from 108 to 132 V in the rest, drifts by 0.4 V (one standard deviation) between readings, where there are two legs they differ by 1.5 V (one standard deviation), and the meter is off by one factor of about a hundredth; each value scatters by 0.2 V, a load's current by 15 %; one volt value in 100 and one reading in 250 is plainly wrong, one lamp in 170 misread, a probe is deaf once in 100 and falsely alarmed by induction in 3 to 20 %. *Best possible* is exact enumeration of every set of at most two causes, with the same priors and error rates, on the same readings: no method can do better on average.

*Falsely safe* counts outlets called correct whose true, dangerous condition is not in their list, none of whose own readings was wrong. *Misread at the outlet itself* counts those whose own reading was wrong in the draw: what was read there was not what was there, which no method can see; testing twice can. *Two causes behind nothing* counts those where two causes together look like none: the list goes one cause beyond the leading explanation. *Dark called dead* counts outlets held to be without power whose dangerous condition is not in their list.
`;

const chosen = process.argv[3];
if (chosen !== undefined && !isPart(chosen))
  throw new Error(`expected one of ${Object.keys(parts).join(', ')}`);
const sections = (chosen === undefined ? Object.values(parts) : [parts[chosen]]).map((part) => part());
if (total >= 300) writeSections('accuracy.md', introduction, sections);
for (const { heading, text, cases } of sections) {
  console.log(`${heading}\n\n${text}\n`);
  for (const one of cases.slice(0, 20)) console.error(one);
}
