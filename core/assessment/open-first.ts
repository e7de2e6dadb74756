import { type House, receptaclesOf, whereIs } from '../log/index.ts';
import { panel } from '../physics/index.ts';
import type { JudgedCause } from './judged.ts';

/** A box that may be opened, with how probable it is that the thing to be mended is in it. */
export interface BoxToOpen {
  /** A receptacle's id, or the panel's name. */
  readonly at: string;
  readonly probability: number;
}

/** Which box to open first, and why that one. */
export interface OpenFirst extends BoxToOpen {
  /** `alone`: nowhere else it may be; `most`: more probable than any other; `near`: about as probable as others, and nearest to hand. */
  readonly because: 'alone' | 'most' | 'near';
  /** All of them, in the order in which to open. */
  readonly boxes: readonly BoxToOpen[];
}

/** Boxes whose shares differ by no more are about as probable. */
const tie = 0.05;

/** Ranks of receptacles by how near to hand they are: the room that was read last first, the panel last. */
function distanceIn(house: House): (box: string) => number {
  const all = receptaclesOf(house);
  const read = all
    .flatMap(({ id, readings }) => readings.map(({ at }) => ({ id, at })))
    .sort((a, b) => (a.at < b.at ? 1 : -1));
  const last = read[0]?.id;
  const room = last === undefined ? undefined : whereIs(house, last)?.room.id;
  const order = new Map(all.map(({ id }, position) => [id, position]));
  const here = last === undefined ? 0 : (order.get(last) ?? 0);
  return (box) => {
    // The panel is a walk away, and it is not opened by everyone.
    if (box === panel) return 2 * all.length;
    const away = Math.abs((order.get(box) ?? all.length) - here);
    return whereIs(house, box)?.room.id === room ? away / (all.length + 1) : 1 + away;
  };
}

/** The most probability for a box opened; where several are about as probable, the nearest to hand. */
export function openFirstOf(house: House, { place }: Pick<JudgedCause, 'place'>): OpenFirst | null {
  const [most] = place?.boxes ?? [];
  if (place === null || most === undefined) return null;
  const distance = distanceIn(house);
  const tied = place.boxes.filter(({ probability }) => most.probability - probability <= tie);
  const [first = most] = tied.toSorted((a, b) => distance(a.at) - distance(b.at));
  return {
    ...first,
    because: place.boxes.length === 1 ? 'alone' : tied.length === 1 ? 'most' : 'near',
    boxes: [first, ...place.boxes.filter((box) => box !== first)],
  };
}
