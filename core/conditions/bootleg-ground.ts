import { type Condition, proveDead } from './condition.ts';

export const bootlegGround: Condition = {
  id: 'bootleg-ground',
  name: 'Bootleg ground',
  what: 'The ground contact is jumpered to the neutral in the box instead of being grounded.',
  why: 'It passes the lamps, and the day the neutral opens upstream every metal case plugged in becomes live.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician removes the jumper and gives the receptacle a real ground or one of the accepted ways without one.',
  hazard: 'Electric shock from metal cases on the day a neutral comes loose.',
  urgencyReason:
    'Safe only as long as one neutral holds; then everything metal plugged in goes live at once.',
  ways: [
    'remove-jumper',
    'run-ground',
    'new-cable',
    'protection-without-ground',
    'two-slot',
    'jumper-to-neutral',
  ],
  openFirst: 'this box: the jumper is at the terminals of the receptacle',
  steps: [
    proveDead,
    'Take the jumper out and leave the ground terminal free until a ground is there.',
    'Look at the other receptacles of the same age: who made one made more.',
    'Existing three-wire range and dryer circuits are another matter and are left alone.',
  ],
  retest:
    'The receptacle reads open ground, or grounded with a rise from neutral to ground under load; the tester’s button trips the device upstream only where a ground was run.',
  references: ['nec-250.142', 'nec-250.140', 'nec-406.4-d2'],
  questions: [],
  cautions: ['contacts', 'box'],
};
