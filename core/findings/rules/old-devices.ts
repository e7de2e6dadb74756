import { receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Devices last about so many years; 5 to 20 are met (common practice). */
const usualLife = 10;

export function oldDevices({ house }: JudgedHouse): readonly Proposal[] {
  if (house.lastReadAt === null) return [];
  const now = Number(house.lastReadAt.slice(0, 4));
  const old = receptaclesOf(house).filter(
    ({ protection: { madeIn } }) => madeIn !== null && now - madeIn > usualLife,
  );
  if (old.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'device-old',
      urgency: 'note',
      headline: `Ground-fault devices more than ${usualLife} years old`,
      what: 'The year stands on the device.',
      why: 'They wear out unseen: power stays on when they no longer protect.',
      correction: 'Press the device’s own button every month; have it replaced at the next occasion.',
      by: 'owner',
      ...withEvidence(old),
    },
  ];
}
