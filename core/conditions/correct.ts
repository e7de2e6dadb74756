import type { Condition } from './condition.ts';

export const correct: Condition = {
  id: 'correct',
  name: 'Correct',
  what: 'Each contact is joined to its own conductor.',
  why: 'Nothing needs to be done.',
  urgency: null,
  dangerous: false,
  correction: 'None needed.',
  hazard: 'None found.',
  urgencyReason: '',
  ways: [],
  openFirst: null,
  steps: [],
  retest: '',
  references: [],
  questions: [],
  cautions: [],
};
