import { expect, test } from 'vitest';
import { asEntries } from '../arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../index.ts';

const planned = (load: 'range' | 'dryer', isPlanned: boolean, agreedBy?: string): JobStatement => ({
  kind: 'load-planned',
  load,
  planned: isPlanned,
  ...(agreedBy === undefined ? {} : { agreedBy }),
});
const planOf = (...statements: readonly JobStatement[]) => foldHouse(asEntries(statements)).parts?.loadPlan;

test('what is said of one load leaves the others planned, and the last word on each counts', () => {
  const both = [planned('dryer', true, 'A. Owner'), planned('range', true)];
  expect(planOf(...both)).toEqual([{ load: 'range' }, { load: 'dryer', agreedBy: 'A. Owner' }]);
  expect(planOf(...both, planned('dryer', true))).toEqual([{ load: 'range' }, { load: 'dryer' }]);
  expect(planOf(...both, planned('range', false))).toEqual([{ load: 'dryer', agreedBy: 'A. Owner' }]);
});
