import { receptaclesOf } from '../../inspection/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { type JudgedHouse, places } from './rule.ts';

/** A share of all receptacles that, left untested, is worth a finding of its own. */
const muchLeft = 0.1;

export function notCovered({ house, assessment }: JudgedHouse): readonly Proposal[] {
  const { coverage } = assessment;
  const untested = coverage.expected - coverage.tested;
  if (coverage.tested === 0 || untested < muchLeft * coverage.expected) return [];
  const there = receptaclesOf(house).filter(({ name }) =>
    coverage.notReached.some((one) => one.name === name),
  );
  return [
    {
      ...seenOnly,
      key: 'house-coverage',
      urgency: 'note',
      headline: `${untested} of ${coverage.expected} ${coverage.expected === 1 ? 'receptacle was' : 'receptacles were'} not tested`,
      what: 'Each is named in the report with its reason where one was given.',
      why: 'Nothing is known of them: not tested is not the same as sound.',
      correction: 'They are tested once furniture is moved or rooms are free, before anybody relies on them.',
      by: 'owner',
      receptacles: places(there),
    },
  ];
}
