import { type Condition, proveDead } from './condition.ts';

export const neutralGroundSwapped: Condition = {
  id: 'neutral-ground-swapped',
  name: 'Neutral and ground exchanged',
  what: 'The conductors of neutral and ground are exchanged.',
  why: 'The bare ground wires, and the metal they are fastened to, carry the current of everything in use.',
  urgency: 'repair',
  dangerous: true,
  correction: 'A licensed electrician puts the two conductors back on their own terminals.',
  hazard: 'Current of everything in use flows on bare ground wires and bonded metal.',
  urgencyReason: 'A ground that is touched in another box, or opened there, is live.',
  ways: ['own-terminals', 'first-exchange'],
  openFirst: 'this box where it stands alone; else the first box that shows it',
  steps: [
    proveDead,
    'White to silver, bare or green to green.',
    'A device upstream that trips with the first load is a sign of the same.',
  ],
  retest:
    'Load test: neutral to ground rises by about half the drop. A ground-fault device upstream holds under load.',
  references: ['nec-200.10', 'nec-250.142'],
  questions: [],
  cautions: ['contacts', 'box'],
};
