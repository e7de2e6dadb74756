import type { HouseFacts } from '../engine/index.ts';
import type { House } from '../log/index.ts';

/** What of a house bears on how likely a cause is. */
export const factsOf = ({ yearBuilt, groundedWiring, alterations }: House): HouseFacts => ({
  ...(yearBuilt === null ? {} : { yearBuilt }),
  groundedWiring,
  ...(alterations.length === 0 ? {} : { alteredIn: alterations.map(({ year }) => year) }),
});
