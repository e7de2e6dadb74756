import { type House, type NamedRoom, namedRooms, nextReceptacleName } from '@fair-plug/core/log';
import type { Survey, SurveyLine } from '@fair-plug/core/report';
import type { Spoken } from '@fair-plug/core/words';
import { memo, useEffect, useRef } from 'react';
import { useWords } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import { TriangleStrip } from '@/components/triangle-strip';
import classes from './room-list.module.css';
import { type CurrentPlace, enterRoom } from './walk-order';

/** Milliseconds. */
const scrollAfter = 80;

export interface RoomListProps {
  readonly house: House;
  readonly survey: Survey;
  readonly currentPlace: CurrentPlace | null;
  readonly onTake: (currentPlace: CurrentPlace) => void;
}

/** The rooms with their receptacles as triangles; the current room shows them by name. */
export const RoomList = memo(function RoomList({ house, survey, currentPlace, onTake }: RoomListProps) {
  const byRoom = new Map(survey.rooms.map(({ id, lines }) => [id, lines]));
  const rooms = useRef<HTMLOListElement>(null);
  const place = `${currentPlace?.room} ${currentPlace?.receptacle}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: runs when another place becomes current
  useEffect(() => {
    // After the verdict is painted: it makes the browser lay out the whole list.
    const timer = setTimeout(
      () =>
        rooms.current
          ?.querySelector('[aria-current]')
          ?.scrollIntoView({ block: 'nearest', inline: 'center' }),
      scrollAfter,
    );
    return () => clearTimeout(timer);
  }, [place]);
  return (
    <ol className={classes.rooms} ref={rooms}>
      {namedRooms(house).map((room) => (
        <RoomItem
          key={room.id}
          room={room}
          lines={byRoom.get(room.id) ?? []}
          isOpen={room.id === currentPlace?.room}
          currentPlace={room.id === currentPlace?.room ? currentPlace.receptacle : null}
          onTake={onTake}
        />
      ))}
    </ol>
  );
});

interface RoomItemProps {
  readonly room: NamedRoom;
  readonly lines: readonly SurveyLine[];
  readonly isOpen: boolean;
  /** The current receptacle, where it is one of this room. */
  readonly currentPlace: string | null;
  readonly onTake: (currentPlace: CurrentPlace) => void;
}

/** All of a line that is seen here. */
const isSameLine = (a: SurveyLine, b: SurveyLine | undefined): boolean =>
  b !== undefined &&
  a.id === b.id &&
  a.name === b.name &&
  a.verdict === b.verdict &&
  a.lamps === b.lamps &&
  a.hasFinding === b.hasFinding &&
  a.notReached === b.notReached;

const isSameRoom = (a: RoomItemProps, b: RoomItemProps): boolean =>
  a.room.name === b.room.name &&
  a.isOpen === b.isOpen &&
  a.currentPlace === b.currentPlace &&
  a.onTake === b.onTake &&
  a.lines.length === b.lines.length &&
  a.lines.every((line, index) => isSameLine(line, b.lines[index]));

const RoomItem = memo(function RoomItem({ room, lines, isOpen, currentPlace, onTake }: RoomItemProps) {
  const read = lines.filter((line) => line.readAt !== null).length;
  return (
    <li className={classes.room} data-open={isOpen}>
      <button
        type="button"
        className={classes.name}
        aria-expanded={isOpen}
        onClick={() => onTake(enterRoom(room))}
      >
        <span>{room.name}</span>
        <span className={classes.count}>
          {read} of {lines.length}
        </span>
        {!isOpen && (
          <span className={classes.strip} aria-hidden>
            <TriangleStrip all={lines.map(({ lamps }) => lamps)} />
          </span>
        )}
      </button>
      {isOpen && (
        <ol className={classes.receptacles}>
          {lines.map((line) => (
            <li key={line.id}>
              <ReceptacleButton
                line={line}
                isCurrent={line.id === currentPlace}
                onTake={() => onTake({ room: room.id, receptacle: line.id })}
              />
            </li>
          ))}
          <li>
            <button
              type="button"
              className={classes.receptacle}
              aria-current={currentPlace === null ? 'true' : undefined}
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
}, isSameRoom);

function ReceptacleButton({
  line,
  isCurrent,
  onTake,
}: {
  readonly line: SurveyLine;
  readonly isCurrent: boolean;
  readonly onTake: () => void;
}) {
  const words = useWords();
  return (
    <button
      type="button"
      className={classes.receptacle}
      aria-current={isCurrent ? 'true' : undefined}
      onClick={onTake}
    >
      <Triangle lamps={line.lamps} corners={line.verdict?.contacts} size={22} label="" />
      <span>
        {line.name}{' '}
        <span className={classes.reads} data-finding={line.hasFinding}>
          {readsAs(line, words).toLowerCase()}
        </span>
      </span>
    </button>
  );
}

function readsAs({ verdict, notReached }: SurveyLine, words: Spoken): string {
  if (verdict !== null) return words.verdict(verdict).headline;
  return notReached === null ? 'not read' : `not reached: ${words.notReached[notReached]}`;
}
