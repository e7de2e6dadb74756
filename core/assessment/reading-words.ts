import type { Reading, Shown } from '../circuit/index.ts';
import { contacts, type LampState, type Lamps, pairs } from '../instruments/index.ts';
import { instrumentWords } from './instruments-in-words.ts';

/** "118.4", "0.35", "0": as many digits as a meter shows. */
export const inVolts = (value: number): string =>
  value < 0.01 ? '0' : value < 10 ? value.toFixed(2) : value.toFixed(1);

const short = { hn: 'H–N', hg: 'H–G', ng: 'N–G', hot: 'H', neutral: 'N', ground: 'G' } as const;

/** What an instrument shows, value by value: name and words. */
export function valuesOf(reading: Reading | Shown): readonly (readonly [name: string, value: string])[] {
  switch (reading.instrument) {
    case 'lamps':
      return pairs.map((pair) => [short[pair], reading[pair]]);
    case 'meter':
    case 'meter-low':
    case 'loaded':
      return pairs.map((pair) => [short[pair], `${inVolts(reading[pair])} V`]);
    case 'earth-meter':
      return contacts.map((contact) => [short[contact], `${inVolts(reading[contact])} V`]);
    case 'probe':
      return contacts.map((contact) => [short[contact], reading[contact] ? 'sounds' : 'silent']);
    case 'gfci-button':
      return [
        ['H→G', `${reading.milliamps.toFixed(1)} mA`],
        ['trips', reading.trips.length === 0 ? 'nothing' : reading.trips.join(', ')],
      ];
    case 'own-button':
      return [['result', reading.result.replace('-', ' ')]];
  }
}

/** "H–N and H–G lit", "H–N lit, H–G dim", "no lamp lit" */
export function lampsBriefly(lamps: Lamps): string {
  const named = (state: LampState): string | null => {
    const those = pairs.filter((pair) => lamps[pair] === state).map((pair) => short[pair]);
    return those.length === 0 ? null : `${those.join(' and ')} ${state}`;
  };
  return [named('lit'), named('dim')].filter((part) => part !== null).join(', ') || 'no lamp lit';
}

/** "Meter: H–N 118.4 V, H–G 118.2 V, N–G 0.20 V, everything on the circuit off" */
export function readingInWords(shown: Shown): string {
  const values =
    shown.instrument === 'lamps'
      ? lampsBriefly(shown)
      : valuesOf(shown)
          .map(([name, value]) => `${name} ${value}`)
          .join(', ');
  const off = shown.state?.loadsOff ? ', everything on the circuit off' : '';
  return `${instrumentWords[shown.instrument].name}: ${values}${off}`;
}
