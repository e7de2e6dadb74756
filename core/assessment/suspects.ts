import type { Fault } from '../faults/index.ts';

/** Something that may be wrong at one site, over all that may explain what was read. */
export interface Suspect {
  /** Names it on its circuit, whatever its ohms. */
  readonly id: string;
  /** As the most probable explanation with it has it. */
  readonly fault: Fault;
  /** How probable it is, whatever stands beside it. */
  readonly probability: number;
  /** What is not correct under that explanation. */
  readonly receptacles: readonly string[];
}

/** What one explanation or another puts at a site; the same whatever its ohms. */
export const suspectId = (fault: Fault): string =>
  [
    fault.kind,
    ...('conductor' in fault ? [fault.conductor] : fault.conductors.toSorted()),
    'cable' in fault && fault.cable !== undefined ? fault.cable : `@${fault.at ?? ''}`,
  ].join(' ');

/** What suspects are gathered from. */
export interface Suspecting {
  readonly faults: readonly Fault[];
  readonly receptacles: readonly string[];
  readonly probability: number;
}

/** Less probable ones are not worth a place. */
const worthAPlace = 0.01;

/** Every fault that the engine believes in, with how much; the most probable first. */
export function suspectsOf(explanations: readonly Suspecting[]): readonly Suspect[] {
  const found = new Map<string, Suspect>();
  for (const { faults, probability, receptacles } of explanations)
    for (const fault of faults) {
      const id = suspectId(fault);
      const before = found.get(id);
      if (before === undefined) found.set(id, { id, fault, probability, receptacles });
      else found.set(id, { ...before, probability: before.probability + probability });
    }
  return [...found.values()]
    .filter(({ probability }) => probability >= worthAPlace)
    .sort((a, b) => b.probability - a.probability);
}

/** How probable some faults together are, whatever stands beside them. */
export function probabilityOf(
  faults: readonly Fault[],
  explanations: readonly Pick<Suspecting, 'faults' | 'probability'>[],
): number {
  const ids = faults.map(suspectId);
  let sum = 0;
  for (const one of explanations) {
    const here = new Set(one.faults.map(suspectId));
    if (ids.every((id) => here.has(id))) sum += one.probability;
  }
  return Math.min(1, sum);
}
