import { type Proposal, seenOnly } from '../finding.ts';
import type { JudgedHouse } from './rule.ts';

export function lostService({ assessment }: JudgedHouse): readonly Proposal[] {
  const lost = assessment.serviceNeutral;
  if (lost === null) return [];
  return [
    {
      ...seenOnly,
      key: 'house-service-neutral',
      openFirst: null,
      retest: 'Volts on both legs, at receptacles of several circuits.',
      urgency: 'act-now',
      headline: 'The service neutral is lost or loose',
      what: `Hot to neutral is high on one leg (${lost.highVolts.toFixed(0)} V) and low on the other (${lost.lowVolts.toFixed(0)} V) in the whole house, while neutral to ground stays near nothing.`,
      why: 'It burns out equipment and can start fires; which appliance goes first is a matter of what is switched on next.',
      correction:
        'Call the utility’s emergency number now; switch off and unplug what can be. A licensed electrician looks afterwards.',
      by: 'utility',
      condition: 'lost-shared-neutral',
      receptacles: [],
      evidence: [
        {
          receptacle: null,
          words: `${lost.highVolts.toFixed(0)} V on one leg, ${lost.lowVolts.toFixed(0)} V on the other`,
          at: null,
        },
      ],
    },
  ];
}
