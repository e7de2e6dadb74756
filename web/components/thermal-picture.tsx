import { hottestIn } from '@fair-plug/core/findings';
import type { ThermalPicture as Picture } from '@fair-plug/core/log';
import classes from './thermal-picture.module.css';

/** Shades that a picture is drawn with, the coolest first. */
const shades = 12;

const fillOf = (shade: number) => ({
  fill: `color-mix(in srgb, var(--ink) ${Math.round((100 * shade) / (shades - 1))}%, var(--paper-raised))`,
});

interface Run {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly shade: number;
}

/** Neighbours of one shade in a row are one piece. */
function runsOf({ temperatures, columns }: Picture, low: number, high: number): readonly Run[] {
  const shadeOf = (value: number): number =>
    high > low ? Math.min(shades - 1, Math.floor(((value - low) / (high - low)) * shades)) : 0;
  const runs: Run[] = [];
  let last: { x: number; y: number; width: number; shade: number } | null = null;
  temperatures.forEach((value, at) => {
    const [x, y] = [at % columns, Math.floor(at / columns)];
    const shade = shadeOf(value);
    if (last !== null && last.y === y && last.shade === shade) last.width += 1;
    else {
      last = { x, y, width: 1, shade };
      runs.push(last);
    }
  });
  return runs;
}

/** A thermal picture: the hotter the darker, its scale below it, a ring around its hottest spot. */
export function ThermalPicture({ picture, name }: { readonly picture: Picture; readonly name: string }) {
  const { temperatures, columns, unit } = picture;
  const rows = Math.ceil(temperatures.length / columns);
  const hottest = hottestIn(picture);
  const low = temperatures.reduce((least, one) => Math.min(least, one), Number.POSITIVE_INFINITY);
  const high = hottest?.degrees ?? low;
  const scale = Array.from({ length: shades }, (_, shade) => shade);
  return (
    <figure className={classes.picture}>
      <svg
        viewBox={`0 0 ${columns} ${rows}`}
        role="img"
        aria-label={`${name}: thermal picture, ${low} to ${high} °${unit}`}
      >
        {runsOf(picture, low, high).map(({ x, y, width, shade }) => (
          // A little over its neighbours, so that no seam shows on paper.
          <rect key={`${x} ${y}`} x={x} y={y} width={width + 0.04} height={1.04} style={fillOf(shade)} />
        ))}
        {hottest !== null && (
          <circle cx={hottest.column + 0.5} cy={hottest.row + 0.5} r={Math.max(1, columns / 24)} />
        )}
      </svg>
      <figcaption>
        <span>
          {low} °{unit}
        </span>
        <svg className={classes.scale} viewBox={`0 0 ${shades} 1`} preserveAspectRatio="none" aria-hidden>
          {scale.map((shade) => (
            <rect key={shade} x={shade} width={1.04} height={1} style={fillOf(shade)} />
          ))}
        </svg>
        <span>
          {high} °{unit}
        </span>
      </figcaption>
    </figure>
  );
}
