import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Reading, Test } from '../instruments/index.ts';
import type { Conductor } from '../physics/index.ts';
import { circuitInput } from './arbitrary-circuit.ts';
import { type Circuit, parseCircuit, simulate } from './index.ts';
import { twinReads, twinTripped } from './naive-twin.ts';

function parsed(input: unknown): Circuit {
  const result = parseCircuit(input);
  if (result.kind === 'problems') throw new Error(JSON.stringify(result.problems));
  return result.value;
}

const pairs: readonly (readonly ['hn' | 'hg' | 'ng', Conductor, Conductor])[] = [
  ['hn', 'hot', 'neutral'],
  ['hg', 'hot', 'ground'],
  ['ng', 'neutral', 'ground'],
];
const contacts: readonly Conductor[] = ['hot', 'neutral', 'ground'];

/** Volts of the twin for every figure of a reading, by its key. */
function twinFigures(circuit: Circuit, reading: Reading, tripped: readonly string[]): Record<string, number> {
  const how = { state: reading.state, tripped };
  const test = reading as unknown as Test;
  switch (reading.instrument) {
    case 'meter':
    case 'meter-low':
    case 'loaded':
    case 'lamps':
      return Object.fromEntries(pairs.map(([key, a, b]) => [key, twinReads(circuit, how, test, a, b)]));
    case 'earth-meter':
    case 'probe':
      return Object.fromEntries(contacts.map((one) => [one, twinReads(circuit, how, test, one, null)]));
    case 'gfci-button':
      return {
        milliamps: (twinReads(circuit, how, test, 'hot', 'ground') / (circuit.nominalVolts / 8e-3)) * 1000,
      };
    case 'own-button':
      return {};
  }
}

const instruments = ['lamps', 'meter', 'meter-low', 'earth-meter', 'probe', 'loaded', 'gfci-button'] as const;

/** A few tests at random places, so that thousands of circuits stay quick. */
const circuitWithTests = fc
  .tuple(
    circuitInput,
    fc.array(fc.tuple(fc.nat(), fc.constantFrom(...instruments), fc.boolean()), {
      minLength: 2,
      maxLength: 3,
    }),
  )
  .map(([circuit, tests]) =>
    parsed({
      ...circuit,
      tests: tests.map(([outlet, instrument, loadsOff]) => ({
        at: circuit.outlets[outlet % circuit.outlets.length]?.id,
        instrument,
        ...(loadsOff ? { state: { loadsOff } } : {}),
      })),
    }),
  );

describe('the solver against a naive twin', () => {
  test('both agree within 1e-6 × nominal volts on random circuits with random faults', () => {
    fc.assert(
      fc.property(circuitWithTests, (circuit) => {
        const answer = simulate(circuit);
        expect(answer.trippedBefore ?? []).toEqual(twinTripped(circuit));
        for (const reading of answer.readings) {
          const tripped = reading.state ? twinTripped(circuit, reading.state) : (answer.trippedBefore ?? []);
          if (reading.state) expect(reading.trippedBefore ?? []).toEqual(tripped);
          for (const [key, volts] of Object.entries(twinFigures(circuit, reading, tripped))) {
            const shown = (reading as unknown as Record<string, unknown>)[key];
            const where = `${reading.instrument} ${key} at ${reading.at}`;
            if (typeof shown === 'number') {
              expect(Math.abs(shown - volts), where).toBeLessThan(1e-6 * circuit.nominalVolts);
            } else if (typeof shown === 'boolean') {
              if (Math.abs(volts - 50) > 1e-3) expect(shown, where).toBe(volts >= 50);
            } else {
              const share = volts / circuit.nominalVolts;
              if (Math.abs(share - 0.7) < 1e-6 || Math.abs(share - 0.54) < 1e-6) continue;
              expect(shown, where).toBe(share >= 0.7 ? 'lit' : share >= 0.54 ? 'dim' : 'off');
            }
          }
        }
      }),
      { numRuns: 200, seed: 20261124 },
    );
  });
});

describe('the worked examples of the file format', () => {
  const folder = new URL('../../docs/formats/examples/', import.meta.url);
  test.each(readdirSync(folder))('%s', (file) => {
    const { circuit, readings } = JSON.parse(readFileSync(new URL(file, folder), 'utf8'));
    const answer = simulate(parsed(circuit));
    expect(answer.trippedBefore).toEqual(readings.trippedBefore);
    answer.readings.forEach((reading, index) => {
      const given = readings.readings[index];
      expect(Object.keys(reading).toSorted()).toEqual(Object.keys(given).toSorted());
      for (const [key, value] of Object.entries(reading)) {
        // Seven digits of 120 V are 1e-4 V; either side may round the last one the other way.
        if (typeof value === 'number') expect(Math.abs(value - given[key]), key).toBeLessThan(1.5e-4);
        else expect(value).toEqual(given[key]);
      }
    });
  });
});
