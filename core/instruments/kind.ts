import type { Network, Operation, Solver } from '../physics/index.ts';
import { type Contact, contacts, type Pair, pairs, type Span } from './contacts.ts';
import { type ChannelKind, type Value, volts } from './value.ts';

/** Where an instrument is connected, and what of it is read: one value of the reading for each span, by its name. */
export interface Reads {
  readonly fields: Readonly<Record<string, Span>>;
  // biome-ignore lint/suspicious/noExplicitAny: each instrument has values of its own.
  readonly value: Value<any>;
  /** Siemens that it puts across each of them, all at once or one after another. */
  readonly siemens: (setting: number, nominalVolts: number) => number;
  readonly together?: boolean;
  /** Siemens between hot and neutral while it reads. */
  readonly load?: (setting: number, nominalVolts: number) => number;
  /** What a volt across a span counts for; one where left out. */
  readonly perVolt?: (setting: number, nominalVolts: number) => number;
}

/** An instrument in use at an outlet. */
export interface InUse {
  readonly network: Network;
  readonly operation: Operation;
  readonly outlet: number;
  /** The solver with the operation solved, for which nobody asks in vain. */
  readonly solved: () => Solver;
  /** What it draws through the first of its spans, in amperes. */
  readonly drawn: () => readonly [re: number, im: number];
  /** Scratch, a number a node. */
  readonly nodesRe: Float64Array;
  readonly nodesIm: Float64Array;
}

/** Numbers by their index, a list or an array of floats. */
export interface WritableNumbers {
  [index: number]: number;
}

/** What an instrument makes the devices of the circuit do, which no outlet alone tells. */
export interface Watches {
  readonly channel: ChannelKind;
  /** What is observed, channel by channel; `devices` are the ids of the circuit's. */
  readonly observed: (reading: object, devices: readonly string[]) => readonly number[];
  /** What is predicted, from channel `first` on. */
  readonly predict: (used: InUse, into: WritableNumbers, first: number) => void;
  /** The values of a reading, out of its channels. */
  readonly shown: (channel: (index: number) => number, devices: readonly string[]) => object;
  /** What a reading says beyond its channels. */
  readonly besides?: (used: InUse) => object;
}

/**
 * Everything about an instrument beside the schema of its readings and its words. A reading's values are numbers in
 * channels: first those that are read at the contacts, then those that devices answer.
 */
export interface Instrument {
  /** Seconds of the inspector's time, and with them what it asks of the occupants (common practice). */
  readonly seconds: number;
  /** A number that may be said with it, and what it is where it is not said. */
  readonly setting?: { readonly name: string; readonly usual: number };
  readonly reads?: Reads;
  readonly watches?: Watches;
  /** What must be there: copper all the way from the panel; a ground-fault device; one at this very outlet. */
  readonly needs?: 'copper' | 'device' | 'own-device';
  /** What of it is asked for where it is advised; all where left out. */
  readonly advised?: readonly Pair[];
  /** Used only where the lamps read correct. */
  readonly onlyWhereCorrect?: true;
  /** Worth using again with everything on the circuit off: always, or where the circuit is known. */
  readonly withLoadsOff?: 'always' | 'on-a-circuit';
  /** It reads what is only induced, too. */
  readonly seesInduced?: true;
  /** A part of another one, with which it is proved. */
  readonly partOf?: 'lamps';
}

const fieldsOf = <F extends Span>(names: readonly F[]): Readonly<Record<F, F>> =>
  Object.fromEntries(names.map((name) => [name, name])) as Record<F, F>;
export const pairFields: Readonly<Record<Pair, Pair>> = fieldsOf(pairs);
export const contactFields: Readonly<Record<Contact, Contact>> = fieldsOf(contacts);

/** Volts between one after the other of the contacts' pairs. */
export const metersPairs = (siemens: number): Reads => ({
  fields: pairFields,
  value: volts,
  siemens: () => siemens,
});

/** What a meter of high impedance takes. */
export const meterSiemens = 1 / 10e6;
