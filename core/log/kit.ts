import type { InstrumentId } from '../instruments/index.ts';
import type { TesterLayout } from '../instruments/tester-layout.ts';
import type { FirmSettings } from './firm.ts';

/** The latest time that an instrument was tried on a receptacle known to be good. */
export interface LastProof {
  readonly at: string;
  readonly passed: boolean;
}

export interface TesterDescription {
  readonly id: string;
  readonly name: string;
  readonly layout: TesterLayout;
  /** As printed on it: category and volts. */
  readonly rating: string | null;
}

export interface Tester extends TesterDescription {
  readonly lastProof: LastProof | null;
}

/** Rooms to begin a house with. */
export interface RoomTemplate {
  readonly id: string;
  readonly name: string;
  readonly rooms: readonly { readonly name: string; readonly expected: number | null }[];
}

/** What was said of a kit, by what it was said of. */
export interface KitState {
  /** The latest described last. */
  readonly testers: ReadonlyMap<string, TesterDescription>;
  readonly templates: ReadonlyMap<string, RoomTemplate>;
  /** Of plug-in testers, by tester. */
  readonly proofs: ReadonlyMap<string, LastProof>;
  /** Of the instruments that are no plug-in lamps. */
  readonly lastProofs: ReadonlyMap<InstrumentId, LastProof>;
  readonly firm: FirmSettings;
}

export interface Kit {
  /** The latest described last. */
  readonly testers: readonly Tester[];
  /** In the order of their names. */
  readonly templates: readonly RoomTemplate[];
  /** Of the instruments that are no plug-in lamps. */
  readonly lastProofs: ReadonlyMap<InstrumentId, LastProof>;
  /** How the firm decides, words and signs its reports. */
  readonly firm: FirmSettings;
}

/** The highest voltage that a rating names, V: "CAT III, 300 V", "125 V"; null where it names none. */
export function ratedVolts(rating: string | null): number | null {
  const named = [...(rating ?? '').matchAll(/(\d+)\s*V\b/gi)].map(([, volts]) => Number(volts));
  return named.length === 0 ? null : Math.max(...named);
}

/** Whether a tester may be plugged in at all: one that is rated for less than the supply may not. */
export function isRatedFor(rating: string | null, nominalVolts: number): boolean {
  const volts = ratedVolts(rating);
  return volts === null || volts >= nominalVolts;
}
