import { bootlegGround } from './bootleg-ground.ts';
import type { Condition, ConditionId } from './condition.ts';
import { correct } from './correct.ts';
import { energizedGround } from './energized-ground.ts';
import { highResistance } from './high-resistance.ts';
import { hotGroundReversed } from './hot-ground-reversed.ts';
import { lostSharedNeutral } from './lost-shared-neutral.ts';
import { neutralGroundBond } from './neutral-ground-bond.ts';
import { neutralGroundSwapped } from './neutral-ground-swapped.ts';
import { openGround } from './open-ground.ts';
import { openHot } from './open-hot.ts';
import { openNeutral } from './open-neutral.ts';
import { protectionFailed } from './protection-failed.ts';
import { protectionTripped } from './protection-tripped.ts';
import { reversedBootlegGround } from './reversed-bootleg-ground.ts';
import { reversedPolarity } from './reversed-polarity.ts';

/** Every condition the product knows, by id. */
export const conditions: Readonly<Record<ConditionId, Condition>> = {
  'energized-ground': energizedGround,
  'reversed-bootleg-ground': reversedBootlegGround,
  'hot-ground-reversed': hotGroundReversed,
  'lost-shared-neutral': lostSharedNeutral,
  'open-neutral': openNeutral,
  'reversed-polarity': reversedPolarity,
  'bootleg-ground': bootlegGround,
  'neutral-ground-bond': neutralGroundBond,
  'open-ground': openGround,
  'neutral-ground-swapped': neutralGroundSwapped,
  'high-resistance': highResistance,
  'protection-tripped': protectionTripped,
  'protection-failed': protectionFailed,
  'open-hot': openHot,
  correct,
};
