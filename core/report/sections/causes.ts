import { foundBehind, receptaclesOf } from '../../log/index.ts';
import type { Reported } from './kind.ts';

/** One line a cause, with everything that it explains; and what went dead with a device. */
export function causes({ report: { causes: believed, house } }: Reported) {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const nameOf = (id: string): string => names.get(id) ?? '';
  const cut = foundBehind(house).map(({ device, dead, isBack }) => ({
    device: nameOf(device),
    dead: dead.map(nameOf),
    isBack,
  }));
  return believed.length === 0 && cut.length === 0 ? null : { believed, cut };
}
