import { conditions } from '../../knowledge/index.ts';
import { receptaclesOf } from '../../log/index.ts';
import { isAluminumAt } from '../aluminum-signs.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Jumpers seen with the cover off: proof of what readings only suggest. */
export function openedBoxes({ house, practice, words }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const jumpered = all.filter(({ coverOff }) => coverOff?.jumper === true);
  // Aluminum has instructions of its own, push-in terminals among them.
  const pushedIn = all.filter(
    (one) => one.coverOff?.pushIn === true && !isAluminumAt(one, house, practice.schools['copper-clad']),
  );
  const { urgency } = conditions['bootleg-ground'];
  const jumpers: readonly Proposal[] =
    jumpered.length === 0
      ? []
      : [
          {
            ...seenOnly,
            ...words.rules.jumperSeen,
            key: 'box-jumper',
            urgency: urgency ?? 'repair',
            condition: 'bootleg-ground',
            ...withEvidence(jumpered, words),
          },
        ];
  const springs: readonly Proposal[] =
    pushedIn.length === 0
      ? []
      : [
          {
            ...seenOnly,
            ...words.rules.pushIn,
            key: 'box-push-in',
            urgency: 'note',
            ...withEvidence(pushedIn, words),
          },
        ];
  const nicked = all.filter(({ coverOff }) => coverOff?.nicked === true);
  const nicks: readonly Proposal[] =
    nicked.length === 0
      ? []
      : [
          {
            ...seenOnly,
            ...words.rules.nicked,
            key: 'box-nicked',
            urgency: 'repair',
            ...withEvidence(nicked, words),
          },
        ];
  return [...jumpers, ...nicks, ...springs];
}
