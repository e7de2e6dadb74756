import { type House, isPlainLamps, type Receptacle } from '../inspection/index.ts';
import type { HouseJudgement, JudgedReceptacle } from './house-judgement.ts';

type Judged = ReadonlyMap<string, JudgedReceptacle>;

/** What is new in a judgement since the last one that was told: a large house is not told anew for one reading. */
export interface JudgementNews extends Omit<HouseJudgement, 'receptacles'> {
  /** Nothing was told before: what the listener has counts no more. */
  readonly isWhole: boolean;
  readonly changed: Judged;
  readonly gone: readonly string[];
}

/** Receptacles that are the same object as before are left out. */
export function newsSince(told: Judged | null, { receptacles, ...rest }: HouseJudgement): JudgementNews {
  return {
    ...rest,
    isWhole: told === null,
    changed: new Map([...receptacles].filter(([id, one]) => told?.get(id) !== one)),
    gone: [...(told?.keys() ?? [])].filter((id) => !receptacles.has(id)),
  };
}

/** The judgement after the news; what they do not speak of stays the same object. */
export function afterNews(
  before: Judged,
  { isWhole, changed, gone, ...rest }: JudgementNews,
): HouseJudgement {
  const receptacles = new Map(isWhole ? [] : before);
  for (const [id, one] of changed) receptacles.set(id, one);
  for (const id of gone) receptacles.delete(id);
  return { ...rest, receptacles };
}

const slimmed = new WeakMap<Receptacle, Receptacle>();

/** A receptacle with no more than it is judged by. */
function slim(receptacle: Receptacle): Receptacle {
  const known = slimmed.get(receptacle);
  if (known !== undefined) return known;
  const { readings } = receptacle;
  const plain = readings.findLast(isPlainLamps);
  const made = {
    ...receptacle,
    // Of plain lamps the latest counts.
    readings: readings.filter((one) => one === plain || !isPlainLamps(one)),
    groundFaultTests: [],
    warnings: [],
    notes: [],
  };
  slimmed.set(receptacle, made);
  return made;
}

/** A house with no more than it is judged by: what a worker is sent at every reading. */
export const slimHouse = (house: House): House => ({
  ...house,
  proofs: [],
  wentDead: [],
  findingsSaid: [],
  signatures: [],
  rooms: house.rooms.map((room) => ({ ...room, receptacles: room.receptacles.map(slim) })),
});
