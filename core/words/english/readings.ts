import type { AssessmentWords } from '../../assessment/index.ts';
import {
  type ChannelKind,
  contactsOfPair,
  instruments as instrumentKinds,
  type LampState,
  type Lamps,
  lampStates,
  pairs,
  type Shown,
} from '../../instruments/index.ts';
import { comma, type Terms } from './terms.ts';

type ReadingWords = Pick<AssessmentWords, 'values' | 'lamps' | 'lampsBriefly' | 'reading' | 'test'>;

/** "118.4", "0.35", "0": as many digits as a meter shows. */
const inVolts = (value: number): string => {
  const digits = value < 0.01 ? '0' : value < 10 ? value.toFixed(2) : value.toFixed(1);
  return `${digits} V`;
};

/** A value by what it is a value of. */
const shownAs: Readonly<Partial<Record<ChannelKind, (value: unknown) => string>>> = {
  lamp: (state) => String(state),
  volts: (value) => inVolts(Number(value)),
  milliamps: (value) => `${Number(value).toFixed(1)} mA`,
  sounds: (does) => (does ? 'sounds' : 'silent'),
};

/** What is expected of a field that nothing holds. */
const floatingAs: Readonly<Partial<Record<ChannelKind, string>>> = {
  volts: 'any, it floats',
  sounds: 'either, it floats',
};

const shown = (kind: ChannelKind, value: unknown, floats: boolean): string =>
  (floats ? floatingAs[kind] : shownAs[kind]?.(value)) ?? '';

/** What instruments show, in words. */
export function readingWords(
  { contacts: contactNames, pairs: pairWords, short }: Terms,
  instruments: AssessmentWords['instruments'],
): ReadingWords {
  const names: Readonly<Record<string, string>> = {
    ...pairWords,
    ...short,
    milliamps: `${short.hot}→${short.ground}`,
  };
  const values: ReadingWords['values'] = (reading, floats = []) => {
    const { reads } = instrumentKinds[reading.instrument];
    const fields: Readonly<Record<string, unknown>> = { ...reading };
    const rows: (readonly [string, string])[] = [];
    for (const name of Object.keys(reads?.fields ?? {}))
      if (reads !== undefined && fields[name] !== undefined)
        rows.push([names[name] ?? name, shown(reads.value.channel, fields[name], floats.includes(name))]);
    if ('trips' in reading) {
      rows.push(['trips', reading.trips.length === 0 ? 'nothing' : comma(reading.trips)]);
      if (reading.seconds !== undefined) rows.push(['within', `${reading.seconds.toFixed(2)} s`]);
    }
    if ('result' in reading) rows.push(['result', reading.result.replace('-', ' ')]);
    return rows;
  };

  function lampsAloud(lamps: Lamps): string {
    const groups = lampStates.flatMap((state) => {
      const those = pairs.filter((pair) => lamps[pair] === state);
      if (those.length === 0) return [];
      if (those.length === 3) return [state === 'off' ? 'no lamp lit' : `all three lamps ${state}`];
      const named = those.map((pair) =>
        contactsOfPair[pair].map((contact) => contactNames[contact]).join('–'),
      );
      return [`${named.join(' and ')} ${state}`];
    });
    return comma(groups);
  }

  function lampsBriefly(lamps: Lamps): string {
    const named = (state: LampState): string | null => {
      const those = pairs.filter((pair) => lamps[pair] === state).map((pair) => pairWords[pair]);
      return those.length === 0 ? null : `${those.join(' and ')} ${state}`;
    };
    return [named('lit'), named('dim')].filter((part) => part !== null).join(', ') || 'no lamp lit';
  }

  function reading(taken: Shown): string {
    const read =
      taken.instrument === 'lamps'
        ? lampsBriefly(taken)
        : comma(values(taken).map(([name, value]) => `${name} ${value}`));
    const off = taken.state?.loadsOff ? ', everything on the circuit off' : '';
    return `${instruments[taken.instrument].name}: ${read}${off}`;
  }

  return {
    values,
    lamps: lampsAloud,
    lampsBriefly,
    reading,
    test: (instrument, state) =>
      instruments[instrument].test + (state?.loadsOff ? ' again, everything on the circuit off' : ''),
  };
}
