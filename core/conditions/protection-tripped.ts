import type { Condition } from './condition.ts';

export const protectionTripped: Condition = {
  id: 'protection-tripped',
  name: 'Ground-fault device tripped',
  what: 'A ground-fault device upstream has cut the power.',
  why: 'It may have done its work: find out why before relying on the circuit again.',
  urgency: 'note',
  dangerous: false,
  correction:
    'Reset the device with the occupant’s leave and read again; one that does not reset or trips again is work for a licensed electrician.',
  hazard: 'None by itself; what it tripped for may still be there.',
  urgencyReason: 'It did its work, or somebody tested it and forgot: that must be known.',
  ways: ['reset-device', 'replace-protection', 'separate-neutral-and-ground'],
  openFirst: 'no box: the device first, then what it protects',
  steps: [
    'Reset it; if it will not: power at the line side? line and load exchanged? neutral and ground touching behind it?',
    'Behind it, disconnect the load side: if it then holds, the fault is downstream.',
  ],
  retest: 'It resets, trips by its own button, and everything behind it goes dead and comes back.',
  references: ['ul-943'],
  questions: [],
  cautions: ['dark-is-not-dead', 'ground-fault-test'],
};
