import { type Condition, proveDead } from './condition.ts';

export const neutralGroundBond: Condition = {
  id: 'neutral-ground-bond',
  name: 'Neutral and ground joined',
  what: 'Neutral and ground touch or are jumpered in the box although the ground wire is intact.',
  why: 'Part of what equipment draws returns over the ground wires and bonded metal, and ground-fault devices upstream will not hold.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician separates neutral and ground in the box; they are joined at the service only.',
  hazard:
    'Current on ground wires, metal boxes and pipes; protection upstream that cannot hold and gets taken out.',
  urgencyReason: 'No one is hurt at once, but what protects people stops doing so.',
  ways: ['separate-neutral-and-ground'],
  openFirst: 'this box, then the last one behind the ground-fault device that does not hold',
  steps: [
    proveDead,
    'Look for a bare ground against a neutral screw and for unused screws left out.',
    'With the neutral lifted at the panel, neutral to ground must read open.',
  ],
  retest: 'A ground-fault device upstream resets and holds; neutral to ground rises under load.',
  references: ['nec-250.142'],
  questions: [],
  cautions: ['contacts', 'box'],
};
