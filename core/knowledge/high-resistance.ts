import type { Condition } from './condition.ts';

export const highResistance: Condition = {
  id: 'high-resistance',
  urgency: 'repair',
  dangerous: true,
  ways: ['remake-connection', 'splice-and-pigtail', 'replace-receptacle', 'shorter-or-fatter'],
  references: ['nec-110.14', 'nec-210.19'],
  questions: ['neutral-to-ground'],
  cautions: ['contacts', 'load-test', 'box'],
  forbids: [],
};
