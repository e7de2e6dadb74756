import { type GroundFaultCode, groundFaultResult } from '../../assessment/index.ts';
import { conditions, isGroundFaultType } from '../../knowledge/index.ts';
import { foundBehind, type House, type Receptacle, receptaclesOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import { isDecidedByOldKey } from '../old-keys.ts';
import { type JudgedHouse, withEvidence } from './rule.ts';

/** The device that a receptacle was found to be behind, which trips by its own button; null where none is known. */
export function workingDeviceUpstream(receptacle: Receptacle, house: House): Receptacle | null {
  const devices = foundBehind(house)
    .filter(({ device, dead }) => device !== receptacle.id && dead.includes(receptacle.id))
    .map(({ device }) => device);
  const works = ({ id, groundFaultTests }: Receptacle): boolean =>
    devices.includes(id) && groundFaultTests.findLast(({ by }) => by === 'own-button')?.result === 'tripped';
  return receptaclesOf(house).find(works) ?? null;
}

/** What fails together: a device with all behind it, else what stands in one room. */
function deviceOf(receptacle: Receptacle, house: House): string {
  const behind = foundBehind(house).find(({ dead }) => dead.includes(receptacle.id));
  if (behind !== undefined) return behind.device;
  if (receptacle.type !== null && isGroundFaultType(receptacle.type)) return receptacle.id;
  return house.rooms.find(({ receptacles }) => receptacles.includes(receptacle))?.id ?? receptacle.id;
}

interface Failing {
  readonly code: GroundFaultCode;
  readonly there: Receptacle[];
}

/** Devices that did not do what they should, one finding a device. */
export function groundFaultDevices({ house, verdictOf, words }: JudgedHouse): readonly Proposal[] {
  const byCode = new Map<GroundFaultCode, Map<string, Failing>>();
  for (const one of receptaclesOf(house)) {
    const latest = one.groundFaultTests.at(-1);
    if (latest === undefined) continue;
    const { code, isFinding } = groundFaultResult(latest, verdictOf(one.id));
    if (!isFinding || (code === 'no-trip' && workingDeviceUpstream(one, house) !== null)) continue;
    const ofCode = byCode.get(code) ?? new Map<string, Failing>();
    byCode.set(code, ofCode);
    // What somebody decided on when all devices of a house were one finding stays one.
    const device = isDecidedByOldKey(house.findingEntries, `device-${code}`) ? '' : deviceOf(one, house);
    ofCode.set(device, { code, there: [...(ofCode.get(device)?.there ?? []), one] });
  }
  const { urgency } = conditions['protection-failed'];
  return [...byCode.values()].flatMap((ofCode) =>
    [...ofCode].map(([device, { code, there }], index) => ({
      ...seenOnly,
      ...words.rules.groundFaultDevice(code),
      // The first keeps the key that all of them once shared.
      key: index === 0 ? `device-${code}` : `device-${code}:${device}`,
      code: `device-${code}`,
      urgency: code === 'failed' ? (urgency ?? 'repair') : 'repair',
      condition: 'protection-failed' as const,
      ...withEvidence(there, words),
    })),
  );
}
