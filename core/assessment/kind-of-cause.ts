import type { Fault } from '../faults/index.ts';

const kindOf = (fault: Fault): string =>
  `${fault.kind}-${'conductors' in fault ? fault.conductors.join('-') : fault.conductor}`;

/** What kind of cause some faults are, whatever its ohms and its place: "open-neutral". */
export const kindOfCause = (faults: readonly Fault[]): string => faults.map(kindOf).sort().join('+');
