import { type Circuit, runOf } from '../../circuit/index.ts';
import type { Fault } from '../../faults/index.ts';
import type { ConditionId } from '../../knowledge/index.ts';
import type { Leg, Network } from '../../physics/index.ts';
import { type ContactsStanding, Evaluator, type Supposed } from '../evidence/evaluator.ts';
import { evidenceOf } from '../evidence/evidence.ts';
import { OutletConditions } from '../evidence/outlet-conditions.ts';
import { type Premises, premisesOf } from '../evidence/problem.ts';
import { type Cause, clash } from '../model/cause.ts';
import { faultsWith, type Hypothesis, soundHypothesis, withCause } from '../model/hypothesis.ts';
import type { PriorId } from '../model/priors.ts';
import { sharedOut } from '../search/prior-shares.ts';

/** Stands for the receptacle that is asked about. */
export const here = 'here';
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
/** The same where they are two of three phases. */
const ofTwoPhases = premisesFor({ ...standIn(15, ['L1', 'L1', 'L2']), degreesApart: 120 });
const premises = ofOneLeg[1] ?? ofTwoLegs;
export const { network } = premises;

/** Ohms that stand for any bad connection where nothing is fitted. */
const someOhms = sharedOut([0.3, 1, 4, 20, 200]);
const noOhms = [{ ohms: 0, share: 1 }] as const;
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

/** Loads on either side are as good as equal once in so many. */
const asGoodAsEqual = 0.03;
const wattsShare = (mine: number, others: number): number => {
  const count = someWatts.length;
  return mine === others ? asGoodAsEqual / count : (1 - asGoodAsEqual) / (count * (count - 1));
};

/** What stands behind a row: causes that show alike, each with its share. */
export interface Origin {
  readonly priors: readonly PriorId[];
  readonly logShare: number;
}

export interface Row {
  readonly network: Network;
  readonly origins: readonly Origin[];
  readonly causeCount: number;
  readonly supposed: Supposed;
  readonly condition: ConditionId;
  readonly faults: readonly Fault[];
  readonly tripped: boolean;
  readonly contacts: ContactsStanding;
}

/** Causes at the receptacle, and in the cable to it: what is upstream shows alike. */
const isNear = ({ site, prior }: Cause): boolean =>
  prior !== 'short' &&
  (prior === 'ungrounded-run' ||
    ('outlet' in site ? site.outlet === hereIndex : 'cable' in site && site.cable === 1));

/** What is in several places is one thing where the receptacle alone is known. */
const once = (faults: readonly Fault[]): readonly Fault[] =>
  faults.filter(
    (fault, position) =>
      faults.findIndex((other) => JSON.stringify(other) === JSON.stringify(fault)) === position,
  );

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
type Looker = (supposed: Supposed) => ContactsStanding;

/** Tells how the contacts stand under what is supposed of a circuit. */
function lookerAt(circuit: Network): Looker {
  const looker = new Evaluator(circuit, evidenceOf(circuit, nothingRead));
  return (supposed) => {
    looker.enterAsFound(supposed);
    return looker.contactsAt(hereIndex);
  };
}

function oneLegRows({ network: circuit, causes }: Premises): readonly Row[] {
  const outletConditions = new OutletConditions(circuit);
  const contactsUnder = lookerAt(circuit);
  return hypothesesOf(causes).flatMap((hypothesis) => {
    const isPair = hypothesis.causes.length > 1;
    if (isPair && circuit !== network) return [];
    const lengths = isPair ? 1 : someLengths.length;
    const tried = hypothesis.resistances.length === 0 ? noOhms : someOhms;
    return tried.flatMap(({ ohms, share: ofOhms }) =>
      (isPair ? fewLoads : someLoads).map(({ share, loads }): Row => {
        const faults = faultsWith(hypothesis, [ohms]);
        const supposed: Supposed = { faults, loads, deviceStates: [] };
        return {
          network: circuit,
          origins: [
            {
              priors: hypothesis.causes.map(({ prior }) => prior),
              logShare: Math.log((share * ofOhms) / lengths),
            },
          ],
          causeCount: hypothesis.causes.length,
          supposed,
          condition: outletConditions.under(supposed)[hereIndex] ?? 'correct',
          faults: once(faults.map(namedHere)),
          tripped: false,
          contacts: contactsUnder(supposed),
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
    contacts: lookerAt(network)(supposed),
  };
}

/** The neutral that two legs share is lost, with something on at either side. */
function lostSharedNeutral({ network: circuit }: Premises, prior: PriorId): readonly Row[] {
  const contactsUnder = lookerAt(circuit);
  return someWatts.flatMap((mine) =>
    someWatts.map((others): Row => {
      const fault: Fault = { kind: 'open', conductor: 'neutral', cable: 'c1' };
      const loads = [
        { at: here, watts: mine, on: true },
        { at: 'beyond', watts: others, on: true },
      ];
      const supposed: Supposed = { faults: [fault], loads, deviceStates: [] };
      return {
        network: circuit,
        origins: [{ priors: [prior], logShare: Math.log(wattsShare(mine, others)) }],
        causeCount: 1,
        supposed,
        contacts: contactsUnder(supposed),
        condition: 'lost-shared-neutral',
        faults: [namedHere(fault)],
        tripped: false,
      };
    }),
  );
}

/** Circuits that stand for any. */
export const standIns = (): readonly Network[] =>
  [...ofOneLeg, ofTwoLegs, ofTwoPhases].map((one) => one.network);

/** Everything that may hold at a receptacle, whether or not it is told from the rest. */
export const everyRow = (): readonly Row[] => [
  ...ofOneLeg.flatMap(oneLegRows),
  trippedUpstream(),
  ...lostSharedNeutral(ofTwoLegs, 'shared-neutral-lost'),
  ...lostSharedNeutral(ofTwoPhases, 'phases-neutral-lost'),
];
