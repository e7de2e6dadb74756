import fc from 'fast-check';
import { expect, test } from 'vitest';
import { idNumber, jobLog, kitLog } from './arbitrary-entries.ts';
import {
  foldHouse,
  foldKit,
  type House,
  inOrder,
  type JobEntry,
  type Kit,
  type KitEntry,
  receptaclesOf,
  withdrawnIn,
} from './index.ts';

/** What an entry of a set says: of which set, of which item, and whether it is on it. */
interface Item {
  readonly set: string;
  readonly item: string;
  readonly isThere: boolean;
}

/** Kinds that say one item of a set. */
const itemOf = (entry: JobEntry | KitEntry): Item | null => {
  switch (entry.kind) {
    case 'kept-powered':
      return { set: 'powered', item: entry.equipment, isThere: entry.kept };
    case 'alteration-noted':
      return { set: 'alterations', item: `${entry.year} ${entry.what}`, isThere: entry.made };
    case 'label-noted':
      return { set: `labels ${entry.receptacle}`, item: entry.label, isThere: entry.there };
    case 'look-noted':
      return { set: `looks ${entry.receptacle}`, item: entry.look, isThere: entry.seen };
    case 'lost-power':
      return { set: `dead ${JSON.stringify(entry.by)}`, item: entry.outlet, isThere: entry.lost };
    case 'left-as-found':
      return { set: 'left', item: entry.item, isThere: entry.done };
    case 'reference-checked':
      return { set: 'references', item: entry.reference, isThere: entry.checked };
    default:
      return null;
  }
};

/** Kinds that say a whole set anew, from before there were items: what they hold counts as added, the rest as removed. */
const wholeOf = (entry: JobEntry | KitEntry): readonly { set: string; items: readonly string[] }[] => {
  switch (entry.kind) {
    case 'job-described':
      return [
        ...(entry.keepPowered === undefined ? [] : [{ set: 'powered', items: entry.keepPowered }]),
        ...(entry.alterations === undefined
          ? []
          : [{ set: 'alterations', items: entry.alterations.map(({ year, what }) => `${year} ${what}`) }]),
      ];
    case 'protection-noted':
      return entry.labels === undefined ? [] : [{ set: `labels ${entry.receptacle}`, items: entry.labels }];
    case 'went-dead':
      return [{ set: `dead ${JSON.stringify(entry.by)}`, items: entry.dead }];
    case 'practice-chosen':
      return entry.checked === undefined ? [] : [{ set: 'references', items: entry.checked }];
    default:
      return [];
  }
};

/** What is on every set after all entries that stand, worked out without the fold. */
function expectedOf(entries: readonly (JobEntry | KitEntry)[]): ReadonlyMap<string, ReadonlySet<string>> {
  // A withdrawal may be withdrawn itself.
  const { gone } = withdrawnIn(entries.flatMap((entry) => (entry.kind === 'withdrawn' ? [entry] : [])));
  const sets = new Map<string, Set<string>>();
  for (const entry of entries.filter(({ id }) => !gone.has(id)).toSorted(inOrder)) {
    for (const { set, items } of wholeOf(entry)) sets.set(set, new Set(items));
    const one = itemOf(entry);
    if (one === null) continue;
    const set = sets.get(one.set) ?? new Set();
    if (one.isThere) set.add(one.item);
    else set.delete(one.item);
    sets.set(one.set, set);
  }
  return sets;
}

const inHouse = (house: House, set: string): readonly string[] => {
  const [kind, rest] = [set.split(' ')[0], set.slice(set.indexOf(' ') + 1)];
  const receptacle = receptaclesOf(house).find(({ id }) => id === rest);
  switch (kind) {
    case 'powered':
      return house.keepPowered;
    case 'alterations':
      return house.alterations.map(({ year, what }) => `${year} ${what}`);
    case 'left':
      return house.left;
    case 'labels':
      return receptacle?.protection.labels ?? [];
    case 'looks':
      return receptacle?.looks ?? [];
    default:
      return house.wentDead.findLast(({ by }) => JSON.stringify(by) === rest)?.dead ?? [];
  }
};

const sorted = (items: Iterable<string>): readonly string[] => [...new Set(items)].toSorted();

/** Ids of the second log that none of the first has. */
const apart = <E extends { readonly id: string }>(log: readonly E[]): readonly E[] =>
  log.map((entry) => ({ ...entry, id: entry.id.replace(/^0190/, '0191') }));

test('two people offline: no item is lost that either added and nobody later removed or withdrew', () => {
  fc.assert(
    fc.property(jobLog, jobLog, (one, other) => {
      // What was entered twice is put together under one id, and so are its sets.
      const log = [...one, ...apart(other)].filter(({ kind }) => kind !== 'receptacle-merged');
      const house = foldHouse(log);
      for (const [set, items] of expectedOf(log))
        expect(sorted(inHouse(house, set)), set).toEqual(sorted(items));
    }),
    { numRuns: 300 },
  );
});

test('ticked references of two people are all ticked', () => {
  const ticked = (kit: Kit): readonly string[] => kit.firm.practice.code.checked;
  fc.assert(
    fc.property(kitLog, kitLog, (one, other) => {
      const log = [...one, ...apart(other)];
      const expected = expectedOf(log).get('references') ?? [];
      expect(sorted(ticked(foldKit(log)))).toEqual(sorted(expected));
    }),
  );
});

const statements = (second: number, device: number, statement: object): JobEntry =>
  ({
    id: idNumber(0x5000 + second * 0x10 + device),
    device: idNumber(device),
    author: idNumber(1),
    at: new Date(Date.UTC(2026, 4, 4, 9, 0, second)).toISOString(),
    ...statement,
  }) as JobEntry;

test('rooms moved by two people offline: both moves stand', () => {
  const rooms = [0x20, 0x21, 0x22, 0x23].map(idNumber);
  const [hall, den, bath, attic] = rooms;
  const described = rooms.map((room, at) =>
    statements(at, 1, { kind: 'room-described', room, name: `Room ${at}` }),
  );
  const moves = [
    statements(10, 1, { kind: 'room-moved', moved: attic, after: null }),
    statements(11, 2, { kind: 'room-moved', moved: hall, after: bath }),
  ];
  const order = (log: readonly JobEntry[]) => foldHouse(log).rooms.map(({ id }) => id);
  expect(order([...described, ...moves])).toEqual([attic, den, bath, hall]);
  const whole = statements(12, 1, { kind: 'rooms-ordered', rooms: [bath, den] });
  expect(order([...described, ...moves, whole])).toEqual([bath, den, hall, attic]);
});

test('looked for, none there, stays sayable; and hides no label that somebody else saw', () => {
  const receptacle = idNumber(0x30);
  const labels = (...log: readonly JobEntry[]) => receptaclesOf(foldHouse(log))[0]?.protection.labels;
  const looked = statements(2, 1, { kind: 'labels-looked-for', receptacle });
  expect(labels(looked)).toEqual([]);
  const seen = statements(1, 2, { kind: 'label-noted', receptacle, label: 'protected', there: true });
  expect(labels(seen, looked)).toEqual(['protected']);
});
