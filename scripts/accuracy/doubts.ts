import { type ConditionId, conditions } from '@fair-plug/core/knowledge';

/** Probabilities from which a doubt about what reads correct would be reported. */
const thresholds = [0.02, 0.05, 0.1, 0.2, 0.3, 0.5] as const;

const asksForAction = (id: ConditionId): boolean => conditions[id].urgency !== null;

interface Row {
  raised: number;
  right: number;
}

/** What would be reported of receptacles that are held to be correct, by how probable a doubt must be for it. */
export class Doubts {
  private readonly rows: readonly Row[] = thresholds.map(() => ({ raised: 0, right: 0 }));
  private correct = 0;
  private hidden = 0;

  /** Counts a receptacle held to be correct: what holds, and the probability of each explanation's condition there. */
  add(holds: ConditionId, explanations: readonly (readonly [ConditionId, number])[]): void {
    const probable = new Map<ConditionId, number>();
    for (const [id, probability] of explanations) probable.set(id, (probable.get(id) ?? 0) + probability);
    const most = Math.max(0, ...[...probable].map(([id, share]) => (asksForAction(id) ? share : 0)));
    this.correct += 1;
    if (asksForAction(holds)) this.hidden += 1;
    thresholds.forEach((threshold, index) => {
      const row = this.rows[index];
      if (row === undefined || most < threshold) return;
      row.raised += 1;
      if (asksForAction(holds)) row.right += 1;
    });
  }

  text(): string {
    const percent = (part: number, whole: number) => `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;
    const lines = this.rows.map(
      ({ raised, right }, index) =>
        `| ${thresholds[index]} | ${percent(raised, this.correct)} | ${percent(right, raised)} | ${percent(right, this.hidden)} |`,
    );
    return `${this.correct} receptacles were held to be correct; at ${this.hidden} of them something holds that asks for action.

| reported from | of those held correct | of them something holds | of all that is hidden |
|---|---|---|---|
${lines.join('\n')}`;
  }
}
