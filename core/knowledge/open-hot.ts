import type { Condition } from './condition.ts';

export const openHot: Condition = {
  id: 'open-hot',
  urgency: 'repair',
  dangerous: false,
  ways: ['restore-power', 'remake-connection', 'reset-device'],
  references: ['nec-110.14'],
  questions: [],
  cautions: ['contacts', 'dark-is-not-dead', 'box'],
  forbids: [],
};
