import { type Condition, proveDead } from './condition.ts';

export const reversedBootlegGround: Condition = {
  id: 'reversed-bootleg-ground',
  name: 'Reversed bootleg ground',
  what: 'Hot and neutral are exchanged and the ground contact is jumpered to the neutral one: wide slot and ground are both live.',
  why: 'Lamps and meter call it correct while the case of anything with a three-prong plug is live to the touch.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Take the receptacle out of use at once; a licensed electrician removes the jumper, corrects the polarity and gives the receptacle a real ground or an accepted substitute.',
  hazard:
    'Electric shock from every metal case plugged in, while tester and meter between the contacts show nothing unusual.',
  urgencyReason: 'It looks right and is live: nobody has a reason to be careful.',
  ways: ['remove-jumper', 'own-terminals', 'run-ground', 'protection-without-ground', 'two-slot'],
  openFirst: 'this box, then the first box upstream that also has its ground live',
  steps: [
    proveDead,
    'Take out the jumper; find hot by meter against a proven ground before any conductor goes to a terminal.',
    'Look whether the exchange came from upstream: then every box beyond it needs the same look.',
    'Deal with the missing ground; without one the receptacle reads open ground once the jumper is out.',
  ],
  retest:
    'Each contact to a proven ground, then the lamps; neighbours too, for one fault may have hidden another.',
  references: ['nec-250.142', 'nec-200.11', 'nec-406.4-d2'],
  questions: [],
  cautions: ['contacts', 'stop', 'box', 'load-test'],
};
