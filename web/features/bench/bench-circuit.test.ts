import { parseCircuit, surveyOf } from '@fair-plug/core/circuit';
import type { Fault } from '@fair-plug/core/faults';
import { lampsOf } from '@fair-plug/core/instruments';
import { describe, expect, test } from 'vitest';
import {
  hasFault,
  isRun,
  longer,
  longestRun,
  newRun,
  openFile,
  shorter,
  toggleFault,
  withDevice,
  withGrounds,
  withLoad,
} from './bench-circuit.ts';
import { lessons } from './lessons.ts';

const openNeutral: Fault = { kind: 'open', conductor: 'neutral', cable: 'c3' };

describe('the circuit on the bench', () => {
  test('a run grows to six receptacles, shrinks to one and stays a sound file', () => {
    let circuit = newRun(1);
    for (let step = 0; step < 10; step += 1) circuit = longer(circuit);
    expect(circuit.outlets).toHaveLength(longestRun);
    expect(isRun(circuit)).toBe(true);
    expect(parseCircuit(circuit).kind).toBe('parsed');
    for (let step = 0; step < 10; step += 1) circuit = shorter(circuit);
    expect(circuit.outlets).toHaveLength(1);
  });

  test('what was at a receptacle that is taken away goes with it', () => {
    const full = withDevice(withLoad(toggleFault(newRun(3), openNeutral), 'den-3', 60), 'den-3', {
      kind: 'gfci',
      covers: 'outlet',
      state: 'set',
    });
    const { faults, loads, protection } = shorter(full);
    expect([faults, loads, protection]).toEqual([[], [], []]);
  });

  test('a fault is put in and taken out by the same press, whatever its ohms', () => {
    const poor: Fault = { kind: 'resistance', conductor: 'hot', ohms: 3, at: 'den-1' };
    const one = toggleFault(newRun(2), poor);
    expect(hasFault(one, { ...poor, ohms: 1 })).toBe(true);
    expect(hasFault(one, { ...poor, conductor: 'neutral' })).toBe(false);
    expect(toggleFault(one, { ...poor, ohms: 1 }).faults).toEqual([]);
  });

  test('a load of 0 W and no device are none', () => {
    const circuit = withLoad(newRun(2), 'den-1', 60);
    expect(withLoad(circuit, 'den-1', 0).loads).toEqual([]);
    expect(withDevice(circuit, 'den-1', null).protection).toEqual([]);
  });

  test('what was saved opens again as it was', () => {
    const circuit = withGrounds(toggleFault(newRun(4), openNeutral), false);
    expect(openFile(JSON.stringify(circuit))).toEqual({ kind: 'opened', circuit });
  });

  test.each([
    ['{', 'not JSON'],
    ['{"format":"fair-plug/circuit@1"}', '/outlets: missing'],
    [
      JSON.stringify({
        ...newRun(2),
        cables: newRun(2).cables.map((cable) => ({ ...cable, from: 'panel' })),
      }),
      'another shape',
    ],
  ])('%s is refused with the reason', (text, reason) => {
    const opened = openFile(text);
    expect(opened.kind === 'refused' && opened.reason).toContain(reason);
  });
});

describe('the lessons', () => {
  test('every one of them is among those checked here', () => {
    expect(lessons).toHaveLength(17);
  });

  test.each([
    ['Sound', 'hn-hg'],
    ['Hot and neutral reversed at one receptacle', 'hn-ng'],
    ['Hot and neutral reversed from a cable on', 'hn-ng'],
    ['Jumper from hot where no ground arrives', 'hn-ng'],
    ['Hot and ground truly exchanged', 'hg-ng'],
    ['Open neutral, a lamp on downstream', 'hg-ng'],
    ['Open neutral, nothing on', 'hg'],
    ['Open neutral and no ground: looks dead', 'none'],
    ['Open ground', 'hn'],
    ['Open ground that hides a reversal', 'hn'],
    ['Open hot', 'none'],
    ['Open hot, hot on the neutral', 'ng'],
    ['Bootleg ground', 'hn-hg'],
    ['Reversed bootleg ground', 'hn-hg'],
    ['Poor splice in the neutral', 'hn-hg'],
    ['Tripped device upstream', 'none'],
    ['Lost neutral shared by two legs', 'all'],
  ] as const)('%s shows %s at the second receptacle', (name, pattern) => {
    const circuit = lessons.find((lesson) => lesson.name === name)?.circuit();
    if (circuit === undefined) throw new Error(`no lesson ${name}`);
    expect(parseCircuit(circuit).kind).toBe('parsed');
    const survey = surveyOf(circuit, { at: 'den-2', instrument: 'lamps' });
    expect(survey.outlets[1]?.lamps).toEqual(lampsOf(pattern));
  });
});
