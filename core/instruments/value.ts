import { dimFrom, type LampState, litFrom } from './lamps.ts';

/** What one number of a reading is; `unread`: volts that might have been measured and were not. */
export const channelKinds = ['lamp', 'volts', 'sounds', 'milliamps', 'trips', 'button', 'unread'] as const;
export type ChannelKind = (typeof channelKinds)[number];

/** A value of a reading as a number of a channel: as it was observed, and as it would be shown where that is predicted. */
export interface Value<V> {
  readonly channel: ChannelKind;
  readonly observed: (value: V) => number;
  readonly shown: (predicted: number) => V;
}

/** Codes under which observed lamps are kept; what is predicted is a share of the nominal voltage. */
export const lampCode = { off: 0, dim: 1, lit: 2 } as const;

/** The non-contact probe sounds from so many volts against earth. */
export const probeVolts = 50;

export const lamp: Value<LampState> = {
  channel: 'lamp',
  observed: (state) => lampCode[state],
  shown: (share) => (share >= litFrom ? 'lit' : share >= dimFrom ? 'dim' : 'off'),
};

const itself = (value: number): number => value;
export const volts: Value<number> = { channel: 'volts', observed: itself, shown: itself };
export const milliamps: Value<number> = { channel: 'milliamps', observed: itself, shown: itself };

export const sounds: Value<boolean> = {
  channel: 'sounds',
  observed: (does) => (does ? 1 : 0),
  shown: (predicted) => predicted >= probeVolts,
};
