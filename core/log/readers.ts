import { inOrder } from './entry-order.ts';
import { type House, receptaclesOf } from './house.ts';

/** Ids of those who read something in the house, whoever read first before the others. */
export function readersOf(house: House): readonly string[] {
  const readings = receptaclesOf(house).flatMap(({ readings }) => readings);
  return [...new Set(readings.sort(inOrder).map(({ author }) => author))];
}
