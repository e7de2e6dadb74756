import type { Condition } from './condition.ts';

export const lostSharedNeutral: Condition = {
  id: 'lost-shared-neutral',
  urgency: 'act-now',
  dangerous: true,
  ways: ['repair-shared-neutral', 'splice-and-pigtail', 'utility-neutral'],
  references: ['nec-210.4', 'nec-300.13'],
  questions: [],
  cautions: ['contacts', 'stop', 'load-test', 'box'],
  forbids: [],
};
