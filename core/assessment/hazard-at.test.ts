import { describe, expect, test } from 'vitest';
import { type InstrumentId, lampsOf, type Shown } from '../instruments/index.ts';
import { idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobEntry, type JobStatement } from '../log/index.ts';
import { assess, HouseJudge, hazardAt, type JudgedCircuit, type JudgedExplanation } from './index.ts';

const den1 = idNumber(0x30);
const room = idNumber(0x20);
const lamps: JobStatement = { kind: 'lamps-read', receptacle: den1, lamps: lampsOf('hn-hg') };
const took = (shown: Shown): JobStatement => ({ kind: 'reading-taken', receptacle: den1, shown });
const probed = took({ instrument: 'probe', hot: true, neutral: false, ground: false });
const metered = took({ instrument: 'meter', hn: 120, hg: 120, ng: 0 });

/** A house with one receptacle, judged to the end with the instruments at hand. */
function assessedWith(kit: readonly InstrumentId[], ...statements: readonly JobStatement[]) {
  const envelope = { device: idNumber(2), author: idNumber(3), at: '2026-05-04T09:30:00.000Z' };
  const all: JobStatement[] = [
    { kind: 'room-described', room, name: 'Den' },
    { kind: 'receptacle-described', receptacle: den1, room, name: 'Den 1' },
    ...statements,
  ];
  const house = foldHouse(
    all.map((one, index): JobEntry => ({ id: idNumber(0x1000 + index), ...envelope, ...one })),
  );
  const run = new HouseJudge().judging(house, kit);
  for (;;) {
    const step = run.next();
    if (step.done) return assess(house, step.value);
  }
}

const assessed = (...statements: readonly JobStatement[]) =>
  assessedWith(['lamps', 'probe', 'meter', 'meter-low', 'loaded'], ...statements);

const hazardOn = (...statements: readonly JobStatement[]) =>
  hazardAt(assessed(...statements), den1, 'loaded');

describe('why an instrument is not used at a receptacle', () => {
  test('a load only after probe and meter there; then nothing speaks against it, and it is asked for', () => {
    expect(hazardOn(lamps)).not.toBeNull();
    expect(hazardOn(lamps, probed)).toBe('meter-first');
    expect(hazardOn(lamps, probed, metered)).toBeNull();
    expect(assessed(lamps, probed, metered).receptacles.get(den1)?.next?.instrument).toBe('loaded');
  });

  test('what was seen there forbids it, and takes it out of what is asked for', () => {
    const aluminum: JobStatement = { kind: 'cover-off', receptacle: den1, metal: 'aluminum' } as JobStatement;
    const all = assessed(lamps, probed, metered, aluminum);
    expect(hazardAt(all, den1, 'loaded')).toBe('seen');
    expect(all.receptacles.get(den1)?.next?.instrument).not.toBe('loaded');
    expect(hazardAt(all, den1, 'meter')).toBeNull();
  });

  test('what must keep power is not cut by a button', () => {
    const freezer: JobStatement = { kind: 'job-described', keepPowered: ['freezer'] } as JobStatement;
    expect(hazardAt(assessed(freezer, lamps, probed, metered), den1, 'own-button')).toBe('keeps-power');
    expect(hazardAt(assessed(lamps, probed, metered), den1, 'own-button')).toBeNull();
  });

  test('what forbade a test is gone: the test is asked for again, though nothing else changed', () => {
    const free = assessed(lamps, probed, metered);
    const { answers } = free;
    if (answers === null) throw new Error('not judged');
    const serviceNeutral = {
      kind: 'lost-service-neutral',
      high: [den1],
      low: [],
      highVolts: 130,
      lowVolts: 110,
    } as const;
    const forbidden = assess(free.house, { ...answers, serviceNeutral }, free);
    expect(free.receptacles.get(den1)?.next).not.toBeNull();
    expect(forbidden.receptacles.get(den1)?.next).toBeNull();
    const again = assess(free.house, answers, forbidden);
    expect(again.receptacles.get(den1)?.next).toEqual(free.receptacles.get(den1)?.next);
  });

  test('how a test is made takes it out of nothing: the low-impedance meter between hot and neutral is asked for', () => {
    const off: JobStatement = { kind: 'lamps-read', receptacle: den1, lamps: lampsOf('hg') };
    const floating = took({ instrument: 'meter', hn: 30, hg: 118, ng: 88 });
    const all = assessedWith(['lamps', 'meter', 'meter-low'], off, floating);
    expect(hazardAt(all, den1, 'meter-low')).toBe('hot-neutral-only');
    expect(all.receptacles.get(den1)?.next?.instrument).toBe('meter-low');
  });

  test('into a bad splice that is held on the circuit: ten seconds, once; not again', () => {
    const onThree: JobStatement = { kind: 'receptacle-fed', receptacle: den1, breaker: '3', place: null };
    const held = { breaker: '3', breakers: ['3'], causes: [], next: null } as unknown as JudgedCircuit;
    const splice = { kind: 'resistance', conductor: 'hot', ohms: 2.4, cable: 'c1' } as const;
    const loadedOnce = took({ instrument: 'loaded', amps: 12, hn: 90, hg: 92, ng: 2 });
    const hazardWith = (ohms: number, ...more: readonly JobStatement[]) => {
      const { answers } = assessed(lamps, probed, metered, ...more);
      const { house } = assessed(lamps, probed, metered, ...more, onThree);
      const explanations = [{ faults: [{ ...splice, ohms }] }] as unknown as JudgedCircuit['explanations'];
      if (answers === null) throw new Error('not judged');
      return hazardAt(assess(house, { ...answers, circuits: [{ ...held, explanations }] }), den1, 'loaded');
    };
    expect(hazardWith(2.4)).toBe('ten-seconds');
    expect(hazardWith(0.6)).toBeNull();
    expect(hazardWith(2.4, loadedOnce)).toBe('bad-splice');
  });

  test('nor a second time into one that is held at a receptacle by itself', () => {
    const loadedOnce = took({ instrument: 'loaded', amps: 12, hn: 90, hg: 92, ng: 2 });
    const all = assessed(lamps, probed, metered, loadedOnce);
    expect(all.receptacles.get(den1)?.judged?.condition).toBe('high-resistance');
    expect(hazardAt(all, den1, 'loaded')).toBe('bad-splice');
  });

  test('before anything was judged a load is not held to be safe; of what is not there nothing is said', () => {
    const { house } = assessed(lamps);
    expect(hazardAt(assess(house), den1, 'loaded')).toBe('live-ground');
    expect(hazardAt(assess(house), 'nowhere', 'loaded')).toBeNull();
  });

  test('an instrument that other readings hold not to work is tried on a live source first', () => {
    const dark: JobStatement = { kind: 'lamps-read', receptacle: den1, lamps: lampsOf('none') };
    const all = assessed(dark, probed, metered);
    const [leading] = all.receptacles.get(den1)?.judged?.explanations ?? ([] as readonly JudgedExplanation[]);
    expect(leading?.instruments).toEqual([{ instrument: 'lamps', kind: 'dead' }]);
    expect(hazardAt(all, den1, 'lamps')).toBe('instrument-in-doubt');
    // Before it was tried nothing is called correct that hangs on it.
    expect(all.receptacles.get(den1)?.verdict).toMatchObject({
      code: 'undetermined',
      plain: false,
      urgency: 'repair',
    });
  });
});
