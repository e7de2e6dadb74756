import {
  type Circuit,
  type Fault,
  type InstrumentId,
  instrumentIds,
  type Leg,
  type Network,
  type Reading,
  runOf,
  type Test,
  type TestState,
  usualButtonMilliamps,
  usualLoadAmps,
} from '../circuit/index.ts';
import type { ConditionId } from '../conditions/index.ts';
import { type Cause, clash } from './cause.ts';
import { type ContactsStanding, Evaluator, type Supposed } from './evaluator.ts';
import { type ChannelKind, evidenceOf, type ReadingEvidence } from './evidence.ts';
import { predictedReading, type ReadingComparison } from './evidence-table.ts';
import { faultsWith, type Hypothesis, soundHypothesis, withCause } from './hypothesis.ts';
import { loneTolerance, readingDeficit } from './likelihood.ts';
import {
  blank,
  type Candidate,
  loadsOffSeconds,
  mostExplanations,
  type NextTest,
  outcomesOf,
  secondsOf,
  testChooser,
} from './next-test.ts';
import { OutletConditions } from './outlet-conditions.ts';
import { alike, type OutletOpinion, opinionOn, type Weighed } from './posterior.ts';
import { type HouseFacts, oddsIn, type PriorId } from './priors.ts';
import { type Premises, premisesOf } from './problem.ts';
import { isSafe } from './safe-test.ts';

/** What may explain the readings at one receptacle of which nothing else is known. */
export interface LoneExplanation extends Weighed {
  /** Named at the receptacle itself, though each may as well be upstream of it. */
  readonly faults: readonly Fault[];
  /** True where a protection device or a breaker upstream has tripped. */
  readonly tripped: boolean;
}

export interface LoneDiagnosis extends OutletOpinion {
  readonly explanations: readonly LoneExplanation[];
  readonly next: NextTest | null;
  /** Positions of readings that the leading explanation does not account for. */
  readonly misfits: readonly number[];
  /** Each reading beside what the leading explanation predicts. */
  readonly table: readonly ReadingComparison[];
}

const here = 'here';
const hereIndex = 1;

/**
 * A circuit that stands for any: a receptacle upstream, this one, and one beyond. Lengths and sizes are guesses, so
 * volts are held to rough tolerances, and several lengths are tried.
 */
const standIn = (meters: number, legs: readonly Leg[]): Circuit =>
  runOf(['before', here, 'beyond'], { meters: { first: meters, next: 4 }, legs });
const someLengths = [5, 15, 40] as const;
const premisesFor = (circuit: Circuit) => premisesOf({ circuit, unknownDevices: new Set() });
const ofOneLeg = /* @__PURE__ */ someLengths.map((meters) =>
  premisesFor(standIn(meters, ['L1', 'L1', 'L1'])),
);
/** Two legs that share a neutral: this receptacle on one, those around it on the other. */
const ofTwoLegs = premisesFor(standIn(15, ['L1', 'L1', 'L2']));
const premises = ofOneLeg[1] ?? ofTwoLegs;
const { network } = premises;

/** Ohms that stand for any bad connection where nothing is fitted. */
const someOhms = [0.3, 1, 4, 20, 200] as const;
/** Loads that stand for any, with their shares: nothing on, something here, something beyond. */
const someLoads = [
  { share: 0.5, loads: [] },
  { share: 0.2, loads: [{ at: here, watts: 60, on: true }] },
  { share: 0.3, loads: [{ at: 'beyond', watts: 60, on: true }] },
] as const;
/** The same for two causes at once, of which the sample need not be so fine. */
const fewLoads = [
  { share: 0.5, loads: [] },
  {
    share: 0.5,
    loads: [
      { at: here, watts: 60, on: true },
      { at: 'beyond', watts: 60, on: true },
    ],
  },
] as const;
/** Watts on either side of a shared neutral. */
const someWatts = [20, 60, 150, 600] as const;

/** What stands behind a row: causes that show alike, each with its share. */
interface Origin {
  readonly priors: readonly PriorId[];
  readonly logShare: number;
}

interface Row {
  readonly network: Network;
  readonly origins: readonly Origin[];
  readonly causeCount: number;
  readonly supposed: Supposed;
  readonly condition: ConditionId;
  readonly faults: readonly Fault[];
  readonly tripped: boolean;
  readonly contacts: ContactsStanding;
}

interface Column {
  readonly kinds: readonly ChannelKind[];
  readonly byRow: readonly Float64Array[];
}

/** All that may hold at a receptacle; made once. */
let table: readonly Row[] | null = null;
/** What every row predicts for an instrument in a state, made when first asked for. */
const columns = new Map<string, Column>();

/** Causes at the receptacle, and in the cable to it: what is upstream shows alike. */
const isNear = ({ site, prior }: Cause): boolean =>
  prior !== 'short' && ('outlet' in site ? site.outlet === hereIndex : site.cable === 1);

/** Where the receptacle alone is known, everything is named there. */
const namedHere = (fault: Fault): Fault => {
  if (fault.kind === 'bond') return fault;
  const { cable: _, ...rest } = fault;
  return { ...rest, at: here };
};

function hypothesesOf(causes: readonly Cause[]): readonly Hypothesis[] {
  const sound = soundHypothesis(network);
  const near = causes.filter(isNear);
  const exact = near.filter(({ resistance }) => resistance === -1);
  const singles = near.flatMap((cause) => withCause(sound, cause) ?? []);
  const pairs = exact.flatMap((a) =>
    exact.flatMap((b) => {
      if (b.index <= a.index || clash(a, b)) return [];
      const one = withCause(sound, a);
      return (one === null ? null : withCause(one, b)) ?? [];
    }),
  );
  return [sound, ...singles, ...pairs];
}

const nothingRead = { readings: [], trippedBefore: null, afterRepair: [] };
const lookers = new Map<Network, Evaluator>();
function contactsUnder(circuit: Network, supposed: Supposed): ContactsStanding {
  const looker = lookers.get(circuit) ?? new Evaluator(circuit, evidenceOf(circuit, nothingRead));
  lookers.set(circuit, looker);
  looker.enterAsFound(supposed);
  return looker.contactsAt(hereIndex);
}

function oneLegRows({ network: circuit, causes }: Premises): readonly Row[] {
  const outletConditions = new OutletConditions(circuit);
  return hypothesesOf(causes).flatMap((hypothesis) => {
    const isPair = hypothesis.causes.length > 1;
    if (isPair && circuit !== network) return [];
    const lengths = isPair ? 1 : someLengths.length;
    const ohms = hypothesis.resistances.length === 0 ? [0] : someOhms;
    return ohms.flatMap((each) =>
      (isPair ? fewLoads : someLoads).map(({ share, loads }): Row => {
        const faults = faultsWith(hypothesis, [each]);
        const supposed: Supposed = { faults, loads, deviceStates: [] };
        return {
          network: circuit,
          origins: [
            {
              priors: hypothesis.causes.map(({ prior }) => prior),
              logShare: Math.log(share / ohms.length / lengths),
            },
          ],
          causeCount: hypothesis.causes.length,
          supposed,
          condition: outletConditions.under(supposed)[hereIndex] ?? 'correct',
          faults: faults.map(namedHere),
          tripped: false,
          contacts: contactsUnder(circuit, supposed),
        };
      }),
    );
  });
}

/** A device upstream that has opened both poles looks like hot and neutral open at once, and is far more common. */
function trippedUpstream(): Row {
  const open = (conductor: 'hot' | 'neutral'): Fault => ({ kind: 'open', conductor, cable: 'c2' });
  const supposed: Supposed = { faults: [open('hot'), open('neutral')], loads: [], deviceStates: [] };
  return {
    network,
    origins: [{ priors: ['device-tripped'], logShare: 0 }],
    causeCount: 1,
    supposed,
    condition: 'protection-tripped',
    faults: [],
    tripped: true,
    contacts: contactsUnder(network, supposed),
  };
}

/** The neutral that two legs share is lost, with something on at either side. */
const lostSharedNeutral = (): readonly Row[] =>
  someWatts.flatMap((mine) =>
    someWatts.map((others): Row => {
      const fault: Fault = { kind: 'open', conductor: 'neutral', cable: 'c1' };
      const loads = [
        { at: here, watts: mine, on: true },
        { at: 'beyond', watts: others, on: true },
      ];
      const supposed: Supposed = { faults: [fault], loads, deviceStates: [] };
      return {
        network: ofTwoLegs.network,
        origins: [{ priors: ['shared-neutral-lost'], logShare: -2 * Math.log(someWatts.length) }],
        causeCount: 1,
        supposed,
        contacts: contactsUnder(ofTwoLegs.network, supposed),
        condition: 'lost-shared-neutral',
        faults: [namedHere(fault)],
        tripped: false,
      };
    }),
  );

/** Tests by which rows are told apart; what is alike in all of them is one row. */
const tellingStates: readonly TestState[] = [{}, { loadsOff: true }, { breakerOff: true }];

function buildTable(): readonly Row[] {
  const rows = [...ofOneLeg.flatMap(oneLegRows), trippedUpstream(), ...lostSharedNeutral()];
  const readings = instrumentIds
    .filter((instrument) => instrument !== 'own-button')
    .flatMap((instrument) => tellingStates.map((state) => blank({ at: here, instrument, state } as Test)));
  const predictions = predictionsOf(rows, readings);
  const merged = new Map<string, { row: Row; readonly predicted: Float64Array }>();
  rows.forEach((row, index) => {
    const predicted = predictions.byRow[index] ?? new Float64Array(0);
    const seen = Array.from(predicted, (value) => Math.round(200 * value));
    const key = `${row.condition}:${row.tripped}:${seen.join()}`;
    const before = merged.get(key);
    if (before === undefined) merged.set(key, { row, predicted });
    else {
      const simpler = before.row.causeCount <= row.causeCount ? before.row : row;
      before.row = { ...simpler, origins: [...before.row.origins, ...row.origins] };
    }
  });
  const all = [...merged.values()];
  readings.forEach((reading, position) => {
    const [first, end] = predictions.spans[position] ?? [0, 0];
    columns.set(columnKey(reading), {
      kinds: predictions.kinds.slice(first, end),
      byRow: all.map(({ predicted }) => predicted.slice(first, end)),
    });
  });
  return all.map(({ row }) => row);
}

const stateOf = ({ loadsOff, breakerOff }: TestState = {}): TestState => ({
  ...(loadsOff === true ? { loadsOff } : {}),
  ...(breakerOff === true ? { breakerOff } : {}),
});

/** What every row predicts for some readings, and which channels each of them has. */
function predictionsOf(rows: readonly Row[], readings: readonly Reading[]) {
  const evaluators = new Map<Network, Evaluator>();
  const evaluatorFor = (of: Network): Evaluator => {
    const known = evaluators.get(of);
    if (known !== undefined) return known;
    const made = new Evaluator(of, evidenceOf(of, { readings, trippedBefore: null, afterRepair: [] }));
    evaluators.set(of, made);
    return made;
  };
  const { kinds, states } = evaluatorFor(network).evidence;
  const spans: (readonly [first: number, end: number])[] = [];
  for (const { outlets } of states)
    for (const { readings: compiled } of outlets)
      for (const { position, first, end } of compiled) spans[position] = [first, end];
  return {
    kinds,
    spans,
    byRow: rows.map(({ network: of, supposed }) => {
      const evaluator = evaluatorFor(of);
      evaluator.predict(supposed, false);
      return evaluator.predicted.slice();
    }),
  };
}

const columnKey = (reading: Reading): string => {
  const { loadsOff = false, breakerOff = false } = reading.state ?? {};
  return [reading.instrument, ...Object.values(settings(reading)), loadsOff, breakerOff].join(':');
};

/** What every row predicts for a reading of this kind. */
function columnFor(rows: readonly Row[], reading: Reading): Column {
  const key = columnKey(reading);
  const known = columns.get(key);
  if (known !== undefined) return known;
  const asked = {
    ...blank(reading),
    ...settings(reading),
    at: here,
    state: stateOf(reading.state),
  } as Reading;
  const { kinds, byRow } = predictionsOf(rows, [asked]);
  if (columns.size > 200) columns.clear();
  columns.set(key, { kinds, byRow });
  return { kinds, byRow };
}

const settings = (reading: Reading) => {
  if (reading.instrument === 'loaded') return { amps: reading.amps ?? usualLoadAmps };
  if (reading.instrument === 'gfci-button')
    return { buttonMilliamps: reading.buttonMilliamps ?? usualButtonMilliamps };
  return {};
};

/** By the very facts that they follow from, which nobody changes. */
const knownPrices = new WeakMap<HouseFacts, Float64Array>();

/** Logarithm of every row's prior in a house. */
function pricesIn(rows: readonly Row[], house: HouseFacts): Float64Array {
  const known = knownPrices.get(house);
  if (known !== undefined) return known;
  const oddsOf = ({ priors, logShare }: Origin): number =>
    Math.exp(logShare) * priors.reduce((product, prior) => product * oddsIn(house, prior), 1);
  const prices = Float64Array.from(rows, ({ origins }) =>
    Math.log(origins.reduce((sum, origin) => sum + oddsOf(origin), 0)),
  );
  knownPrices.set(house, prices);
  return prices;
}

const noFacts: HouseFacts = {};

/** A misfit, in nats beyond what scatter explains. */
const misfitNats = 5;

/**
 * Judges one receptacle by its own readings alone, in well under a millisecond once the table is made. Readings name
 * devices that are not known here, so of a tester's button only its current counts, and a device's own button not.
 */
export function diagnoseLone(
  id: string,
  taken: readonly Reading[],
  house: HouseFacts = noFacts,
  kit: readonly InstrumentId[] = instrumentIds,
): LoneDiagnosis {
  table ??= buildTable();
  const rows = table;
  const readings = taken.filter(({ instrument }) => instrument !== 'own-button');
  const seen = readings.map((reading) => columnFor(rows, reading));
  const evidence = evidenceOf(network, {
    readings: readings.map((reading) => ({ ...reading, at: here, state: undefined }) as Reading),
    trippedBefore: null,
    afterRepair: [],
  });
  const compiled: ReadingEvidence[] = [];
  for (const { outlets } of evidence.states)
    for (const { readings: read } of outlets) for (const one of read) compiled[one.position] = one;
  const scratch = new Float64Array(evidence.observed.length);
  const deficitOf = (row: number, position: number): number => {
    const one = compiled[position];
    const column = seen[position]?.byRow[row];
    if (one === undefined || column === undefined) return 0;
    scratch.set(column, one.first);
    return readingDeficit(evidence, one, scratch, loneTolerance);
  };
  const weights = pricesIn(rows, house).slice();
  for (let row = 0; row < rows.length; row += 1)
    for (let position = 0; position < readings.length; position += 1)
      weights[row] = (weights[row] as number) - deficitOf(row, position);
  const ranked = ranking(rows, weights, seen);
  const leading = ranked.rows[0] ?? 0;
  const misfits = readings.flatMap((_, position) => {
    const volts = seen[position]?.kinds.filter((kind) => kind === 'volts').length ?? 0;
    return deficitOf(leading, position) - 0.5 * volts > misfitNats ? [position] : [];
  });
  const opinion = opinionOn(id, 0, ranked.explanations, misfits.length > 0);
  return {
    ...opinion,
    explanations: ranked.explanations.map((one) => ({
      ...one,
      faults: one.faults.map((fault) => ({ ...fault, at: id })),
    })),
    next: nextFor(id, readings, rows, ranked, opinion, kit),
    misfits,
    table: readings.map((reading, position) => ({
      position,
      reading,
      predicted: predictedReading(reading, 0, seen[position]?.byRow[leading] ?? new Float64Array(0), []),
      fits: !misfits.includes(position),
    })),
  };
}

interface Ranked {
  readonly explanations: readonly LoneExplanation[];
  /** Row of the table that stands for each. */
  readonly rows: readonly number[];
}

const names = new WeakMap<Row, string>();
/** Rows of one name have the same faults, whatever their ohms, and the same condition. */
function nameOf(row: Row): string {
  const known = names.get(row);
  if (known !== undefined) return known;
  const faults = row.faults.map((fault) => Object.values({ ...fault, ohms: 0 }).join());
  const name = `${row.condition}:${row.tripped}:${faults.join(';')}`;
  names.set(row, name);
  return name;
}

/** Rows of one and the same cause and condition are added up; the likeliest stands for them. */
function ranking(rows: readonly Row[], weights: Float64Array, seen: readonly Column[]): Ranked {
  const most = Math.max(...weights);
  const byName = new Map<string, { row: number; sum: number; best: number }>();
  let total = 0;
  weights.forEach((weight, row) => {
    const share = Math.exp(weight - most);
    if (share < 1e-7) return;
    total += share;
    const name = nameOf(rows[row] as Row);
    const before = byName.get(name);
    if (before === undefined) byName.set(name, { row, sum: share, best: share });
    else {
      before.sum += share;
      if (share > before.best) Object.assign(before, { row, best: share });
    }
  });
  const ordered = [...byName.values()].sort((a, b) => b.sum - a.sum);
  const leaders: number[] = [];
  const groupOf = (row: number): number => {
    const found = leaders.findIndex((leader) =>
      seen.every(({ kinds, byRow }) =>
        kinds.every((kind, channel) =>
          alike(kind, byRow[row]?.[channel] ?? 0, byRow[leader]?.[channel] ?? 0),
        ),
      ),
    );
    if (found !== -1) return found + 1;
    leaders.push(row);
    return leaders.length;
  };
  return {
    rows: ordered.map(({ row }) => row),
    explanations: ordered.map(({ row, sum }) => {
      const { faults, tripped, condition, causeCount, contacts } = rows[row] as Row;
      return {
        faults,
        tripped,
        probability: sum / total,
        group: groupOf(row),
        causeCount,
        conditions: [condition],
        contacts: [contacts],
      };
    }),
  };
}

function nextFor(
  id: string,
  readings: readonly Reading[],
  all: readonly Row[],
  { explanations, rows }: Ranked,
  opinion: OutletOpinion,
  kit: readonly InstrumentId[],
): NextTest | null {
  const candidates: Candidate[] = [];
  for (const instrument of kit) {
    if (instrument === 'own-button') continue;
    for (const state of [undefined, { loadsOff: true }]) {
      if (state !== undefined && instrument !== 'lamps') continue;
      const isDone = readings.some(
        (one) => one.instrument === instrument && (one.state?.loadsOff === true) === (state !== undefined),
      );
      if (isDone || !isSafe(instrument, opinion, readings)) continue;
      const test = { at: id, instrument, ...(state === undefined ? {} : { state }) } as Candidate['test'];
      candidates.push({
        test,
        outlet: 0,
        cost: secondsOf[instrument] + (state === undefined ? 0 : loadsOffSeconds),
      });
    }
  }
  const told = rows.slice(0, mostExplanations);
  const outcomes = candidates.map(({ test }) => {
    const { kinds, byRow } = columnFor(all, blank(test));
    return outcomesOf(
      kinds,
      told.map((row) => byRow[row] ?? new Float64Array(0)),
      0,
      kinds.length,
    );
  });
  return testChooser(explanations.slice(0, mostExplanations), candidates, outcomes)(id, 0);
}
