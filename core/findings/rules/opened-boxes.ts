import { conditions } from '../../conditions/index.ts';
import { receptaclesOf } from '../../inspection/index.ts';
import { isAluminumAt } from '../aluminum-signs.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** Jumpers seen with the cover off: proof of what readings only suggest. */
export function openedBoxes({ house, practice }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const jumpered = all.filter(({ coverOff }) => coverOff?.jumper === true);
  // Aluminum has instructions of its own, push-in terminals among them.
  const pushedIn = all.filter(
    (one) => one.coverOff?.pushIn === true && !isAluminumAt(one, house, practice.schools['copper-clad']),
  );
  const { name, what, why, correction, urgency } = conditions['bootleg-ground'];
  const jumpers: readonly Proposal[] =
    jumpered.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'box-jumper',
            urgency: urgency ?? 'repair',
            headline: `${name}, seen in the box`,
            what,
            why,
            correction,
            condition: 'bootleg-ground',
            ...withEvidence(jumpered),
          },
        ];
  const springs: readonly Proposal[] =
    pushedIn.length === 0
      ? []
      : [
          {
            ...seenOnly,
            key: 'box-push-in',
            urgency: 'note',
            headline: 'Spring-clamp push-in terminals',
            what: 'Conductors are held by springs behind the receptacle, not under its screws.',
            why: 'They loosen with heat and handling. Many practitioners avoid them; listings allow them for 14 AWG, used once.',
            correction:
              'A licensed electrician moves the conductors under the screws when the box is open anyway.',
            ...withEvidence(pushedIn),
          },
        ];
  return [...jumpers, ...springs];
}
