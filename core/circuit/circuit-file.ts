import { type Circuit, circuitShape } from './circuit-shape.ts';
import { type Parsed, parseBy } from './problem.ts';
import { topologyProblems } from './topology-problems.ts';

export * from './circuit-shape.ts';

/** A circuit file with everything it leaves out filled in, or all that is wrong with it. */
export function parseCircuit(input: unknown): Parsed<Circuit> {
  const parsed = parseBy(circuitShape, input);
  if (parsed.kind === 'problems') return parsed;
  const [first, ...others] = topologyProblems(parsed.value);
  return first === undefined ? parsed : { kind: 'problems', problems: [first, ...others] };
}
