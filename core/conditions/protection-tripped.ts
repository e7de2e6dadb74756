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
  cautions: ['dark-is-not-dead', 'ground-fault-test'],
};
