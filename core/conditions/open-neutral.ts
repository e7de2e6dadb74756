import type { Condition } from './condition.ts';

export const openNeutral: Condition = {
  id: 'open-neutral',
  name: 'Open neutral',
  what: 'The neutral is broken here or upstream; hot still arrives.',
  why: 'It looks dead and is not: whatever is switched on brings line voltage to the wide slot.',
  urgency: 'repair',
  dangerous: true,
  correction:
    'A licensed electrician finds the broken neutral, first in this box and the next one toward the panel, and joins it again; at once if the circuit shares its neutral with another.',
  cautions: ['contacts', 'dark-is-not-dead', 'box'],
};
