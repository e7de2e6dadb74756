import { powerNotBackAt, type Receptacle, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Devices that will not reset or are locked out, and power of which nobody said that it is back. */
export function powerNotBack({ house, words }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const { refusing, dark } = powerNotBackAt(house);
  const locked = all.filter(({ protection }) => protection.lockedOut).map(({ id }) => id);
  const stuck = new Set([...refusing, ...locked]);
  const without = new Set([...dark].filter((id) => !stuck.has(id)));
  const about = (ids: ReadonlySet<string>): readonly Receptacle[] => all.filter(({ id }) => ids.has(id));
  const findings: Proposal[] = [];
  if (stuck.size > 0)
    findings.push({
      ...seenOnly,
      ...words.rules.willNotReset,
      key: 'device-will-not-reset',
      urgency: 'repair',
      condition: 'protection-failed',
      ...withEvidence(about(stuck), words),
    });
  if (without.size > 0)
    findings.push({
      ...seenOnly,
      ...words.rules.powerNotBack,
      key: 'power-not-back',
      urgency: 'repair',
      by: 'owner',
      ...withEvidence(about(without), words),
    });
  return findings;
}
