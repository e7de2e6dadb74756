import { describe, expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { proposedIn, vanishedSince } from '../findings/index.ts';
import { type LampPattern, lampsOf } from '../instruments/index.ts';
import { usualPractice } from '../knowledge/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../log/index.ts';
import { enUs, findingsOf } from './index.ts';

const room = idNumber(0x20);
const den = idNumber(0x30);
const described: readonly JobStatement[] = [
  { kind: 'room-described', room, name: 'Den' },
  { kind: 'receptacle-described', receptacle: den, room, name: 'Den 1' },
];
const reads = (pattern: LampPattern): JobStatement => ({
  kind: 'reading-taken',
  receptacle: den,
  shown: { instrument: 'lamps', ...lampsOf(pattern) },
});

const found = (...statements: readonly JobStatement[]) => {
  const assessment = assess(foldHouse(asEntries([...described, ...statements])));
  return { assessment, findings: findingsOf(assessment, usualPractice) };
};

describe('a finding that nobody decided on and that is proposed no more', () => {
  const before = (() => {
    const { findings, assessment } = found(reads('hn'));
    return proposedIn(findings, assessment).filter(({ key }) => key.startsWith('reads:'));
  })();
  const after = (...statements: readonly JobStatement[]) => {
    const { findings, assessment } = found(...statements);
    return vanishedSince(before, findings, assessment).map((one) => `${one.headline}: ${enUs.vanished(one)}`);
  };

  test('says that it was read again, and what it reads now', () => {
    expect(after(reads('hn'), reads('hn-hg'))).toEqual([
      'Reads open ground: Den 1 was read again: reads correct.',
    ]);
  });

  test('says that its reading was taken back', () => {
    expect(after()).toEqual(['Reads open ground: A reading of Den 1 was taken back.']);
  });

  test('says that what else is known makes it something else', () => {
    expect(after({ kind: 'job-described', groundedWiring: false }, reads('hn'))).toEqual([
      'Reads open ground: By what else is known of the house, Den 1 stands under “Three-slot receptacles on wiring without a ground” now.',
    ]);
  });

  test('says nothing where a finding of another key says the same of the same places, as once a breaker is set', () => {
    const { findings, assessment } = found(reads('hn'));
    const byKey = before.map((one) => ({ ...one, key: 'cause:7:open ground' }));
    expect(vanishedSince(byKey, findings, assessment)).toEqual([]);
  });

  test('says nothing while it is proposed, or once somebody decided on it', () => {
    expect(after(reads('hn'))).toEqual([]);
  });
});
