import { expect, test } from 'vitest';
import { assess } from '../assessment/index.ts';
import { lampsOf } from '../instruments/index.ts';
import { asEntries, idNumber } from '../log/arbitrary-entries.ts';
import { foldHouse, type JobStatement } from '../log/index.ts';
import { enGb, enUs, reportOn } from '../words/index.ts';
import { placeOfPhoto } from './photos.ts';

const [room, wrong, panel] = [0x20, 0x30, 0x90].map(idNumber) as [string, string, string];
const photo = (n: number, of: 'receptacle' | 'box' | 'panel' | 'room', about: string): JobStatement => ({
  kind: 'photo-taken',
  photo: idNumber(n),
  of,
  about,
  hash: 'a'.repeat(64),
  width: 800,
  height: 600,
});
const sized = (n: number, size: 'large' | 'small' | 'left-out'): JobStatement => ({
  kind: 'photo-described',
  photo: idNumber(n),
  size,
});
const reportOf = (...statements: readonly JobStatement[]) =>
  reportOn(
    assess(
      foldHouse(
        asEntries([
          { kind: 'room-described', room, name: 'Den' },
          { kind: 'receptacle-described', receptacle: wrong, room, name: 'Den 1' },
          { kind: 'reading-taken', receptacle: wrong, shown: { instrument: 'lamps', ...lampsOf('hn') } },
          { kind: 'panel-described', panel, panelKind: 'main' },
          { kind: 'panel-checked', panel, check: 'rust', found: 'seen' },
          ...statements,
        ]),
      ),
    ),
  );
const printed = (report: ReturnType<typeof reportOf>) =>
  (report.photos?.printed ?? []).map(({ photo: { id }, size, finding }) => [
    Number.parseInt(id.slice(-2), 16),
    size,
    finding,
  ]);

test('of each finding the first is printed, large; a panel’s stands beside what is wrong at the panel', () => {
  const report = reportOf(
    photo(0xb0, 'receptacle', wrong),
    photo(0xb1, 'box', wrong),
    photo(0xb2, 'panel', panel),
    photo(0xb3, 'room', room),
  );
  const [first] = report.findings.filter(({ receptacles }) => receptacles.length > 0);
  expect(printed(report)).toEqual(
    expect.arrayContaining([
      [0xb0, 'large', first?.key],
      [0xb2, 'large', 'panel-rust'],
    ]),
  );
  expect(report.photos).toMatchObject({ printed: { length: 2 }, kept: 2 });
});

test('a photo stands beside the finding that is about the fewest places', () => {
  const others = [0x31, 0x32].map(idNumber);
  const all = [wrong, ...others];
  const report = reportOf(
    ...others.flatMap((receptacle): readonly JobStatement[] => [
      { kind: 'receptacle-described', receptacle, room, name: `Den ${receptacle}` },
      { kind: 'reading-taken', receptacle, shown: { instrument: 'lamps', ...lampsOf('hn') } },
    ]),
    ...all.map(
      (receptacle, index): JobStatement => ({
        kind: 'receptacle-fed',
        receptacle,
        breaker: '1',
        place: index + 1,
      }),
    ),
    { kind: 'look-noted', receptacle: others[0] ?? '', look: 'cracked', seen: true },
    photo(0xb0, 'receptacle', others[0] ?? ''),
  );
  const [narrow] = report.findings.filter(({ receptacles }) => receptacles.length === 1);
  expect(report.findings.findIndex(({ receptacles }) => receptacles.length > 1)).toBe(0);
  expect(printed(report)).toEqual([[0xb0, 'large', narrow?.key]]);
});

test('what somebody chose holds: left out, small, or printed by itself', () => {
  const report = reportOf(
    photo(0xb0, 'receptacle', wrong),
    photo(0xb1, 'receptacle', wrong),
    photo(0xb3, 'room', room),
    sized(0xb0, 'left-out'),
    sized(0xb1, 'small'),
    sized(0xb3, 'large'),
  );
  const [first] = report.findings.filter(({ receptacles }) => receptacles.length > 0);
  expect(printed(report)).toEqual([
    [0xb1, 'small', first?.key],
    [0xb3, 'large', null],
  ]);
  expect(report.photos?.kept).toBe(1);
});

test('a photo says what it is of, and to whom does not see it what was written on it', () => {
  const house = foldHouse(
    asEntries([
      { kind: 'room-described', room, name: 'Den' },
      { kind: 'receptacle-described', receptacle: wrong, room, name: 'East wall' },
      photo(0xb0, 'box', wrong),
      {
        kind: 'photo-marked',
        photo: idNumber(0xb0),
        drawn: idNumber(0xc0),
        shape: { form: 'text', x: 0, y: 0, words: 'No ground' },
      },
    ]),
  );
  const [one] = house.photos ?? [];
  if (one === undefined) throw new Error('no photo');
  const place = placeOfPhoto(house, one);
  expect(enUs.photos.of(place)).toBe('Inside the box of East wall, Den');
  expect(enUs.photos.alternative(one, place)).toBe(
    'Photo: Inside the box of East wall, Den. Written on it: No ground',
  );
  expect(enGb.photos.of({ of: 'receptacle', name: null, room: null })).toBe('A socket-outlet');
});
