import { describe, expect, test } from 'vitest';
import { assess, HouseJudge } from '../assessment/index.ts';
import { type LampPattern, lampsOf } from '../instruments/index.ts';
import { idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type House, type JobEntry, type JobStatement } from '../log/index.ts';
import { enUs, reportOn } from '../words/index.ts';
import { methodFacts, type Report, workListOf } from './index.ts';

/** A house with one room whose receptacles show the given patterns, in order; null is not tested. */
function houseShowing(patterns: readonly (LampPattern | null)[]) {
  const room = idNumber(0x20);
  const statements: JobStatement[] = [{ kind: 'room-described', room, name: 'Den' }];
  patterns.forEach((pattern, index) => {
    const receptacle = idNumber(0x100 + index);
    statements.push({ kind: 'receptacle-described', receptacle, room, name: `Den ${index + 1}` });
    if (pattern !== null) statements.push({ kind: 'lamps-read', receptacle, lamps: lampsOf(pattern) });
  });
  const envelope = { device: idNumber(2), author: idNumber(3), at: '2026-05-04T09:30:00.000Z' };
  return foldHouse(
    statements.map((s, index): JobEntry => ({ id: idNumber(0x1000 + index), ...envelope, ...s })),
  );
}

/** Findings that readings lead to, without what is said of the walk as a whole. */
const fromReadings = ({ findings }: Report) => findings.filter(({ proposal }) => proposal?.verdict);

const as = (same: string): string => same;
const clock = { day: as, shortDay: as, hour: as };

describe('the report', () => {
  test('receptacles that cannot be told apart share one finding', () => {
    const findings = fromReadings(reportOn(assess(houseShowing(['hn', 'hn-hg', 'hn', 'hn']))));
    expect(findings).toHaveLength(1);
    expect(findings[0]?.receptacles.map(({ name }) => name)).toEqual(['Den 1', 'Den 3', 'Den 4']);
  });

  test('what must be acted on now comes first, and lines carry the number of their finding', () => {
    const report = reportOn(assess(houseShowing(['hn', 'hn-ng', 'all', 'hg-ng'])));
    expect(fromReadings(report).map((finding) => finding.urgency)).toEqual([
      'act-now',
      'act-now',
      'repair',
      'repair',
    ]);
    expect(report.findings[0]?.proposal?.verdict?.signature).toBe('hg-ng');
    expect(report.rooms[0]?.lines.map((line) => line.findings)).toEqual([[4], [3], [2], [1]]);
  });

  test('at a missing ground a box is named to open first, or none, never both', () => {
    const toOpen = (groundedWiring: boolean | null) => {
      const house = { ...houseShowing(['hn', 'hn-hg', 'hn-hg']), groundedWiring };
      return workListOf(reportOn(assess(house))).find(({ receptacle }) => receptacle === 'Den 1')?.openFirst;
    };
    expect(toOpen(true)).toBe('this box, then the last one toward the panel that has a ground');
    expect(toOpen(null)).toBe('this box, then the last one toward the panel that has a ground');
    expect(toOpen(false)).toBe('no box: the wiring has no grounds');
  });

  test('the method says what the log holds, not what is usual', () => {
    const house = houseShowing(['hn-hg', 'hn-hg']);
    const statements = (more: Partial<House>): string =>
      JSON.stringify(
        enUs.sections.texts.method(
          {
            own: null,
            facts: methodFacts({ ...house, ...more }),
            standard: null,
            edition: null,
            questions: [],
          },
          clock,
        ),
      );
    expect(statements({})).toContain(
      'No cover is recorded as taken off. No breaker is recorded as switched.',
    );
    expect(statements({})).not.toMatch(/both halves|without leave|with leave/);
    const wentDead = [
      { by: { kind: 'breaker', breaker: '7' } },
      { by: { kind: 'device', receptacle: idNumber(0x100) } },
    ] as unknown as House['wentDead'];
    expect(statements({ wentDead })).toContain('Switched: breaker 7, and no leave for it is recorded.');
    expect(statements({ wentDead, breakerLeave: true, leaveFrom: 'the owner' })).toContain(
      'Switched: breaker 7, with leave of the owner.',
    );
    const [room] = house.rooms;
    const rooms = room && [
      {
        ...room,
        receptacles: room.receptacles.map((one) => ({ ...one, coverOff: { metal: 'copper' as const } })),
      },
    ];
    expect(statements({ rooms: rooms ?? [] })).toContain('2 covers were taken off, where a qualified person');
  });

  test('what was not tested is named', () => {
    const report = reportOn(assess(houseShowing(['hn-hg', null])));
    expect(report.notTested).toEqual(['Den 2']);
    expect(report.summary).toEqual({ receptacles: 2, tested: 1, readCorrect: 1, withFinding: 0 });
  });

  test('what reads correct and is in a finding for what it may hide is not counted as correct', () => {
    const house = { ...houseShowing(['hn-hg', 'hn-hg']), yearBuilt: 1950, groundedWiring: false };
    const report = reportOn(assess(house));
    expect(report.findings.map(({ key }) => key)).toContain('house-correct-without-ground');
    expect(report.summary).toEqual({ receptacles: 2, tested: 2, readCorrect: 0, withFinding: 2 });
    expect(report.notSeen).toEqual([]);
  });

  test('a house where all reads correct still says what the lamps cannot see, once', () => {
    const report = reportOn(assess(houseShowing(['hn-hg', 'hn-hg'])));
    expect(fromReadings(report)).toEqual([]);
    expect(report.notSeen).toEqual([
      'reversed-bootleg-ground',
      'lost-shared-neutral',
      'bootleg-ground',
      'neutral-ground-bond',
      'neutral-ground-swapped',
      'high-resistance',
    ]);
  });

  test('every pattern but correct becomes a finding with a correction', () => {
    for (const pattern of ['hn-ng', 'hg-ng', 'hn', 'hg', 'ng', 'none', 'all'] as const) {
      const [finding] = fromReadings(reportOn(assess(houseShowing([pattern]))));
      expect(finding?.correction, pattern).toMatch(/electrician/);
    }
  });

  test('the cautions stand in the report of an empty house too', () => {
    expect(reportOn(assess(houseShowing([]))).cautions.join(' ')).toContain('do not prove a receptacle dead');
  });
});

test('an instrument that is held not to work is named in the report, with where it was used', () => {
  const house = houseShowing(['none', 'hn-hg']);
  const metered: JobEntry = {
    id: idNumber(0x2000),
    device: idNumber(2),
    author: idNumber(3),
    at: '2026-05-04T09:40:00.000Z',
    kind: 'reading-taken',
    receptacle: idNumber(0x100),
    shown: { instrument: 'meter', hn: 121, hg: 121, ng: 0.1 },
  };
  const [room] = house.rooms;
  const read = {
    ...house,
    rooms: house.rooms.map((one) =>
      one !== room
        ? one
        : {
            ...one,
            receptacles: one.receptacles.map((receptacle, at) =>
              at === 0 ? { ...receptacle, readings: [...receptacle.readings, metered] } : receptacle,
            ),
          },
    ),
  };
  const run = new HouseJudge().judging(read, ['lamps', 'probe', 'meter']);
  let step = run.next();
  while (!step.done) step = run.next();
  const { instrumentDoubts } = reportOn(assess(read, step.value));
  expect(instrumentDoubts).toEqual([
    { words: expect.stringMatching(/check the tester/i), receptacles: ['Den 1'] },
  ]);
});
