import { isDeepStrictEqual } from 'node:util';
import { parseJobText } from '@fair-plug/core/exchange';
import { keepPart, partOf } from './corpus/corpus.ts';
import { digestOf, lostDecisions, type Outcome, outcomeOf } from './corpus/outcome.ts';

/*
 * `npm run harness`: what is made now of the corpus, held against what was made of it before. With the name of a fault
 * that was mended (`npm run harness -- merged-ids`) what differs is kept from now on, and the fault is named at each;
 * `house=merged-ids` names it for that part alone.
 */

/** Where two values differ, as paths with both values; a difference is not looked into. */
function differences(before: unknown, now: unknown, path = ''): readonly string[] {
  if (isDeepStrictEqual(before, now)) return [];
  const isTree = (value: unknown): value is Record<string, unknown> =>
    typeof value === 'object' && value !== null;
  if (!isTree(before) || !isTree(now) || Array.isArray(before) !== Array.isArray(now))
    return [`${path}: ${JSON.stringify(before)} → ${JSON.stringify(now)}`.slice(0, 400)];
  const keys = [...new Set([...Object.keys(before), ...Object.keys(now)])];
  return keys.flatMap((key) => differences(before[key], now[key], `${path}/${key}`));
}

const named = new Map(
  process.argv.slice(2).map((argument) => {
    const [part = '', fault] = argument.split('=');
    return fault === undefined ? ['', part] : [part, fault];
  }),
);
/** The fault by which what lies on a path may differ: of the innermost part that has one. */
const faultOf = (path: string): string | undefined =>
  (path.split(':')[0] ?? '')
    .split('/')
    .map((part) => named.get(part))
    .findLast((fault) => fault !== undefined);
let differing = 0;

interface Kept {
  readonly changedBy?: readonly string[];
}

/** What is kept from now on: as it was where nothing differs, or where no fault is named. */
function held<K extends Kept>(name: string, kept: K, before: unknown, now: object & Partial<K>): K {
  const found = differences(before, now);
  if (found.length === 0) return kept;
  differing += 1;
  for (const line of found) console.log(`${name} ${line}`);
  const faults = found.map(faultOf);
  if (faults.includes(undefined)) return kept;
  const changedBy = [...new Set([...(kept.changedBy ?? []), ...faults.flatMap((fault) => fault ?? [])])];
  return { ...kept, ...now, changedBy };
}

let contradictions = 0;

/** What contradicts itself is never kept as what is expected. */
function complain(name: string, broken: readonly string[]): void {
  contradictions += broken.length;
  for (const words of broken) console.log(`${name} contradicts itself: ${words}`);
}

const houses = partOf('houses').map((kept) => {
  const { judgement, findings, house, broken } = outcomeOf(kept.entries, kept.kit);
  complain(`house ${kept.seed}`, broken);
  for (const words of lostDecisions(kept.outcome.findings, findings))
    console.log(`house ${kept.seed} decision: ${words}`);
  const now = { outcome: { judgement, findings }, house: digestOf(house) };
  return held(`house ${kept.seed}`, kept, { outcome: kept.outcome, house: kept.house }, now);
});
const jobs = partOf('jobs').map((kept) => {
  const opened = parseJobText(kept.file);
  if (opened.kind === 'problems') throw new Error(`${kept.name} does not open`);
  const { broken, ...outcome } = outcomeOf(opened.value.entries, kept.kit);
  complain(kept.name, broken);
  for (const words of lostDecisions(kept.outcome.findings, outcome.findings))
    console.log(`${kept.name} decision: ${words}`);
  const now: { outcome: Outcome } = { outcome };
  return held(kept.name, kept, { outcome: kept.outcome }, now);
});
if (named.size > 0 && differing > 0) {
  keepPart('houses', houses);
  keepPart('jobs', jobs);
}
console.log(`${houses.length} houses and ${jobs.length} job files, ${differing} with a difference`);
process.exitCode = contradictions === 0 && (differing === 0 || named.size > 0) ? 0 : 1;
