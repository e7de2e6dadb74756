import { type GroundFaultCode, groundFaultResult } from '../assessment/index.ts';
import { isGroundFaultType } from '../knowledge/index.ts';
import { foundBehind, type House, houseDay, panelsOf, type Receptacle, receptaclesOf } from '../log/index.ts';
import { isKnownProtected, unprotectedPlaces } from './protection-rules.ts';
import { usualLife } from './rules/old-devices.ts';

/** How it was found out what a device covers. */
export type FoundOutBy = 'went-dead' | 'directory' | 'nobody';

/** A device that protects, with what it covers. */
export interface MappedDevice {
  /** Of its receptacle, or of the breaker in the directory. */
  readonly id: string;
  readonly name: string;
  readonly isBreaker: boolean;
  /** Ids of receptacles, its own among them. */
  readonly covers: readonly string[];
  readonly foundOutBy: FoundOutBy;
  /** How the latest test of it came out; null where it was not tried. */
  readonly tested: GroundFaultCode | null;
  readonly isLockedOut: boolean;
  readonly madeIn: number | null;
  /** Year in which it is due to be replaced; null where its age is not known. */
  readonly dueIn: number | null;
  readonly isDue: boolean;
}

/** Receptacles that the rule of a year asks to be covered, and that nothing known covers. */
export interface Uncovered {
  readonly id: string;
  readonly name: string;
  /** The rule is older than the house or its room: it is missing; else an upgrade is worth recommending. */
  readonly isMissing: boolean;
  /** First year of the rule. */
  readonly from: number;
}

export interface ProtectionMap {
  readonly devices: readonly MappedDevice[];
  readonly uncovered: readonly Uncovered[];
  /** Labelled as protected, by a device that nobody has found. */
  readonly labelled: readonly {
    readonly id: string;
    readonly name: string;
    readonly resetAt: string | null;
  }[];
}

const dueOf = (madeIn: number | null, year: number | null) => {
  const dueIn = madeIn === null ? null : madeIn + usualLife;
  return { madeIn, dueIn, isDue: dueIn !== null && year !== null && year >= dueIn };
};

function atReceptacle(house: House, receptacle: Receptacle, year: number | null): MappedDevice {
  const { id, name, protection, groundFaultTests } = receptacle;
  const behind = foundBehind(house).find(({ device }) => device === id);
  const latest = groundFaultTests.at(-1);
  return {
    id,
    name,
    isBreaker: false,
    covers: [...new Set([id, ...(behind?.dead ?? [])])],
    foundOutBy: behind === undefined ? 'nobody' : 'went-dead',
    tested: latest === undefined ? null : groundFaultResult(latest, null).code,
    isLockedOut: protection.lockedOut,
    ...dueOf(protection.madeIn, year),
  };
}

/** Every device that protects, what it covers, and what the rules ask for besides; of North America alone what they ask for. */
export function protectionMapOf(house: House): ProtectionMap {
  const year = house.lastReadAt === null ? null : Number(houseDay(house, house.lastReadAt).slice(0, 4));
  const all = receptaclesOf(house);
  const isDevice = ({ id, type }: Receptacle): boolean =>
    (type !== null && isGroundFaultType(type)) || foundBehind(house).some(({ device }) => device === id);
  const breakers = panelsOf(house).flatMap((panel) =>
    panel.breakers
      .filter(({ protects }) => protects === 'ground-fault' || protects === 'both')
      .map(
        ({ id, number = '' }): MappedDevice => ({
          id,
          name: number,
          isBreaker: true,
          covers: all.filter(({ breaker }) => breaker === number).map((one) => one.id),
          foundOutBy: 'directory',
          tested: null,
          isLockedOut: false,
          ...dueOf(panel.madeIn ?? null, year),
        }),
      ),
  );
  const devices = [...all.filter(isDevice).map((one) => atReceptacle(house, one, year)), ...breakers];
  const covered = new Set(devices.flatMap(({ covers }) => covers));
  return {
    devices,
    uncovered:
      house.region !== 'north-america'
        ? []
        : unprotectedPlaces(house).flatMap(({ receptacles, predates, from }) =>
            receptacles
              .filter(({ id }) => !covered.has(id))
              .map(({ id, name }) => ({ id, name, isMissing: !predates, from })),
          ),
    labelled: all
      .filter((one) => !covered.has(one.id) && isKnownProtected(one, house))
      .map(({ id, name, protection }) => ({ id, name, resetAt: protection.resetAt })),
  };
}
