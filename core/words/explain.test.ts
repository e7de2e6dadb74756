import { describe, expect, test } from 'vitest';
import { parseCircuit, surveyOf } from '../circuit/index.ts';
import type { Test } from '../instruments/index.ts';
import { enUs } from './index.ts';

function why(change: object, instrument: Test['instrument'] = 'lamps', at = 'b'): string {
  const cable = (id: string, from: string, to: string) => ({
    id,
    from,
    to,
    meters: 5,
    metal: 'copper',
    awg: 14,
  });
  const circuit = parseCircuit({
    format: 'fair-plug/circuit@1',
    outlets: [{ id: 'a' }, { id: 'b' }],
    cables: [cable('c1', 'panel', 'a'), cable('c2', 'a', 'b')],
    ...change,
  });
  if (circuit.kind === 'problems') throw new Error(JSON.stringify(circuit.problems));
  return enUs.whyItShows(surveyOf(circuit.value, { at, instrument }));
}
const open = (conductor: string, cable = 'c2') => ({ kind: 'open', conductor, cable });

describe('the sentence why', () => {
  test('a sound receptacle: hot stands apart from the two others', () => {
    expect(why({})).toBe(
      'Hot is held at 120 V, neutral is held at 0.0 V and ground is held at 0.0 V against earth: hot–neutral and hot–ground differ enough to light.',
    );
  });

  test('dark lamps over live contacts are called what they are', () => {
    const faults = [open('neutral'), open('ground')];
    const sentence = why({ faults, loads: [{ at: 'b', watts: 60 }] });
    expect(sentence).toContain('no pair differs enough to light, and yet hot and neutral would shock');
  });

  test('the probe over a floating wire: induction only', () => {
    expect(why({ faults: [open('ground')] }, 'probe')).toContain(
      'the probe sounds from 50 V, so at hot and ground; on ground that is induction only',
    );
  });

  test('the button without a ground tells nothing', () => {
    expect(why({ faults: [open('ground')] }, 'gfci-button')).toContain('the button tells nothing here');
  });

  test('protection that tripped by itself is named', () => {
    const protection = [{ at: 'a', kind: 'gfci', covers: 'downstream' }];
    const faults = [{ kind: 'bond', conductors: ['neutral', 'ground'], at: 'b' }];
    expect(why({ protection, faults })).toContain('The protection at a has tripped by itself.');
  });

  test('a meter reads what is induced on a floating ground, a low-impedance one makes it collapse', () => {
    expect(why({ faults: [open('ground')] }, 'meter')).toContain('also reads what is only induced');
    expect(why({ faults: [open('ground')] }, 'meter-low')).toContain('collapses');
  });

  test.each(['meter', 'meter-low', 'earth-meter', 'loaded'] as const)('%s has its reason', (instrument) => {
    expect(why({}, instrument).length).toBeGreaterThan(40);
  });

  test('a floating ground wire is surveyed as floating, whatever is induced on it', () => {
    const circuit = parseCircuit({
      format: 'fair-plug/circuit@1',
      outlets: [{ id: 'a' }],
      cables: [{ id: 'c1', from: 'panel', to: 'a', meters: 20, metal: 'copper', awg: 14 }],
      faults: [{ kind: 'open', conductor: 'ground', cable: 'c1' }],
    });
    if (circuit.kind === 'problems') throw new Error(JSON.stringify(circuit.problems));
    const [outlet] = surveyOf(circuit.value, { at: 'a', instrument: 'lamps' }).outlets;
    expect(outlet?.splices.ground?.volts).toBeGreaterThan(50);
    expect(outlet?.splices.ground?.held).toBe(false);
    expect(outlet?.splices.L1?.held).toBe(true);
    expect(outlet?.splices.L2).toBeUndefined();
  });

  test('its own button', () => {
    expect(why({ protection: [{ at: 'a', kind: 'gfci', covers: 'outlet' }] }, 'own-button', 'a')).toContain(
      'set and fed',
    );
  });
});
