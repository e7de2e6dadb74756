import type { Lamps } from '@fair-plug/core/instruments';
import { type KeyboardEvent, memo, type PointerEvent } from 'react';
import { useWords } from '@/components/region-words';
import classes from './room-map.module.css';
import { type Corners, Triangle } from './triangle';
import { pointAt, roomBox, spotNear, spotsOf } from './wall-places';

export interface MapMark {
  readonly id: string;
  readonly name: string;
  readonly spot: number | null;
  readonly lamps: Lamps | null;
  readonly corners?: Corners | undefined;
  readonly hasFinding: boolean;
  /** Said to be dead, or covered: whatever the map is for. */
  readonly isChosen?: boolean;
  /** What its name does not say. */
  readonly note?: string;
}

export interface RoomMapProps {
  readonly name: string;
  readonly door: number;
  readonly marks: readonly MapMark[];
  readonly currentPlace?: string | null;
  /** Where the one to be added would be. */
  readonly next?: number | null;
  /** A wall was tapped; left out where nothing can be placed. */
  readonly onWall?: (spot: number) => void;
  readonly onTake?: (id: string) => void;
  /** Keys beside it do the same: whoever goes by keyboard or ear has those. */
  readonly isBesideKeys?: boolean;
}

const markSize = 20;

/** A room from above: its door, and its receptacles as triangles on the walls. */
export const RoomMap = memo(function RoomMap({
  name,
  door,
  marks,
  currentPlace = null,
  next = null,
  onWall,
  onTake,
  isBesideKeys = false,
}: RoomMapProps) {
  const words = useWords();
  const spots = spotsOf(marks.map(({ spot }) => spot));
  const tap = (event: PointerEvent<SVGRectElement>): void => {
    const drawing = event.currentTarget.ownerSVGElement;
    const toDrawing = drawing?.getScreenCTM()?.inverse();
    if (onWall === undefined || drawing === null || toDrawing === undefined) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(toDrawing);
    onWall(spotNear(x, y));
  };
  const isLive = onTake !== undefined;
  return (
    <svg
      className={classes.map}
      viewBox="0 0 200 140"
      role={isLive ? 'group' : 'img'}
      aria-hidden={isBesideKeys || undefined}
      aria-label={`${name} from above, ${words.screens.receptacles(marks.length)}`}
    >
      <rect className={classes.wall} {...roomBox} />
      <Door spot={door} />
      <rect
        className={classes.reach}
        data-open={onWall !== undefined}
        data-testid="wall"
        {...roomBox}
        onPointerUp={tap}
      />
      {next !== null && <Next spot={next} />}
      {marks.map((mark, index) => (
        <Mark
          key={mark.id}
          mark={mark}
          spot={spots[index] ?? 0}
          isCurrent={mark.id === currentPlace}
          onTake={onTake}
          isBesideKeys={isBesideKeys}
        />
      ))}
    </svg>
  );
});

function Door({ spot }: { readonly spot: number }) {
  const { x, y, out } = pointAt(spot);
  const [dx, dy] = [out[1] * 11, out[0] * 11];
  const swing = [x + dx - out[0] * 22, y + dy - out[1] * 22] as const;
  return (
    <>
      <line className={classes.gap} x1={x - dx} y1={y - dy} x2={x + dx} y2={y + dy} />
      <path className={classes.leaf} d={`M${x + dx} ${y + dy}L${swing[0]} ${swing[1]}`} />
    </>
  );
}

function Next({ spot }: { readonly spot: number }) {
  const { x, y } = pointAt(spot);
  return <circle className={classes.next} cx={x} cy={y} r={9} />;
}

function Mark({
  mark,
  spot,
  isCurrent,
  onTake,
  isBesideKeys,
}: {
  readonly mark: MapMark;
  readonly spot: number;
  readonly isCurrent: boolean;
  readonly onTake: ((id: string) => void) | undefined;
  readonly isBesideKeys: boolean;
}) {
  const { x, y, out } = pointAt(spot);
  const [cx, cy] = [x + out[0] * 4, y + out[1] * 4];
  const drawing = (
    <>
      <circle cx={cx} cy={cy} r={markSize * 0.68} />
      <svg
        role="presentation"
        x={cx - markSize / 2}
        y={cy - markSize / 2}
        width={markSize}
        height={markSize * 0.9}
      >
        <Triangle lamps={mark.lamps} corners={mark.corners} size={markSize} label="" />
      </svg>
    </>
  );
  const shared = {
    className: classes.mark,
    'data-current': isCurrent,
    'data-placed': mark.spot !== null,
    'data-finding': mark.hasFinding,
    'data-chosen': mark.isChosen,
  };
  if (onTake === undefined) return <g {...shared}>{drawing}</g>;
  if (isBesideKeys)
    return (
      // biome-ignore lint/a11y: hidden from whoever goes by keyboard or ear, who has the keys beside it
      <g {...shared} onClick={() => onTake(mark.id)}>
        {drawing}
      </g>
    );
  const press = (event: KeyboardEvent): void => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    onTake(mark.id);
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: inside a drawing there is no button
    <g
      {...shared}
      role="button"
      tabIndex={0}
      aria-label={mark.note === undefined ? mark.name : `${mark.name}, ${mark.note}`}
      aria-pressed={mark.isChosen}
      onClick={() => onTake(mark.id)}
      onKeyDown={press}
    >
      {drawing}
    </g>
  );
}
