import type { HouseJudgement, JudgedCircuit, JudgedReceptacle } from './judged.ts';

/** What is new in a judgement since the last one that was sent: a large house is not sent anew for one reading. */
export interface JudgementChanges extends Omit<HouseJudgement, 'receptacles' | 'circuits'> {
  /** Nothing was sent before: what the listener has counts no more. */
  readonly isWhole: boolean;
  readonly changed: ReadonlyMap<string, JudgedReceptacle>;
  readonly gone: readonly string[];
  /** Every circuit by its breaker, in order; those that did not change without what is known of them. */
  readonly circuits: readonly { readonly breaker: string; readonly changed: JudgedCircuit | null }[];
}

/** What is the same object as before is left out. */
export function changesSince(
  sent: HouseJudgement | null,
  { receptacles, circuits, ...rest }: HouseJudgement,
): JudgementChanges {
  const known = new Set(sent?.circuits);
  return {
    ...rest,
    isWhole: sent === null,
    changed: new Map([...receptacles].filter(([id, one]) => sent?.receptacles.get(id) !== one)),
    gone: [...(sent?.receptacles.keys() ?? [])].filter((id) => !receptacles.has(id)),
    circuits: circuits.map((one) => ({ breaker: one.breaker, changed: known.has(one) ? null : one })),
  };
}

/** The judgement after the changes; what they do not speak of stays the same object. */
export function withChanges(
  before: HouseJudgement | null,
  { isWhole, changed, gone, circuits, ...rest }: JudgementChanges,
): HouseJudgement {
  const receptacles = new Map(isWhole ? [] : before?.receptacles);
  for (const [id, one] of changed) receptacles.set(id, one);
  for (const id of gone) receptacles.delete(id);
  const known = new Map(before?.circuits.map((one) => [one.breaker, one]));
  return {
    ...rest,
    receptacles,
    circuits: circuits.flatMap(({ breaker, changed: one }) => one ?? known.get(breaker) ?? []),
  };
}
