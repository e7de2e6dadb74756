import { type LampState, type Lamps, type Pair, pairs } from '@fair-plug/core/instruments';
import { edgeOf } from './triangle';
import classes from './triangle.module.css';

/** Width of a mark and of its place in the row, and the height of a row, in pixels. */
const mark = 18;
const place = 24;
const row = 21;
const perRow = 9;

type State = LampState | 'unread';
const states: readonly State[] = ['off', 'unread', 'dim', 'lit'];

function line(pair: Pair, index: number): string {
  const scale = mark / 100;
  const x = (index % perRow) * place;
  const y = Math.floor(index / perRow) * row;
  const [[x1, y1], [x2, y2]] = edgeOf[pair];
  return `M${(x + x1 * scale).toFixed(1)} ${(y + y1 * scale).toFixed(1)}L${(x + x2 * scale).toFixed(1)} ${(y + y2 * scale).toFixed(1)}`;
}

/** Many receptacles as small triangles: one drawing with a path for each state, however many they are. */
export function TriangleStrip({ all }: { readonly all: readonly (Lamps | null)[] }) {
  const width = Math.min(all.length, perRow) * place;
  const height = Math.ceil(all.length / perRow) * row;
  return (
    <svg
      className={classes.triangle}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden
    >
      {states.map((state) => {
        const lines = all.flatMap((lamps, index) =>
          pairs
            .filter((pair) => (lamps === null ? 'unread' : lamps[pair]) === state)
            .map((pair) => line(pair, index)),
        );
        return lines.length === 0 ? null : (
          <path key={state} className={classes.edges} data-state={state} d={lines.join('')} />
        );
      })}
    </svg>
  );
}
