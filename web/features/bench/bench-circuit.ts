import { type Circuit, type Protection, parseCircuit, runOf } from '@fair-plug/core/circuit';
import type { Fault } from '@fair-plug/core/faults';
import { problemInWords } from '@fair-plug/core/words';

/** The bench draws runs of one to six receptacles. */
export const longestRun = 6;

const nameOf = (position: number): string => `den-${position + 1}`;

/** A sound run of receptacles. */
export const newRun = (outlets: number): Circuit =>
  runOf(
    Array.from({ length: outlets }, (_, position) => nameOf(position)),
    { meters: { first: 14, next: 4 } },
  );

/** True where the circuit is one run from the panel that the bench can draw. */
export function isRun({ outlets, cables }: Circuit): boolean {
  return (
    outlets.length <= longestRun &&
    cables.length === outlets.length &&
    cables.every((cable, position) => {
      const before = position === 0 ? 'panel' : outlets[position - 1]?.id;
      return cable.from === before && cable.to === outlets[position]?.id;
    })
  );
}

/** The run one receptacle longer; unchanged where it is as long as it can be. */
export function longer(circuit: Circuit): Circuit {
  const position = circuit.outlets.length;
  if (position >= longestRun) return circuit;
  const fresh = newRun(position + 1);
  const outlet = fresh.outlets[position];
  const cable = fresh.cables[position];
  if (outlet === undefined || cable === undefined) return circuit;
  const taken = new Set([...circuit.outlets, ...circuit.cables].map(({ id }) => id));
  const free = (id: string): string => (taken.has(id) ? free(`${id}x`) : id);
  const id = free(outlet.id);
  const from = circuit.outlets.at(-1)?.id ?? 'panel';
  return {
    ...circuit,
    outlets: [...circuit.outlets, { ...outlet, id }],
    cables: [...circuit.cables, { ...cable, id: free(cable.id), from, to: id }],
  };
}

/** The run without its last receptacle and all that was at it. */
export function shorter(circuit: Circuit): Circuit {
  const outlet = circuit.outlets.at(-1)?.id;
  const cable = circuit.cables.at(-1)?.id;
  if (circuit.outlets.length < 2) return circuit;
  return {
    ...circuit,
    outlets: circuit.outlets.slice(0, -1),
    cables: circuit.cables.slice(0, -1),
    protection: circuit.protection.filter(({ at }) => at !== outlet),
    loads: circuit.loads.filter(({ at }) => at !== outlet),
    tests: circuit.tests.filter(({ at }) => at !== outlet),
    faults: circuit.faults.filter(
      (fault) => fault.at !== outlet && (!('cable' in fault) || fault.cable !== cable),
    ),
  };
}

const isSame = (one: Fault, other: Fault): boolean => {
  const key = (fault: Fault) => [
    fault.kind,
    fault.at ?? '',
    'cable' in fault ? (fault.cable ?? '') : '',
    'conductor' in fault ? fault.conductor : fault.conductors.toSorted().join('+'),
    'side' in fault ? fault.side : 'load',
  ];
  return key(one).join(' ') === key(other).join(' ');
};

/** True where the circuit has a fault of this kind, place and conductors; ohms do not matter. */
export const hasFault = ({ faults }: Circuit, fault: Fault): boolean =>
  faults.some((one) => isSame(one, fault));

/** Puts the fault in, or takes it out where it is in. */
export function toggleFault(circuit: Circuit, fault: Fault): Circuit {
  const others = circuit.faults.filter((one) => !isSame(one, fault));
  return { ...circuit, faults: others.length === circuit.faults.length ? [...others, fault] : others };
}

/** Switches a load of so many watts on at an outlet; 0 takes it away. */
export function withLoad(circuit: Circuit, at: string, watts: number): Circuit {
  const others = circuit.loads.filter((load) => load.at !== at);
  return { ...circuit, loads: watts > 0 ? [...others, { at, watts, on: true }] : others };
}

/** Puts a device at an outlet; null takes it away. */
export function withDevice(circuit: Circuit, at: string, device: Omit<Protection, 'at'> | null): Circuit {
  const others = circuit.protection.filter((one) => one.at !== at);
  return { ...circuit, protection: device === null ? others : [...others, { at, ...device }] };
}

/** Runs a ground wire in every cable, or in none. */
export const withGrounds = (circuit: Circuit, ground: boolean): Circuit => ({
  ...circuit,
  cables: circuit.cables.map((cable) => ({ ...cable, ground })),
});

export type Opened =
  | { readonly kind: 'opened'; readonly circuit: Circuit }
  | { readonly kind: 'refused'; readonly reason: string };

/** A circuit file's text as a circuit for the bench, or why it cannot be drawn. */
export function openFile(text: string): Opened {
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch {
    return { kind: 'refused', reason: 'The file is not JSON.' };
  }
  const parsed = parseCircuit(input);
  if (parsed.kind === 'problems') return { kind: 'refused', reason: problemInWords(parsed.problems[0]) };
  if (!isRun(parsed.value))
    return {
      kind: 'refused',
      reason: `The bench draws one run of up to ${longestRun} receptacles; this is another shape.`,
    };
  return { kind: 'opened', circuit: parsed.value };
}
