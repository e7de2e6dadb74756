import type { Condition } from './condition.ts';

export const openNeutral: Condition = {
  id: 'open-neutral',
  urgency: 'repair',
  dangerous: true,
  ways: ['remake-connection', 'splice-and-pigtail'],
  references: ['nec-300.13', 'nec-110.14'],
  questions: [],
  cautions: ['contacts', 'dark-is-not-dead', 'box'],
  forbids: ['gfci-button'],
};
