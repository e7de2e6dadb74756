import type { Instrument } from './kind.ts';
import type { Reading, Shown, Test, WholeReading } from './reading-schema.ts';
import { instruments } from './registry.ts';
import type { ChannelKind } from './value.ts';

type Fields = Readonly<Record<string, unknown>>;

/** The number that is said with a test, or usual with its instrument; nought where there is none. */
export function settingOf(test: Test | Reading | Shown): number {
  const { setting } = instruments[test.instrument];
  if (setting === undefined) return 0;
  return ((test as Fields)[setting.name] as number | undefined) ?? setting.usual;
}

/** The same under its name. */
export const settingsOf = (test: Test | Reading): Fields => {
  const { setting } = instruments[test.instrument];
  return setting === undefined ? {} : { [setting.name]: settingOf(test) };
};

export type Channel = readonly [kind: ChannelKind, observed: number];

/** What a reading shows, channel by channel; `devices` are the ids of the circuit's. */
export function channelsOf(reading: Reading, devices: readonly string[]): readonly Channel[] {
  const { reads, watches } = instruments[reading.instrument];
  const channels: Channel[] = [];
  for (const field of Object.keys(reads?.fields ?? {})) {
    const value = (reading as Fields)[field];
    if (reads !== undefined)
      channels.push(value === undefined ? ['unread', 0] : [reads.value.channel, reads.value.observed(value)]);
  }
  for (const code of watches?.observed(reading, devices) ?? [])
    channels.push([watches?.channel ?? 'trips', code]);
  return channels;
}

/** The values of a reading, out of its channels. */
export function valuesOf(
  { reads, watches }: Instrument,
  channel: (index: number) => number,
  devices: readonly string[],
): Fields {
  const names = Object.keys(reads?.fields ?? {});
  return {
    ...Object.fromEntries(names.map((name, index) => [name, reads?.value.shown(channel(index))])),
    ...watches?.shown((index) => channel(names.length + index), devices),
  };
}

/** What was asked of an instrument, without what it showed. */
export function askedIn(reading: Reading | Test): Test {
  const { setting } = instruments[reading.instrument];
  const asked = ['at', 'instrument', 'state', 'trippedBefore', ...(setting ? [setting.name] : [])];
  return Object.fromEntries(Object.entries(reading).filter(([key]) => asked.includes(key))) as Test;
}

/** A reading with its values replaced by those of its channels, which begin at `first`. */
export const readingFrom = (
  test: Test | Reading,
  channels: ArrayLike<number>,
  first: number,
  devices: readonly string[],
): WholeReading =>
  ({
    ...askedIn(test),
    ...valuesOf(instruments[test.instrument], (index) => channels[first + index] ?? 0, devices),
  }) as WholeReading;

/** A reading of a test whose values nobody reads. */
export const blank = (test: Test | Reading): Reading => readingFrom(test, [], 0, []);

/** The same of no more than what is asked for where the test is advised. */
export function blankAsAdvised(test: Test): Reading {
  const { advised, reads } = instruments[test.instrument];
  const whole = blank(test);
  if (advised === undefined) return whole;
  const left = Object.keys(reads?.fields ?? {}).filter((name) => !advised.some((pair) => pair === name));
  return Object.fromEntries(Object.entries(whole).filter(([name]) => !left.includes(name))) as Reading;
}

/** A reading with its volts multiplied. */
export function scaled<R extends Reading>(reading: R, factor: number): R {
  const { reads } = instruments[reading.instrument];
  if (reads?.value.channel !== 'volts') return reading;
  const read = Object.keys(reads.fields).filter((name) => (reading as Fields)[name] !== undefined);
  return {
    ...reading,
    ...Object.fromEntries(read.map((name) => [name, ((reading as Fields)[name] as number) * factor])),
  };
}
