/**
 * A light that is switched from several places, as a small model of its switches: two three-way switches at the ends of
 * two travelers, four-way switches between them. A three-way joins its common screw with one of two traveler screws; a
 * four-way passes the travelers straight or crossed. Which way a lever stands for "up" is nobody's rule, so no table is
 * held against it.
 */

export const groupFaults = [
  'sound',
  'missing-traveler',
  'exchanged-common',
  'stuck-switch',
  'joined-travelers',
  'no-feed',
] as const;
export type GroupFault = (typeof groupFaults)[number];

/** Levers of all switches, the two three-ways first and last: "ud", "uud". */
export type Positions = string;

/** By the positions of the levers, whether the light is on; what was not tried is left out. */
export type GroupTable = Readonly<Record<Positions, boolean>>;

export const mostSwitches = 4;

/** Every way in which so many levers can stand. */
export function positionsOf(switches: number): readonly Positions[] {
  return Array.from({ length: 2 ** switches }, (_, code) =>
    Array.from({ length: switches }, (_, at) => (((code >> at) & 1) === 0 ? 'u' : 'd')).join(''),
  );
}

/** Conductors at a three-way's screws: common, first and second traveler screw. */
type Screws = readonly ['feed' | 0 | 1, 'feed' | 0 | 1, 'feed' | 0 | 1];

const soundScrews: Screws = ['feed', 0, 1];
/** Every way to land a feed and two travelers on three screws. */
const allScrews: readonly Screws[] = [
  ['feed', 0, 1],
  ['feed', 1, 0],
  [0, 'feed', 1],
  [1, 0, 'feed'],
  [0, 1, 'feed'],
  [1, 'feed', 0],
];

interface Wiring {
  readonly first: Screws;
  readonly last: Screws;
  /** Travelers that lead nowhere. */
  readonly broken: readonly (0 | 1)[];
  readonly joined: boolean;
  /** A switch that stands still: which, and how; null: none. */
  readonly stuck: { readonly at: number; readonly lever: 'u' | 'd' } | null;
  readonly fed: boolean;
}

const sound: Wiring = {
  first: soundScrews,
  last: soundScrews,
  broken: [],
  joined: false,
  stuck: null,
  fed: true,
};

/** Whether the light is on: whether the feed at one end reaches that at the other. */
function isOn(wiring: Wiring, positions: Positions): boolean {
  if (!wiring.fed) return false;
  const levers = [...positions].map((lever, at) =>
    wiring.stuck?.at === at ? wiring.stuck.lever : (lever as 'u' | 'd'),
  );
  const stretches = positions.length - 1;
  // Nodes: feed, lamp, and both ends of every stretch of either traveler.
  const parent = new Map<string, string>();
  const root = (node: string): string => {
    const up = parent.get(node);
    return up === undefined ? node : root(up);
  };
  const join = (a: string, b: string): void => {
    const [one, two] = [root(a), root(b)];
    if (one !== two) parent.set(one, two);
  };
  const atScrew = (end: 'feed' | 'lamp', at: 'feed' | 0 | 1): string => {
    if (at === 'feed') return end;
    return end === 'feed' ? `from-${at}.0` : `to-${at}.${stretches - 1}`;
  };
  const closed = (end: 'feed' | 'lamp', [common, one, two]: Screws, lever: 'u' | 'd' | undefined): void =>
    join(atScrew(end, common), atScrew(end, lever === 'u' ? one : two));
  closed('feed', wiring.first, levers[0]);
  closed('lamp', wiring.last, levers.at(-1));
  for (const one of [0, 1] as const)
    for (let stretch = 0; stretch < stretches; stretch += 1) {
      // A broken traveler is broken in its first stretch.
      if (stretch > 0 || !wiring.broken.includes(one)) join(`from-${one}.${stretch}`, `to-${one}.${stretch}`);
      const isCrossed = levers[stretch + 1] === 'd';
      if (stretch + 1 < stretches)
        join(`to-${one}.${stretch}`, `from-${isCrossed ? 1 - one : one}.${stretch + 1}`);
    }
  if (wiring.joined) join('from-0.0', 'from-1.0');
  return root('feed') === root('lamp');
}

const tableOf = (wiring: Wiring, switches: number): GroupTable =>
  Object.fromEntries(positionsOf(switches).map((positions) => [positions, isOn(wiring, positions)]));

function wiringsWith(fault: GroupFault, switches: number): readonly Wiring[] {
  switch (fault) {
    case 'sound':
      return [sound];
    case 'missing-traveler':
      return [
        { ...sound, broken: [0] },
        { ...sound, broken: [1] },
      ];
    case 'exchanged-common': {
      const wrong = allScrews.filter(([common]) => common !== 'feed');
      return wrong.flatMap((screws) => [
        { ...sound, first: screws },
        { ...sound, last: screws },
      ]);
    }
    case 'stuck-switch':
      return Array.from({ length: switches }, (_, at) => at).flatMap((at) =>
        (['u', 'd'] as const).map((lever) => ({ ...sound, stuck: { at, lever } })),
      );
    case 'joined-travelers':
      return [{ ...sound, joined: true }];
    case 'no-feed':
      return [{ ...sound, fed: false }];
  }
}

/** A table as it stands where some levers count the other way round. */
const turned = (table: GroupTable, mask: number): GroupTable =>
  Object.fromEntries(
    Object.entries(table).map(([positions, on]) => [
      [...positions]
        .map((lever, at) => (((mask >> at) & 1) === 0 ? lever : lever === 'u' ? 'd' : 'u'))
        .join(''),
      on,
    ]),
  );

/** Every table that a fault may show at so many switches, whichever way their levers count. */
export function tablesOf(fault: GroupFault, switches: number): readonly GroupTable[] {
  const all = wiringsWith(fault, switches)
    .map((wiring) => tableOf(wiring, switches))
    .flatMap((table) => Array.from({ length: 2 ** switches }, (_, mask) => turned(table, mask)));
  const key = (table: GroupTable): string =>
    positionsOf(switches)
      .map((one) => table[one])
      .join();
  return [...new Map(all.map((table) => [key(table), table])).values()];
}

/** What fits a table as far as it was tried, the sound group first; empty where nothing single does. */
export const faultsFitting = (seen: GroupTable, switches: number): readonly GroupFault[] =>
  groupFaults.filter((fault) =>
    tablesOf(fault, switches).some((table) =>
      Object.entries(seen).every(([positions, on]) => table[positions] === on),
    ),
  );

/** A table from every position of which each lever turns the light, as far as it was tried. */
export const worksFromEverywhere = (seen: GroupTable, switches: number): boolean =>
  Object.keys(seen).length === 2 ** switches && faultsFitting(seen, switches).includes('sound');

/** Positions whose light is as it would not be in a sound group, by whichever count of levers agrees most. */
export function failingIn(seen: GroupTable, switches: number): readonly Positions[] {
  const odd = tablesOf('sound', switches).map((table) =>
    Object.keys(seen).filter((positions) => table[positions] !== seen[positions]),
  );
  return odd.reduce((least, one) => (one.length < least.length ? one : least), Object.keys(seen));
}
