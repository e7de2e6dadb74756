import type { TestKind } from '@fair-plug/core/conditions';

export const testWords: Readonly<Record<TestKind, string>> = {
  probe: 'probe the contacts',
  meter: 'measure the pairs',
  'lamps-loads-off': 'loads off, read again',
  'prove-tester': 'prove the tester',
};

export const TestWords = ({ test }: { readonly test: TestKind }) => testWords[test];
