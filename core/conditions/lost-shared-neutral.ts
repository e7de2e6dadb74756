import { type Condition, proveDead } from './condition.ts';

export const lostSharedNeutral: Condition = {
  id: 'lost-shared-neutral',
  name: 'Lost shared neutral',
  what: 'Two legs have lost the neutral they share, or stand across one receptacle.',
  why: 'Up to twice the normal voltage reaches what is plugged in: equipment burns out and can catch fire.',
  urgency: 'act-now',
  dangerous: true,
  correction:
    'Leave the circuit switched off at the breaker; a licensed electrician restores the neutral, or the utility does where the whole house is affected.',
  hazard: 'Fire and burned-out equipment: what is on the lightly loaded leg gets up to twice its voltage.',
  urgencyReason: 'Damage is a matter of what is switched on next.',
  ways: ['repair-shared-neutral', 'splice-and-pigtail', 'utility-neutral'],
  openFirst:
    'the box where both legs part, then each splice of the neutral back to the panel; both breakers off',
  steps: [
    'Both breakers off and kept off; equipment on both legs unplugged.',
    proveDead,
    'Find the open neutral where the two legs still run together; a device that carries it through its terminals is the first place to look.',
    'If other circuits show high and low volts too, the service neutral is to blame: that is the utility’s.',
  ],
  retest: 'Volts hot to neutral on both legs, unloaded and with a load on one of them.',
  references: ['nec-300.13'],
  questions: [],
  cautions: ['contacts', 'stop', 'load-test', 'box'],
};
