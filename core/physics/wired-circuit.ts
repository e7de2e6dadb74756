import type { Conductor, Leg, Metal } from './names.ts';

/** One duplex receptacle or splice point and how it is connected. */
export interface WiredOutlet {
  readonly id: string;
  /** Fed by pigtails from a splice, or the next cable is fed through its terminals. */
  readonly wiring: 'pigtail' | 'through';
  readonly leg: Leg;
}

export interface WiredCable {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly meters: number;
  readonly metal: Metal;
  /** American wire gauge; 0, -1, -2, -3 are 1/0 to 4/0. */
  readonly awg?: number | undefined;
  /** Cross-section in square millimetres. */
  readonly mm2?: number | undefined;
  readonly ground: boolean;
}

/** A ground-fault device at an outlet. */
export interface WiredDevice {
  readonly at: string;
  readonly kind: 'gfci' | 'rcd';
  readonly covers: 'outlet' | 'downstream';
  readonly state: 'set' | 'tripped' | 'failed' | 'lockedOut';
  readonly tripMilliamps?: number | undefined;
  /** With a device locked out: which pole stayed closed. */
  readonly leaves?: 'hot' | undefined;
}

export interface WiredLoad {
  readonly at: string;
  readonly watts: number;
  readonly on: boolean;
}

/** Something that is wrong at a site: a cable, or the box of an outlet. What it does, an effect of its kind tells. */
export interface WiredFault {
  readonly kind: string;
  readonly cable?: string | undefined;
  readonly at?: string | undefined;
  /** The hot that it concerns, where a cable carries two. */
  readonly leg?: Leg | undefined;
}

/** What the physics needs of a circuit: sizes in metres, volts, ohms, degrees Celsius, watts. */
export interface WiredCircuit {
  readonly nominalVolts: number;
  /** Volts of its second leg, where they are others. */
  readonly otherLegVolts?: number | undefined;
  /** Electrical degrees between its legs: 180 where left out; 120 where two of three phases feed it (208Y/120 V). */
  readonly degreesApart?: 120 | 180 | undefined;
  readonly hertz: number;
  readonly sourceOhms: number;
  readonly celsius: number;
  readonly breaker: { readonly amps: number; readonly on: boolean };
  readonly outlets: readonly WiredOutlet[];
  readonly cables: readonly WiredCable[];
  readonly protection: readonly WiredDevice[];
  readonly loads: readonly WiredLoad[];
  readonly faults: readonly WiredFault[];
}

/** One wire on its way through a site. */
export interface WirePath {
  ohms: number;
  isOpen: boolean;
}

/** Where current may pass in the box of an outlet: its splices and its contacts. */
export interface BoxNodes {
  readonly splice: Readonly<Record<Wire, number>>;
  readonly contact: Readonly<Record<Conductor, number>>;
}

/** Wires as they run in a cable: one hot for each leg. */
export const wires = ['L1', 'L2', 'neutral', 'ground'] as const;
export type Wire = (typeof wires)[number];

/** The wire that a conductor's name stands for, its hot being that of the given leg. */
export const wireOf = (conductor: Conductor, leg: Leg): Wire => (conductor === 'hot' ? leg : conductor);

/** What the faults of one kind do to the network at their site. Methods, so that a kind may ask for its own faults. */
export interface FaultEffect<F extends WiredFault = WiredFault> {
  /** Changes one wire's way through the site. */
  conduct?(fault: F, wire: Wire, path: WirePath): void;
  /** Two wires whose far ends are exchanged, `leg` being the first hot of the site. */
  exchanged?(fault: F, leg: Leg): readonly [Wire, Wire];
  /** Two nodes of the box that a jumper joins, `leg` being the outlet's. */
  joined?(fault: F, box: BoxNodes, leg: Leg): readonly [number, number];
}

/** The effects by the kinds of faults. */
export type FaultEffects = Readonly<Record<string, FaultEffect>>;
