import { litFrom } from '../../instruments/index.ts';
import type { InstrumentFault } from './instrument-fault.ts';
import type { Scales } from './scales.ts';
import type { Terminals } from './terminals.ts';
import { viewSize } from './view-memory.ts';

/** What the outlets look like under one hypothesis, and how well its readings fit there: children often share it. */
export interface Reference {
  /** Potentials and impedances, 24 numbers a slot. */
  readonly views: Float64Array;
  /** What it predicts, channel by channel, and where nothing holds what is read. */
  readonly predicted: Float64Array;
  readonly adrift: Uint8Array;
  /** Its readings as they are weighed under it. */
  readonly weighed: { readonly forms: Float64Array; readonly short: Float64Array; readonly scales: Scales };
  /** Instruments that do not work under it. */
  readonly instruments: readonly InstrumentFault[];
  /** The scales of all volts under it. */
  readonly scales: Scales;
  /** Nats by which each reading falls short, and all of a slot together. */
  readonly readingDeficits: Float64Array;
  readonly deficits: Float64Array;
  /** Nats that those readings of a slot fall short by which fit. */
  readonly floors: Float64Array;
  /** Nats that a hypothesis falls short of by scatter alone, were it right. */
  readonly scatter: number;
  /** Readings that fall short by more than scatter lets them, by their index. */
  readonly misfits: ReadonlySet<number>;
  /** Outlets at which they were taken. */
  readonly misfitsAt: ReadonlySet<number>;
}

/** Volts, and share of an impedance, by which two views of an outlet may differ and still read the same. */
const sameVolts = 1e-3;
const sameShare = 1e-4;

export function store(
  { voltsRe, voltsIm, ohmsRe, ohmsIm }: Terminals,
  views: Float64Array,
  from: number,
): void {
  for (let i = 0; i < 3; i += 1) {
    views[from + i] = voltsRe[i] as number;
    views[from + 3 + i] = voltsIm[i] as number;
  }
  for (let i = 0; i < 9; i += 1) {
    views[from + 6 + i] = ohmsRe[i] as number;
    views[from + 15 + i] = ohmsIm[i] as number;
  }
}

export function restore(
  views: Float64Array,
  from: number,
  { voltsRe, voltsIm, ohmsRe, ohmsIm }: Terminals,
): void {
  for (let i = 0; i < 3; i += 1) {
    voltsRe[i] = views[from + i] as number;
    voltsIm[i] = views[from + 3 + i] as number;
  }
  for (let i = 0; i < 9; i += 1) {
    ohmsRe[i] = views[from + 6 + i] as number;
    ohmsIm[i] = views[from + 15 + i] as number;
  }
}

/** True where an outlet is seen as in a slot of a set of views. */
export function looksAs(
  { voltsRe, voltsIm, ohmsRe, ohmsIm }: Terminals,
  views: Float64Array,
  slot: number,
): boolean {
  const from = slot * viewSize;
  for (let i = 0; i < 3; i += 1) {
    if (Math.abs((voltsRe[i] as number) - (views[from + i] as number)) > sameVolts) return false;
    if (Math.abs((voltsIm[i] as number) - (views[from + 3 + i] as number)) > sameVolts) return false;
  }
  for (let i = 0; i < 9; i += 1) {
    const re = ohmsRe[i] as number;
    const im = ohmsIm[i] as number;
    const allowed = sameShare * (Math.abs(re) + Math.abs(im));
    if (Math.abs(re - (views[from + 6 + i] as number)) > allowed) return false;
    if (Math.abs(im - (views[from + 15 + i] as number)) > allowed) return false;
  }
  return true;
}

/** A contact that floats is neither proved live nor proved safe. */
export type ContactStanding = 'live' | 'quiet' | 'adrift';
/** Hot, neutral, ground. */
export type ContactsStanding = readonly [ContactStanding, ContactStanding, ContactStanding];

/** A contact held within this share of nominal is quiet; held means below so many ohms to earth. */
const quietShare = 0.1;
const holdingOhms = 50e3;

/** How the contacts of an outlet stand against earth. */
export function contactsStanding(
  { voltsRe, voltsIm, ohmsRe, ohmsIm }: Terminals,
  nominalVolts: number,
): ContactsStanding {
  const standing = (row: number): ContactStanding => {
    const volts = Math.hypot(voltsRe[row] as number, voltsIm[row] as number);
    if (volts >= litFrom * nominalVolts) return 'live';
    const ohms = Math.hypot(ohmsRe[4 * row] as number, ohmsIm[4 * row] as number);
    return volts <= quietShare * nominalVolts && ohms < holdingOhms ? 'quiet' : 'adrift';
  };
  return [standing(0), standing(1), standing(2)];
}
