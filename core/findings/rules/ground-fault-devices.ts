import { groundFaultWords } from '../../assessment/index.ts';
import { conditions } from '../../conditions/index.ts';
import { type Receptacle, receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

export function groundFaultDevices({ house, verdictOf }: JudgedHouse): readonly Proposal[] {
  const gathered = new Map<string, { readonly words: string; readonly there: Receptacle[] }>();
  for (const one of receptaclesOf(house)) {
    const latest = one.groundFaultTests.at(-1);
    if (latest === undefined) continue;
    const { code, words, isFinding } = groundFaultWords(latest, verdictOf(one.id));
    if (isFinding) gathered.set(code, { words, there: [...(gathered.get(code)?.there ?? []), one] });
  }
  const { why, correction, urgency } = conditions['protection-failed'];
  return [...gathered].map(([code, { words, there }]) => ({
    ...seenOnly,
    key: `device-${code}`,
    urgency: code === 'failed' ? (urgency ?? 'repair') : 'repair',
    headline: 'Ground-fault protection did not do what it should',
    what: words,
    why,
    correction,
    condition: 'protection-failed',
    ...withEvidence(there),
  }));
}
