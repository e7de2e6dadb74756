import type { Reading } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import type { InstrumentFault } from '../model/instrument-fault.ts';
import type { HouseFacts } from '../model/priors.ts';
import { type LoneOpinion, opinionAlone } from './lone-outlet.ts';
import { type OutletOpinion, ruledOutShare } from './posterior.ts';
import { readBy } from './safe-test.ts';

/** By readings and house: most outlets of a circuit read alike, and an answer that is cut short is made again and again. */
const alone = new Map<string, LoneOpinion>();
const mostRemembered = 500;

/** What readings leave open by themselves, at whichever outlet. */
function openBy(own: readonly Reading[], house: HouseFacts | undefined): LoneOpinion {
  const readings = own.map((reading) => ({ ...reading, at: '' }));
  const key = JSON.stringify([readings, house]);
  const known = alone.get(key);
  if (known !== undefined) return known;
  const opinion = opinionAlone('', readings, house);
  if (alone.size >= mostRemembered) alone.clear();
  alone.set(key, opinion);
  return opinion;
}

/**
 * Outlets of whose readings not one is accounted for: it does not fit, or its instrument is held not to work. What was
 * found need not be all there is.
 */
export function unaccountedFor(
  readings: readonly Reading[],
  misfits: readonly { readonly position: number }[],
  failing: readonly InstrumentFault[],
): ReadonlySet<string> {
  const positions = new Set(misfits.map(({ position }) => position));
  const isLeft = ({ instrument }: Reading, position: number): boolean =>
    positions.has(position) || failing.some((one) => one.instrument === readBy(instrument));
  const left = readings.filter(isLeft);
  const countOf = (all: readonly Reading[], id: string): number => all.filter(({ at }) => at === id).length;
  const isUnaccounted = (id: string): boolean => countOf(left, id) === countOf(readings, id);
  return new Set(left.map(({ at }) => at).filter(isUnaccounted));
}

/**
 * What a search that was cut short has found leaves out what it did not come to; and where it accounts for nothing that
 * was read, something else holds. So that no danger is missing for it, the outlet also keeps what its own readings leave
 * open, and is called nothing that they rule out; but a single reading that its neighbours gainsay is no more than a
 * doubt, and it keeps its name, unless the search was cut short.
 */
export function asCutShort<O extends OutletOpinion>(
  opinion: O,
  readings: readonly Reading[],
  house: HouseFacts | undefined,
  isCutShort: boolean,
): O {
  const own = readings.filter(({ at }) => at === opinion.id);
  const open = openBy(own, house);
  const shareOf = (id: ConditionId): number =>
    open.explanations.reduce(
      (sum, { conditions: [here], probability }) => (here === id ? sum + probability : sum),
      0,
    );
  const { condition: said } = opinion;
  const isDoubt = !isCutShort && own.length === 1;
  const isBorneOut = isDoubt || said === 'undetermined' || shareOf(said) >= ruledOutShare;
  const condition = isBorneOut ? said : 'undetermined';
  const isOpen = (id: ConditionId): boolean =>
    id !== condition &&
    conditions[id].dangerous &&
    (opinion.notRuledOut.includes(id) || open.condition === id || open.notRuledOut.includes(id));
  const notRuledOut = conditionIds.filter(isOpen);
  const doubtOf = (id: ConditionId): number => opinion.doubts[opinion.notRuledOut.indexOf(id)] ?? shareOf(id);
  return {
    ...opinion,
    condition,
    probability: isBorneOut ? opinion.probability : open.probability,
    notRuledOut,
    ifMisread: opinion.ifMisread.filter((id) => !notRuledOut.includes(id)),
    doubts: notRuledOut.map(doubtOf),
    contacts: opinion.contacts.map((state, contact) =>
      state === open.contacts[contact] ? state : 'may-be-live',
    ) as unknown as OutletOpinion['contacts'],
  };
}
