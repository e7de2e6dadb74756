import { existsSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { root } from './setup/settings.mjs';
import { halves, unitResults } from './unit.mjs';

const e2eResults = join(root, 'test-results/e2e.json');

const read = (file) => JSON.parse(readFileSync(file, 'utf8'));

const firstLine = (text) => text.split('\n', 1)[0].slice(0, 300);

function failedOfVitest({ name, message, assertionResults }) {
  const file = relative(root, name);
  const failed = assertionResults.filter(({ status }) => status === 'failed');
  // Such as one that could not be loaded.
  if (failed.length === 0 && message !== '') return [`${file}: ${firstLine(message)}`];
  return failed.map(({ fullName, failureMessages }) => {
    const [why = ''] = failureMessages;
    return `${file}: ${fullName}\n    ${firstLine(why)}`;
  });
}

/** Suites hold suites. */
const failedOfPlaywright = (suite) => [
  ...suite.specs.filter(({ ok }) => !ok).map(({ file, title }) => `${file}: ${title}`),
  ...(suite.suites ?? []).flatMap(failedOfPlaywright),
];

/** The tests that failed, by name: whoever sees no more than the end of what was printed learns which. */
export const failedTests = () => [
  ...halves
    .map(unitResults)
    .filter(existsSync)
    .flatMap((file) => read(file).testResults.flatMap(failedOfVitest)),
  ...(existsSync(e2eResults) ? read(e2eResults).suites.flatMap(failedOfPlaywright) : []),
];

/** Tests counted from the reports of both runners; a runner without a report has failed as a whole. */
export function count() {
  const sum = { passed: 0, failed: 0, skipped: 0 };
  const add = (passed, failed, skipped) => {
    sum.passed += passed;
    sum.failed += failed;
    sum.skipped += skipped;
  };
  for (const file of halves.map(unitResults))
    if (existsSync(file)) {
      const results = read(file);
      add(results.numPassedTests, results.numFailedTests, results.numPendingTests + results.numTodoTests);
    } else add(0, 1, 0);
  if (existsSync(e2eResults)) {
    const { stats, errors } = read(e2eResults);
    add(stats.expected + stats.flaky, stats.unexpected + errors.length, stats.skipped);
  } else add(0, 1, 0);
  return sum;
}
