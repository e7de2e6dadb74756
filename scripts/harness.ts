import { isDeepStrictEqual } from 'node:util';
import { partOf } from './corpus/corpus.ts';
import { outcomeOf } from './corpus/outcome.ts';

// `npm run harness`: what is made now of two hundred random houses, held against what an earlier build made of them.

/** Where two values differ, as paths with both values; what is inside of a difference is not looked at. */
function differences(before: unknown, now: unknown, path = ''): readonly string[] {
  if (isDeepStrictEqual(before, now)) return [];
  const isTree = (value: unknown): value is Record<string, unknown> =>
    typeof value === 'object' && value !== null;
  if (!isTree(before) || !isTree(now) || Array.isArray(before) !== Array.isArray(now))
    return [`${path}: ${JSON.stringify(before)} → ${JSON.stringify(now)}`];
  const keys = [...new Set([...Object.keys(before), ...Object.keys(now)])];
  return keys.flatMap((key) => differences(before[key], now[key], `${path}/${key}`));
}

let differing = 0;
const houses = partOf('houses');
for (const { seed, entries, kit, outcome } of houses) {
  const { judgement, findings } = outcomeOf(entries, kit);
  const found = differences(outcome, { judgement, findings });
  if (found.length > 0) differing += 1;
  for (const line of found) console.log(`house ${seed} ${line.slice(0, 400)}`);
}
console.log(`${houses.length} houses, ${differing} with a difference`);
process.exitCode = differing === 0 ? 0 : 1;
