import { powerNotBackAt, type Receptacle, receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Devices that will not reset or are locked out, and power of which nobody said that it is back. */
export function powerNotBack({ house }: JudgedHouse): readonly Proposal[] {
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
      key: 'device-will-not-reset',
      urgency: 'repair',
      headline: 'A ground-fault device will not reset',
      what: 'It tripped or locked itself out, and does not come back.',
      why: 'Either it is at its end, or what it tripped for is still there; until that is known nothing behind it has power.',
      correction:
        'A licensed electrician tells the device from the fault behind it: with the load side off, one that still will not reset is replaced.',
      condition: 'protection-failed',
      openFirst: 'the device’s own box',
      retest: 'It resets, trips by its own button, and everything behind it goes dead and comes back.',
      ...withEvidence(about(stuck)),
    });
  if (without.size > 0)
    findings.push({
      ...seenOnly,
      key: 'power-not-back',
      urgency: 'repair',
      headline: 'Power is not said to be back',
      what: 'It went off with a device or a breaker that was tried, and nobody recorded that it came back.',
      why: 'A freezer, an alarm or medical equipment may be without power and nobody knows.',
      correction:
        'Whoever tried it, or the occupant, sees that it is reset and the power is back; what does not come back is work for a licensed electrician.',
      by: 'owner',
      openFirst: null,
      retest: 'Lamps here.',
      ...withEvidence(about(without)),
    });
  return findings;
}
