import type { JudgedCause } from '../../assessment/index.ts';
import { receptaclesOf } from '../../log/index.ts';
import { panel } from '../../physics/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** Conductors of a fault that a box or a panel may have in common with another circuit’s. */
const kindOf = ({ faults: [fault] }: JudgedCause): string | null =>
  fault === undefined || !('conductor' in fault) || fault.conductor === 'hot' ? null : fault.conductor;

/** Where a cause may be as near the panel as that, the panel itself may have it. */
const reachesPanel = ({ place }: JudgedCause): boolean => place?.between[0] === panel;

/** A neutral or a ground that is lost on two circuits near the panel: one box that both pass through, or the panel. */
export function sharedSymptoms({ house, assessment, words }: JudgedHouse): readonly Proposal[] {
  const byKind = new Map<string, { readonly breaker: string; readonly cause: JudgedCause }[]>();
  for (const { breaker, causes } of assessment.circuits)
    for (const cause of causes) {
      const kind = kindOf(cause);
      if (kind !== null && reachesPanel(cause) && cause.receptacles.length > 1)
        byKind.set(kind, [...(byKind.get(kind) ?? []), { breaker, cause }]);
    }
  return [...byKind]
    .filter(([, those]) => new Set(those.map(({ breaker }) => breaker)).size > 1)
    .map(([kind, those]) => {
      const ids = new Set(those.flatMap(({ cause }) => cause.receptacles));
      return {
        ...seenOnly,
        ...words.rules.sharedSymptoms({
          breakers: those.map(({ breaker }) => breaker),
          conductor: kind === 'neutral' ? 'neutral' : 'ground',
        }),
        key: `house-shared-${kind}`,
        urgency: 'repair',
        receptacles: places(receptaclesOf(house).filter(({ id }) => ids.has(id))),
        evidence: those.map(({ breaker, cause }) => ({
          receptacle: null,
          words: words.rules.sharedEvidence({ breaker, cause: words.cause(cause.faults) }),
          at: null,
        })),
      };
    });
}
