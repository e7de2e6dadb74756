import type { House } from '@fair-plug/core/inspection';
import { nextReceptacleName } from '@fair-plug/core/inspection';
import type { Report, ReportLine } from '@fair-plug/core/report';
import { useEffect, useRef } from 'react';
import { Triangle } from '@/components/triangle';
import classes from './room-list.module.css';
import { enterRoom, type InHand, walkedRooms } from './walk-order';

export interface RoomListProps {
  readonly house: House;
  readonly report: Report;
  readonly inHand: InHand | null;
  readonly onTake: (inHand: InHand) => void;
}

/** The rooms with their receptacles as triangles; the room in hand shows them by name. */
export function RoomList({ house, report, inHand, onTake }: RoomListProps) {
  const lines = new Map(report.rooms.flatMap((room) => room.lines.map((line) => [line.id, line] as const)));
  const rooms = useRef<HTMLOListElement>(null);
  const place = `${inHand?.room} ${inHand?.receptacle}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs when another place is taken in hand
  useEffect(() => {
    rooms.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [place]);
  return (
    <ol className={classes.rooms} ref={rooms}>
      {walkedRooms(house).map((room) => {
        const open = room.id === inHand?.room;
        const inRoom = room.receptacles.flatMap((one) => lines.get(one.id) ?? []);
        const read = inRoom.filter((line) => line.lamps !== null).length;
        return (
          <li key={room.id} className={classes.room} data-open={open}>
            <button
              type="button"
              className={classes.name}
              aria-expanded={open}
              onClick={() => onTake(enterRoom(room))}
            >
              <span>{room.name}</span>
              <span className={classes.count}>
                {read} of {inRoom.length}
              </span>
              {!open && (
                <span className={classes.strip} aria-hidden>
                  {inRoom.map((line) => (
                    <Triangle key={line.id} lamps={line.lamps} size={18} label="" />
                  ))}
                </span>
              )}
            </button>
            {open && (
              <ol className={classes.receptacles}>
                {inRoom.map((line) => (
                  <li key={line.id}>
                    <ReceptacleButton
                      line={line}
                      isInHand={line.id === inHand.receptacle}
                      onTake={() => onTake({ room: room.id, receptacle: line.id })}
                    />
                  </li>
                ))}
                <li>
                  <button
                    type="button"
                    className={classes.receptacle}
                    aria-current={inHand.receptacle === null ? 'true' : undefined}
                    onClick={() => onTake({ room: room.id, receptacle: null })}
                  >
                    <span className={classes.plus} aria-hidden>
                      +
                    </span>
                    <span>
                      {nextReceptacleName(room)} <span className={classes.reads}>add</span>
                    </span>
                    <kbd className={classes.hint}>A</kbd>
                  </button>
                </li>
              </ol>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function ReceptacleButton({
  line,
  isInHand,
  onTake,
}: {
  readonly line: ReportLine;
  readonly isInHand: boolean;
  readonly onTake: () => void;
}) {
  return (
    <button
      type="button"
      className={classes.receptacle}
      aria-current={isInHand ? 'true' : undefined}
      onClick={onTake}
    >
      <Triangle lamps={line.lamps} corners={line.verdict?.contacts} size={22} label="" />
      <span>
        {line.name}{' '}
        <span className={classes.reads} data-finding={line.finding !== null}>
          {line.verdict?.headline.toLowerCase() ?? 'not read'}
        </span>
      </span>
    </button>
  );
}
