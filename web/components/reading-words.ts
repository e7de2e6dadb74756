import type { Reading } from '@fair-plug/core/circuit';
import { contacts, pairs } from '@fair-plug/core/instruments';

/** "118.4", "0.35", "0": as many digits as a meter shows. */
export const inVolts = (value: number): string =>
  value < 0.01 ? '0' : value < 10 ? value.toFixed(2) : value.toFixed(1);

const short = { hn: 'H–N', hg: 'H–G', ng: 'N–G', hot: 'H', neutral: 'N', ground: 'G' } as const;

/** What an instrument shows, value by value: name and words. */
export function valuesOf(reading: Reading): readonly (readonly [name: string, value: string])[] {
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
