import type { Assessment } from '@fair-plug/core/assessment';
import { type MappedDevice, protectionMapOf } from '@fair-plug/core/findings';
import { namedRooms } from '@fair-plug/core/log';
import { useMemo, useState } from 'react';
import { markOf } from '@/components/map-mark';
import { useWords } from '@/components/region-words';
import { RoomMap } from '@/components/room-map';
import classes from './protection-view.module.css';

export interface ProtectionViewProps {
  readonly assessment: Assessment;
  readonly nameOf: (id: string) => string;
}

const foundOut = {
  'went-dead': 'tripped, and what went dead',
  directory: 'its breaker feeds them',
  nobody: 'nobody has tried it',
} as const;

/** Which devices protect what, how that is known, and what is not covered. */
export function ProtectionView({ assessment, nameOf }: ProtectionViewProps) {
  const words = useWords();
  const { house } = assessment;
  const map = useMemo(() => protectionMapOf(house), [house]);
  const [chosen, choose] = useState<string | null>(null);
  const covered = new Set(
    chosen === null
      ? map.devices.flatMap(({ covers }) => covers)
      : (map.devices.find(({ id }) => id === chosen)?.covers ?? []),
  );
  const asked = new Map(map.uncovered.map((one) => [one.id, one]));
  const nameOfDevice = ({ name, isBreaker }: MappedDevice): string => (isBreaker ? `Breaker ${name}` : name);
  return (
    <div className={classes.view}>
      {map.devices.length === 0 ? (
        <p>No device that protects was found or entered yet.</p>
      ) : (
        <table className={classes.table}>
          <thead>
            <tr>
              <th scope="col">Device</th>
              <th scope="col">Covers</th>
              <th scope="col">Known by</th>
              <th scope="col">Reset</th>
              <th scope="col">Made</th>
              <th scope="col">Due</th>
            </tr>
          </thead>
          <tbody>
            {map.devices.map((device) => (
              <tr key={device.id} data-chosen={device.id === chosen}>
                <th scope="row">
                  <button
                    type="button"
                    aria-pressed={device.id === chosen}
                    onClick={() => choose(device.id === chosen ? null : device.id)}
                  >
                    {nameOfDevice(device)}
                  </button>
                  {device.isLockedOut && <strong> locked out</strong>}
                </th>
                <td>
                  {device.covers.length === 1
                    ? 'itself alone, as far as is known'
                    : `${device.covers.length}: ${device.covers.map(nameOf).join(', ')}`}
                </td>
                <td>
                  {foundOut[device.foundOutBy]}
                  {device.tested !== null && `; ${words.groundFault[device.tested]}`}
                </td>
                <td>{device.isBreaker ? 'in the panel' : `at ${device.name}`}</td>
                <td>{device.madeIn ?? 'not noted'}</td>
                <td>{device.dueIn === null ? '–' : `${device.dueIn}${device.isDue ? ', due' : ''}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {map.labelled.length > 0 && (
        <p>
          Labelled as protected, by a device that was not found:{' '}
          {map.labelled
            .map(({ name, resetAt }) => `${name}${resetAt === null ? '' : ` (reset at ${resetAt})`}`)
            .join(', ')}
          .
        </p>
      )}
      <Asked uncovered={map.uncovered} />
      <div className={classes.rooms}>
        {namedRooms(house)
          .filter(({ receptacles }) => receptacles.length > 0)
          .map((room) => (
            <section key={room.id} aria-label={room.name}>
              <h4>{room.name}</h4>
              <RoomMap
                name={room.name}
                door={room.door}
                marks={room.receptacles.map((one) => ({
                  ...markOf(one, assessment.receptacles.get(one.id)),
                  hasFinding: asked.get(one.id)?.isMissing === true,
                  isChosen: covered.has(one.id),
                }))}
              />
              <p className={classes.soft}>
                {room.receptacles.filter(({ id }) => covered.has(id)).length} of {room.receptacles.length}{' '}
                covered
              </p>
            </section>
          ))}
      </div>
    </div>
  );
}

/** What the year's rule asks for: missing where the rule was older than the work, else an upgrade. */
function Asked({
  uncovered,
}: {
  readonly uncovered: readonly {
    readonly name: string;
    readonly isMissing: boolean;
    readonly from: number;
  }[];
}) {
  const list = (isMissing: boolean): string =>
    uncovered
      .filter((one) => one.isMissing === isMissing)
      .map(({ name, from }) => `${name} (rule of ${from})`)
      .join(', ');
  const [missing, upgrade] = [list(true), list(false)];
  if (missing === '' && upgrade === '') return null;
  return (
    <div className={classes.asked}>
      {missing !== '' && (
        <p>
          <strong>Missing by the rule of the year:</strong> {missing}.
        </p>
      )}
      {upgrade !== '' && (
        <p>
          <strong>Upgrade recommended, older than the rule:</strong> {upgrade}.
        </p>
      )}
      <p className={classes.soft}>The edition that is in force locally decides.</p>
    </div>
  );
}
