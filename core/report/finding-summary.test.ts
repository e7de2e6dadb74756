import { describe, expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { findingsOf, heldOf } from '../findings/index.ts';
import { lampsOf } from '../instruments/index.ts';
import { usualPractice } from '../knowledge/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../log/index.ts';
import { enUs } from '../words/index.ts';
import { findingSummaryOf } from './finding-summary.ts';

const room = idNumber(0x20);
const statements: readonly JobStatement[] = [
  { kind: 'room-described', room, name: 'Den' },
  ...(['hn-hg', 'hn', 'hn-ng'] as const).flatMap((pattern, index): readonly JobStatement[] => {
    const receptacle = idNumber(0x100 + index);
    return [
      { kind: 'receptacle-described', receptacle, room, name: `Den ${index + 1}` },
      { kind: 'lamps-read', receptacle, lamps: lampsOf(pattern) },
    ];
  }),
];

const assessed = (said: readonly JobStatement[]) => assess(foldHouse(asEntries(said)));
const summaryOf = (more: readonly JobStatement[] = []) =>
  findingSummaryOf(assessed([...statements, ...more]), usualPractice, enUs);

describe('what is said of the findings of a house in a list', () => {
  test('how many there are, how many nobody has decided on, and the most pressing', () => {
    expect(summaryOf()).toEqual({ reported: 3, toDecide: 3, urgency: 'repair' });
    const [finding] = findingsOf(assessed(statements), usualPractice, enUs);
    if (finding === undefined || finding.proposal === null) throw new Error('nothing was found');
    const said = { kind: 'finding-decided', finding: finding.key, held: heldOf(finding.proposal) } as const;
    expect(summaryOf([{ ...said, decision: 'accepted' }])).toMatchObject({ reported: 3, toDecide: 2 });
    expect(summaryOf([{ ...said, decision: 'refused', reason: 'seen to be sound' }])).toMatchObject({
      reported: 2,
      toDecide: 2,
    });
  });
});
