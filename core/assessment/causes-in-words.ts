import type { Fault } from '../circuit/index.ts';

const listed = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** Three digits at most: "1.2 Ω", "340 Ω". */
const inOhms = (ohms: number): string => `${Number(ohms.toPrecision(ohms < 10 ? 2 : 3))} Ω`;

function faultInWords(fault: Fault): string {
  switch (fault.kind) {
    case 'open':
      return `open ${fault.conductor}`;
    case 'swap':
      return `${listed(fault.conductors)} exchanged`;
    case 'bond':
      return `a jumper from ${fault.conductors[0]} to ${fault.conductors[1]}`;
    case 'resistance':
      return `a poor connection in the ${fault.conductor}, about ${inOhms(fault.ohms)}`;
  }
}

/** "open ground", "open ground": "open ground in 2 places". */
function eachOnce(words: readonly string[]): readonly string[] {
  const times = new Map<string, number>();
  for (const one of words) times.set(one, (times.get(one) ?? 0) + 1);
  return [...times].map(([one, count]) => (count === 1 ? one : `${one} in ${count} places`));
}

/** The faults of one cause in a few words: "open ground and a jumper from neutral to ground". */
export const causeInWords = (faults: readonly Fault[]): string =>
  faults.length === 0 ? 'nothing wrong' : listed(eachOnce(faults.map(faultInWords)));

const kindOf = (fault: Fault): string =>
  `${fault.kind}-${'conductors' in fault ? fault.conductors.join('-') : fault.conductor}`;

/** What kind of cause some faults are, whatever its ohms and its place: "open-neutral". */
export const kindOfCause = (faults: readonly Fault[]): string => faults.map(kindOf).sort().join('+');
