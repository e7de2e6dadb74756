import type { ConditionId } from '../../knowledge/index.ts';

/** Receptacles that may hang on one cause, though nobody said that they share a circuit. */
export interface LikelyGroup {
  readonly condition: ConditionId;
  /** In the order of the walk. */
  readonly outlets: readonly string[];
}

/** A receptacle as walked past: what holds there, and whether it was already put on a circuit. */
export interface Walked {
  readonly id: string;
  readonly condition: ConditionId | 'undetermined' | null;
  readonly isGrouped: boolean;
}

/** One cause upstream takes several receptacles along; these stand next to each other more often than not. */
const spreading: ReadonlySet<ConditionId> = new Set([
  'energized-ground',
  'lost-shared-neutral',
  'open-neutral',
  'reversed-polarity',
  'bootleg-ground',
  'open-ground',
  'high-resistance',
  'protection-tripped',
  'open-hot',
]);

/**
 * Runs of neighbours with the same condition, as walked: a likely grouping, to be confirmed by the breaker. A single
 * receptacle that reads correct between two of them does not end a run (another circuit may pass there); two do.
 */
export function likelyGroups(walked: readonly Walked[]): readonly LikelyGroup[] {
  const groups: LikelyGroup[] = [];
  let run: { condition: ConditionId; outlets: string[]; gap: number } | null = null;
  const end = (): void => {
    if (run !== null && run.outlets.length > 1)
      groups.push({ condition: run.condition, outlets: run.outlets });
    run = null;
  };
  for (const { id, condition, isGrouped } of walked) {
    if (isGrouped || condition === null || condition === 'undetermined' || !spreading.has(condition)) {
      if (run !== null) {
        run.gap += 1;
        if (run.gap > 1) end();
      }
      continue;
    }
    if (run === null || run.condition !== condition) {
      end();
      run = { condition, outlets: [], gap: 0 };
    }
    run.outlets.push(id);
    run.gap = 0;
  }
  end();
  return groups;
}
