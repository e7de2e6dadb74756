import type { AssessmentWords } from '../../assessment/index.ts';
import type { Reading, Shown } from '../../circuit/index.ts';
import {
  contacts,
  contactsOfPair,
  type LampState,
  type Lamps,
  lampStates,
  pairs,
} from '../../instruments/index.ts';
import { comma, type Terms } from './terms.ts';

type ReadingWords = Pick<AssessmentWords, 'values' | 'lamps' | 'lampsBriefly' | 'reading' | 'test'>;

/** "118.4", "0.35", "0": as many digits as a meter shows. */
const inVolts = (value: number): string => {
  const digits = value < 0.01 ? '0' : value < 10 ? value.toFixed(2) : value.toFixed(1);
  return `${digits} V`;
};

/** What instruments show, in words. */
export function readingWords(
  { contacts: names, pairs: pairWords, short }: Terms,
  instruments: AssessmentWords['instruments'],
): ReadingWords {
  function values(reading: Reading | Shown): readonly (readonly [name: string, value: string])[] {
    switch (reading.instrument) {
      case 'lamps':
        return pairs.map((pair) => [pairWords[pair], reading[pair]]);
      case 'meter':
      case 'meter-low':
      case 'loaded':
        return pairs.map((pair) => [pairWords[pair], inVolts(reading[pair])]);
      case 'earth-meter':
        return contacts.map((contact) => [short[contact], inVolts(reading[contact])]);
      case 'probe':
        return contacts.map((contact) => [short[contact], reading[contact] ? 'sounds' : 'silent']);
      case 'gfci-button':
        return [
          [`${short.hot}→${short.ground}`, `${reading.milliamps.toFixed(1)} mA`],
          ['trips', reading.trips.length === 0 ? 'nothing' : comma(reading.trips)],
        ];
      case 'own-button':
        return [['result', reading.result.replace('-', ' ')]];
    }
  }

  function lampsAloud(lamps: Lamps): string {
    const groups = lampStates.flatMap((state) => {
      const those = pairs.filter((pair) => lamps[pair] === state);
      if (those.length === 0) return [];
      if (those.length === 3) return [state === 'off' ? 'no lamp lit' : `all three lamps ${state}`];
      const named = those.map((pair) => contactsOfPair[pair].map((contact) => names[contact]).join('–'));
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

  function reading(shown: Shown): string {
    const read =
      shown.instrument === 'lamps'
        ? lampsBriefly(shown)
        : comma(values(shown).map(([name, value]) => `${name} ${value}`));
    const off = shown.state?.loadsOff ? ', everything on the circuit off' : '';
    return `${instruments[shown.instrument].name}: ${read}${off}`;
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
