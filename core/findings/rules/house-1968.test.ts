import { describe, expect, test } from 'vitest';
import { assess } from '../../assessment/index.ts';
import { type LampPattern, lampsOf } from '../../instruments/index.ts';
import { usualPractice } from '../../knowledge/index.ts';
import { asEntries, idNumber } from '../../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../../log/index.ts';
import { ownerPageOf, workListOf } from '../../report/index.ts';
import { enUs, findingsOf, reportOn } from '../../words/index.ts';

/** A house of 46 receptacles from 1968: so many in each room. */
const rooms = {
  Entry: 2,
  Living: 8,
  Dining: 4,
  Kitchen: 6,
  Bath: 3,
  Hall: 3,
  Bedroom: 7,
  Den: 5,
  Laundry: 3,
  Garage: 5,
} as const;

const ids = new Map<string, string>();
const described: JobStatement[] = [
  { kind: 'job-described', address: '3 Larch Bend', yearBuilt: 1968, groundedWiring: true },
];
Object.entries(rooms).forEach(([name, count], number) => {
  const room = idNumber(0x20 + number);
  described.push({ kind: 'room-described', room, name, expected: count });
  for (let n = 1; n <= count; n += 1) {
    const receptacle = idNumber(0x1000 + ids.size);
    ids.set(`${name} ${n}`, receptacle);
    described.push({ kind: 'receptacle-described', receptacle, room, name: `${name} ${n}` });
  }
});
const at = (name: string): string => {
  const id = ids.get(name);
  if (id === undefined) throw new Error(`no ${name}`);
  return id;
};
const reads = (name: string, pattern: LampPattern): JobStatement => ({
  kind: 'reading-taken',
  receptacle: at(name),
  shown: { instrument: 'lamps', ...lampsOf(pattern) },
});
const device = (name: string): JobStatement => ({
  kind: 'receptacle-described',
  receptacle: at(name),
  room: idNumber(0x20 + Object.keys(rooms).indexOf(name.split(' ')[0] ?? '')),
  name,
  type: 'ground-fault',
});
const tried = (
  name: string,
  by: 'tester-button' | 'own-button',
  result: 'tripped' | 'no-trip' | 'power-stays-on',
): JobStatement => ({ kind: 'ground-fault-tested', receptacle: at(name), by, result });
const behind = (name: string, ...dead: readonly string[]): readonly JobStatement[] => [
  ...dead.map(
    (one): JobStatement => ({
      kind: 'lost-power',
      by: { kind: 'device', receptacle: at(name) },
      outlet: at(one),
      lost: true,
    }),
  ),
  { kind: 'power-restored', by: { kind: 'device', receptacle: at(name) }, restored: true },
];
const look = (name: string, seen: 'scorch' | 'wet'): JobStatement => ({
  kind: 'look-noted',
  receptacle: at(name),
  look: seen,
  seen: true,
});

/** All 46, read correct where nothing else is said. */
const walked = (...more: readonly JobStatement[]) => {
  const all = [...ids.keys()].map((name) => reads(name, 'hn-hg'));
  const house = foldHouse(asEntries([...described, ...all, ...more]));
  const assessment = assess(house);
  const report = reportOn(assessment);
  const named = findingsOf(assessment, usualPractice).filter(
    ({ key }) => !/^house-(testers|coverage|protection)/.test(key),
  );
  const about = (name: string) =>
    named.filter(({ receptacles }) => receptacles.some(({ id }) => id === at(name)));
  return { findings: named, about, work: workListOf(report), page: ownerPageOf(report, enUs.ownerPage) };
};

test('the house has 46 receptacles', () => {
  expect(ids.size).toBe(46);
});

describe('a tester’s button that does not trip the device upstream, which trips by its own', () => {
  const { about, work } = walked(
    device('Bath 1'),
    tried('Bath 1', 'own-button', 'tripped'),
    ...behind('Bath 1', 'Bath 1', 'Hall 2'),
    tried('Hall 2', 'tester-button', 'no-trip'),
    device('Garage 1'),
    tried('Garage 1', 'own-button', 'power-stays-on'),
    tried('Garage 1', 'tester-button', 'no-trip'),
    tried('Garage 1', 'own-button', 'power-stays-on'),
  );

  test('is a suspected jumper there', () => {
    expect(about('Hall 2')).toMatchObject([
      {
        condition: 'bootleg-ground',
        isSuspected: true,
        urgency: 'repair',
        receptacles: [{ name: 'Hall 2' }],
      },
    ]);
  });

  test('is never one with the dead device of another room, and never has a device replaced in its own box', () => {
    expect(about('Garage 1')).toMatchObject([{ condition: 'protection-failed', urgency: 'act-now' }]);
    const line = work.find(({ receptacle }) => receptacle === 'Hall 2');
    expect(`${line?.correction} ${line?.openFirst}`).not.toMatch(/replaces the device|the device’s own box/);
  });
});

test('devices of two rooms that fail are two findings; those behind one device are one', () => {
  const { findings } = walked(
    device('Bath 1'),
    tried('Bath 1', 'own-button', 'power-stays-on'),
    device('Garage 1'),
    tried('Garage 1', 'own-button', 'power-stays-on'),
    tried('Kitchen 1', 'tester-button', 'no-trip'),
    tried('Kitchen 2', 'tester-button', 'no-trip'),
  );
  expect(findings.map(({ receptacles }) => receptacles.map(({ name }) => name))).toEqual([
    ['Bath 1'],
    ['Garage 1'],
    ['Kitchen 1', 'Kitchen 2'],
  ]);
});

test('aluminum in push-in terminals has one instruction, and the owner reads no other', () => {
  const { about, page } = walked({
    kind: 'cover-off',
    receptacle: at('Den 1'),
    provedDead: true,
    metal: 'aluminum',
    pushIn: true,
  });
  const found = about('Den 1');
  expect(found).toMatchObject([{ key: 'house-aluminum', urgency: 'repair' }]);
  expect(found[0]?.what).toContain('push-in');
  expect(found[0]?.correction).not.toContain('under the screws');
  const lines = page.groups.flatMap(({ urgency, items }) => items.map((item) => ({ urgency, ...item })));
  expect(lines.filter(({ where }) => where.includes('Den 1'))).toMatchObject([{ urgency: 'repair' }]);
});

test('copper in push-in terminals is a note, to the owner too', () => {
  const { page } = walked({
    kind: 'cover-off',
    receptacle: at('Den 1'),
    provedDead: true,
    metal: 'copper',
    pushIn: true,
  });
  const [, , note] = page.groups;
  expect(note?.items.filter(({ where }) => where === 'Den 1')).toMatchObject([
    { headline: 'Spring-clamp push-in terminals' },
  ]);
});

test('within a rank the dangerous comes first: scorched and wet before what only reads wrong', () => {
  const { findings } = walked(reads('Den 1', 'hg-ng'), look('Den 2', 'scorch'), look('Den 3', 'wet'));
  expect(findings.map(({ headline }) => headline)).toEqual([
    'Scorched',
    'Wet',
    'Reads hot and ground reversed',
  ]);
});

test('a breaker found off is offered before a device that nobody saw', () => {
  const dark = (breakersFoundOff: string) =>
    walked({ kind: 'job-described', breakersFoundOff }, reads('Den 1', 'none')).about('Den 1')[0]?.proposal;
  expect(dark('breaker 7')?.openFirst).toMatch(/^no box before the breaker found off \(breaker 7\)/);
  expect(dark('none')?.openFirst).not.toContain('found off');
});

describe('power that is not back', () => {
  const tripped = [device('Bath 1'), tried('Bath 1', 'own-button', 'tripped')];

  test('is a finding with all that is dead, until somebody says that it is back', () => {
    const by = { kind: 'device', receptacle: at('Bath 1') } as const;
    const dead: JobStatement = { kind: 'lost-power', by, outlet: at('Hall 2'), lost: true };
    expect(walked(...tripped, dead).about('Hall 2')).toMatchObject([
      { key: 'power-not-back', urgency: 'repair' },
    ]);
    const back: JobStatement = { kind: 'power-restored', by, restored: true };
    expect(walked(...tripped, dead, back).findings).toEqual([]);
    const refuses: JobStatement = { kind: 'power-restored', by, restored: false };
    expect(walked(...tripped, dead, refuses).about('Bath 1')).toMatchObject([
      { key: 'device-will-not-reset' },
    ]);
  });

  test('a device that is locked out is a finding', () => {
    const locked: JobStatement = { kind: 'protection-noted', receptacle: at('Bath 1'), lockedOut: true };
    expect(walked(device('Bath 1'), locked).about('Bath 1')).toMatchObject([
      { key: 'device-will-not-reset', urgency: 'repair' },
    ]);
  });
});

describe('what read wrong and reads correct now', () => {
  test('is a finding with both readings: it comes and goes, or somebody put it right', () => {
    const [found] = walked(reads('Den 1', 'hn'), reads('Den 1', 'hn-hg')).about('Den 1');
    expect(found).toMatchObject({ key: 'was-open-ground', urgency: 'repair', condition: 'open-ground' });
    expect(found?.proposal?.evidence).toHaveLength(3);
  });

  test('is none where the wrong reading was taken back, or by a tester that failed', () => {
    const house = (more: readonly JobStatement[]) =>
      walked(reads('Den 1', 'hn'), ...more, reads('Den 1', 'hn-hg'));
    const failed: JobStatement = { kind: 'tester-proved', instrument: 'lamps', passed: false };
    expect(house([failed]).about('Den 1')).toEqual([]);
  });

  test('is none where somebody decided on it as it read then: that finding says that it is gone', () => {
    const [then] = walked(reads('Den 1', 'hn')).about('Den 1');
    if (then?.proposal == null) throw new Error('nothing proposed');
    const { headline, what, why, correction, by, urgency } = then;
    const after = walked(
      reads('Den 1', 'hn'),
      {
        kind: 'finding-decided',
        finding: then.key,
        decision: 'accepted',
        held: {
          headline,
          what,
          why,
          correction,
          by,
          urgency,
          condition: 'open-ground',
          receptacles: [at('Den 1')],
          where: null,
        },
      },
      reads('Den 1', 'hn-hg'),
    ).about('Den 1');
    expect(after).toMatchObject([{ key: then.key, flags: [{ kind: 'gone' }] }]);
  });
});
