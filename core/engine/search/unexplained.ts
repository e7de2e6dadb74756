import type { Evaluator } from '../evidence/evaluator.ts';
import type { ReadingEvidence } from '../evidence/evidence.ts';
import type { DiagnosisProblem } from '../evidence/problem.ts';
import type { Scales } from '../model/scales.ts';
import type { Fitted } from './fitting.ts';

/** A reading that falls so many nats short of what scatter explains asks for another cause, or is wrong. */
const misfitNats = 7;
/** No slip explains one that falls so many nats short, and no other receptacle shows it: two causes are likelier. */
const hardlyWrongNats = 16;
/** So many readings hold something plainly wrong (common practice: one value in a hundred, about three a reading). */
const wrongReadingShare = 0.03;

function* readingsOf({ evidence }: DiagnosisProblem): Generator<ReadingEvidence> {
  for (const { repaired, trippedBefore, outlets } of evidence.states) {
    if (repaired) continue;
    if (trippedBefore !== null) yield trippedBefore;
    for (const { readings } of outlets) yield* readings;
  }
}

/** By outlet, how many nats what was predicted last falls short of each reading, beyond what scatter explains. */
function excesses(
  problem: DiagnosisProblem,
  { weighing }: Evaluator,
  scales: Scales,
): ReadonlyMap<number, readonly number[]> {
  const at = new Map<number, number[]>();
  for (const reading of readingsOf(problem)) {
    const excess = weighing.excessOf(reading, scales);
    const here = at.get(reading.outlet);
    if (here === undefined) at.set(reading.outlet, [excess]);
    else here.push(excess);
  }
  return at;
}

/**
 * True where what is supposed leaves more unexplained, somewhere or in all, than chance would. A reading that nothing
 * else read at its receptacle bears out is held to be wrong, as long as there are no more such than expected, and it may
 * be so by mistake.
 */
export function leavesUnexplained(
  problem: DiagnosisProblem,
  evaluator: Evaluator,
  { supposed, scales }: Fitted,
): boolean {
  evaluator.predict(supposed, false);
  const byOutlet = excesses(problem, evaluator, scales);
  let readings = 0;
  let sum = 0;
  let alone = 0;
  for (const here of byOutlet.values()) {
    readings += here.length;
    const most = Math.max(...here);
    const rest = here.reduce((total, excess) => total + excess, -most);
    const isAlone = most > misfitNats && most < hardlyWrongNats && here.length > 1;
    if (isAlone) alone += 1;
    else if (most > misfitNats) return true;
    const left = isAlone ? rest : rest + most;
    if (left > 1.4 * misfitNats) return true;
    sum += left;
  }
  const expectedWrong = wrongReadingShare * readings;
  if (alone > expectedWrong + 2 * Math.sqrt(expectedWrong)) return true;
  const volts = problem.evidence.kinds.filter((kind) => kind === 'volts').length;
  return sum > misfitNats + 3 * Math.sqrt(volts / 2);
}
