import { simulate } from '@fair-plug/core/circuit';
import { lampsOf } from '@fair-plug/core/instruments';
import { expect, test } from 'vitest';
import { demoCircuits, wiredAs } from './circuits.ts';
import { demoHouses } from './houses.ts';

const patterns = new Map(
  demoHouses.flatMap(({ rooms }) =>
    rooms.flatMap(({ name, shows = {}, receptacles }) =>
      Array.from({ length: receptacles }, (_, index) => [
        `${name} ${index + 1}`,
        shows[index + 1] ?? ('hn-hg' as const),
      ]),
    ),
  ),
);

test.for(demoCircuits.map((circuit) => [circuit.breaker, circuit] as const))(
  'on breaker %s the lamps that the demo shows are those of what is wrong there',
  ([, circuit]) => {
    const wired = wiredAs(circuit);
    const tests = wired.outlets.map(({ id }) => ({ at: id, instrument: 'lamps' as const }));
    for (const reading of simulate({ ...wired, tests }).readings) {
      if (reading.instrument !== 'lamps') continue;
      const { at, hn, hg, ng } = reading;
      expect({ at, hn, hg, ng }).toEqual({ at, ...lampsOf(patterns.get(at) ?? 'none') });
    }
  },
);
