import { receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** The halves of a receptacle read otherwise, and only one of them is entered. */
export function halvesDiffer({ house }: JudgedHouse): readonly Proposal[] {
  const all = receptaclesOf(house);
  const entered = new Set(all.map(({ halfOf }) => halfOf));
  const there = all.filter(({ id, halves }) => halves?.alike === false && !entered.has(id));
  if (there.length === 0) return [];
  return [
    {
      ...seenOnly,
      key: 'halves-differ',
      urgency: 'repair',
      headline: 'The halves of a receptacle read otherwise',
      what: 'Upper and lower half were tried and did not show the same; only one of them is entered.',
      why: 'One half may be switched, on another circuit, or fed through a tab that has broken: what holds for one half says nothing of the other.',
      correction:
        'Both halves are read by themselves. A licensed electrician looks at the tabs between them, and at whether two circuits share the box.',
      openFirst: 'this box',
      ...withEvidence(there),
    },
  ];
}
