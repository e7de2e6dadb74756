import type { Condition } from './condition.ts';

export const protectionFailed: Condition = {
  id: 'protection-failed',
  name: 'Ground-fault protection failed',
  what: 'The ground-fault device passes current but no longer trips.',
  why: 'Power is there and the protection people rely on is not.',
  urgency: 'act-now',
  dangerous: true,
  correction: 'A licensed electrician replaces the device and tests it and what it protects.',
  cautions: ['contacts', 'ground-fault-test'],
};
