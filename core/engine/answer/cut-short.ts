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
 * Outlets of whose readings not one is accounted for, or not all: they do not fit, or their instrument is held not to
 * work. What was found need not be all there is.
 */
export function unaccountedFor(
  readings: readonly Reading[],
  misfits: readonly { readonly position: number }[],
  failing: readonly InstrumentFault[],
): { readonly wholly: ReadonlySet<string>; readonly partly: ReadonlySet<string> } {
  const positions = new Set(misfits.map(({ position }) => position));
  const isLeft = ({ instrument }: Reading, position: number): boolean =>
    positions.has(position) || failing.some((one) => one.instrument === readBy(instrument));
  const left = readings.filter(isLeft);
  const countOf = (all: readonly Reading[], id: string): number => all.filter(({ at }) => at === id).length;
  const isUnaccounted = (id: string): boolean => countOf(left, id) === countOf(readings, id);
  const ids = left.map(({ at }) => at);
  return { wholly: new Set(ids.filter(isUnaccounted)), partly: new Set(ids) };
}

/**
 * What leads accounts for some of an outlet's readings and not for all of them: two causes of which neither explains
 * anything by itself may be behind it, so that no search led by single causes comes to them. The danger that its own
 * readings most likely are stays in its list.
 */
export function withOwnDanger<O extends OutletOpinion>(
  opinion: O,
  readings: readonly Reading[],
  house: HouseFacts | undefined,
): O {
  const own = readings.filter(({ at }) => at === opinion.id);
  const { condition, probability } = openBy(own, house);
  const isSaid = condition === opinion.condition || opinion.notRuledOut.includes(condition as ConditionId);
  if (condition === 'undetermined' || isSaid || !conditions[condition].dangerous) return opinion;
  const notRuledOut = conditionIds.filter((id) => id === condition || opinion.notRuledOut.includes(id));
  const doubtOf = (id: ConditionId): number =>
    id === condition ? probability : (opinion.doubts[opinion.notRuledOut.indexOf(id)] ?? 0);
  return {
    ...opinion,
    notRuledOut,
    ifMisread: opinion.ifMisread.filter((id) => id !== condition),
    doubts: notRuledOut.map(doubtOf),
  };
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
