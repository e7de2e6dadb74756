import type { Condition } from './condition.ts';

export const reversedPolarity: Condition = {
  id: 'reversed-polarity',
  name: 'Reversed polarity',
  what: 'Hot and neutral are exchanged: the wide slot is live.',
  why: 'Appliances work, but one that is switched off stays live inside, and so does the metal shell of a lampholder that a hand meets when changing the bulb.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician identifies hot by meter and puts the conductors on their own terminals, at this box or at the first one upstream where they are exchanged.',
  cautions: ['contacts', 'box'],
};
