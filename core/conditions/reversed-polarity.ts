import { type Condition, proveDead } from './condition.ts';

export const reversedPolarity: Condition = {
  id: 'reversed-polarity',
  name: 'Reversed polarity',
  what: 'Hot and neutral are exchanged: the wide slot is live.',
  why: 'Appliances work, but one that is switched off stays live inside, and so does the metal shell of a lampholder that a hand meets when changing the bulb.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician identifies hot by meter and puts the conductors on their own terminals, at this box or at the first one upstream where they are exchanged.',
  hazard: 'Electric shock from what is switched off: the shell of a lampholder, the inside of a toaster.',
  urgencyReason:
    'It hurts only together with another mistake, but that mistake – a hand on a lampholder’s shell – is an everyday one.',
  ways: ['own-terminals', 'first-exchange'],
  openFirst:
    'this box where it stands alone; where all beyond one point show it, the first of them and the splice before it',
  steps: [
    proveDead,
    'In old wiring gone all one grey: separate and cap every conductor, power on, find hot by meter against a proven ground, power off, prove dead again, mark, connect.',
    'Never by colour alone, never by guess: somebody guessed before.',
    'Where only some receptacles of a circuit show it, each is exchanged at its own terminals.',
  ],
  retest:
    'Lamps and probe here and at the neighbours; the shell of a lampholder plugged in reads about 0 V to ground.',
  references: ['nec-200.10', 'nec-200.11'],
  questions: [],
  cautions: ['contacts', 'box'],
};
