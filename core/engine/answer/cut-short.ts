import type { Reading } from '../../instruments/index.ts';
import { type ConditionId, conditionIds, conditions } from '../../knowledge/index.ts';
import type { HouseFacts } from '../model/priors.ts';
import { LoneDiagnostician } from './lone-outlet.ts';
import { type OutletOpinion, ruledOutShare } from './posterior.ts';

/** Made when a search was first cut short. */
let lone: LoneDiagnostician | null = null;

/**
 * What a search that was cut short has found leaves out what it did not come to. So that no danger is missing for it,
 * each outlet also keeps what its own readings leave open, and is called nothing that they rule out.
 */
export const asCutShort = <O extends OutletOpinion>(
  outlets: readonly O[],
  readings: readonly Reading[],
  house: HouseFacts | undefined,
): readonly O[] =>
  outlets.map((opinion) => {
    lone ??= new LoneDiagnostician();
    const own = readings.filter(({ at }) => at === opinion.id);
    const alone = lone.diagnose(opinion.id, own, house);
    const shareOf = (id: ConditionId): number =>
      alone.explanations.reduce(
        (sum, { conditions: [here], probability }) => (here === id ? sum + probability : sum),
        0,
      );
    const { condition: said } = opinion;
    const isBorneOut = said === 'undetermined' || shareOf(said) >= ruledOutShare;
    const condition = isBorneOut ? said : 'undetermined';
    const isOpen = (id: ConditionId): boolean =>
      id !== condition &&
      conditions[id].dangerous &&
      (opinion.notRuledOut.includes(id) || alone.condition === id || alone.notRuledOut.includes(id));
    const notRuledOut = conditionIds.filter(isOpen);
    const doubtOf = (id: ConditionId): number =>
      opinion.doubts[opinion.notRuledOut.indexOf(id)] ?? shareOf(id);
    return {
      ...opinion,
      condition,
      probability: isBorneOut ? opinion.probability : alone.probability,
      notRuledOut,
      ifMisread: opinion.ifMisread.filter((id) => !notRuledOut.includes(id)),
      doubts: notRuledOut.map(doubtOf),
      contacts: opinion.contacts.map((state, contact) =>
        state === alone.contacts[contact] ? state : 'may-be-live',
      ) as unknown as OutletOpinion['contacts'],
    };
  });
