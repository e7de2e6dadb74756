import type { Shape } from '@fair-plug/core/log';

type By = readonly [x: number, y: number];

/** Smallest ring, blur or arrow, as a share of the photo's longer side. */
const least = 0.02;

const share = (at: number): number => Math.min(1, Math.max(0, Math.round(at * 1000) / 1000));

/** A shape somewhere else; none of it leaves the square of the longer side. */
export function movedBy(shape: Shape, [x, y]: By): Shape {
  const to = { ...shape, x: share(shape.x + x), y: share(shape.y + y) };
  return to.form === 'arrow' ? { ...to, toX: share(to.toX + x), toY: share(to.toY + y) } : to;
}

/** A shape with its far end somewhere else: an arrow's tip, a ring's rim, a blur's corner. */
export function sizedBy(shape: Shape, [x, y]: By): Shape {
  switch (shape.form) {
    case 'arrow':
      return { ...shape, toX: share(shape.toX + x), toY: share(shape.toY + y) };
    case 'ring':
      return { ...shape, radius: Math.max(least, share(shape.radius + x - y)) };
    case 'blur':
      return {
        ...shape,
        width: Math.max(least, share(shape.width + x)),
        height: Math.max(least, share(shape.height + y)),
      };
    case 'text':
      return shape;
  }
}
