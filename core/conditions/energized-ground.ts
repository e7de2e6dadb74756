import { type Condition, proveDead } from './condition.ts';

export const energizedGround: Condition = {
  id: 'energized-ground',
  name: 'Energized ground',
  what: 'Line voltage stands on the ground contact.',
  why: 'The metal case of anything with a three-prong plug is live to the touch.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Take the receptacle out of use at once; a licensed electrician finds how the ground became live and restores a sound ground.',
  hazard:
    'Electric shock from plates, screws and every metal case with a three-prong plug, with nothing in a person’s hand that warns them.',
  urgencyReason: 'A hand on the case and a foot on a wet floor are enough; nothing switches it off.',
  ways: ['free-the-ground', 'restore-ground', 'run-ground', 'protection-without-ground'],
  openFirst: 'this box, then the one next to it toward the panel',
  steps: [
    proveDead,
    'Look for hot on a ground terminal, a nicked hot against the yoke or box, and a jumper.',
    'Follow the ground toward the panel: a live ground is also an open one, or the breaker would have tripped.',
    'Look at what else shares that ground: metal boxes, raceway, pipes.',
  ],
  retest: 'This receptacle and its neighbours: probe and meter to a proven ground at each contact, power on.',
  references: ['nec-250.148'],
  questions: [],
  cautions: ['contacts', 'stop', 'box', 'load-test'],
};
