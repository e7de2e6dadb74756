import { foundBehind, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** A receptacle without a ground, protected by a device, needs both labels. */
export function missingLabels({ house, verdictOf, words }: JudgedHouse): readonly Proposal[] {
  // Labels that the North American rule asks for.
  if (house.region !== 'north-america') return [];
  const behindDevices = new Set(foundBehind(house).flatMap(({ dead }) => dead));
  const missing = receptaclesOf(house).filter((one) => {
    const { labels } = one.protection;
    if (labels === null) return false;
    const ungrounded = verdictOf(one.id)?.readsAs.includes('open-ground') === true;
    const needs = [
      ...(behindDevices.has(one.id) ? (['protected'] as const) : []),
      ...(ungrounded ? (['no-equipment-ground'] as const) : []),
    ];
    return needs.some((label) => !labels.includes(label));
  });
  if (missing.length === 0) return [];
  return [
    {
      ...seenOnly,
      ...words.rules.missingLabels,
      key: 'labels-missing',
      urgency: 'repair',
      by: 'owner',
      ...withEvidence(missing, words),
    },
  ];
}
