import { type Condition, proveDead } from './condition.ts';

export const protectionFailed: Condition = {
  id: 'protection-failed',
  name: 'Ground-fault protection failed',
  what: 'The ground-fault device passes current but no longer trips.',
  why: 'Power is there and the protection people rely on is not.',
  urgency: 'act-now',
  dangerous: true,
  correction: 'A licensed electrician replaces the device and tests it and what it protects.',
  hazard: 'People rely on a device that no longer cuts the power.',
  urgencyReason: 'It fails silently: power is there, the protection is not.',
  ways: ['replace-protection'],
  openFirst: 'the device’s own box',
  steps: [
    proveDead,
    'Line and load on their own terminals; the old ones may have been exchanged.',
    'Replace it; the replacement may have to meet more than the old one did.',
  ],
  retest: 'Its own button cuts the power at it and at all that it protects; reset brings it back.',
  references: ['ul-943', 'nec-210.8', 'nec-406.4-d3'],
  questions: [],
  cautions: ['contacts', 'ground-fault-test'],
};
