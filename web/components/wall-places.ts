/** A room as it is drawn from above; every room has the same proportions. */
export const roomBox = { x: 22, y: 20, width: 156, height: 100 } as const;
const way = 2 * (roomBox.width + roomBox.height);

export interface WallPoint {
  readonly x: number;
  readonly y: number;
  /** Outward from the wall. */
  readonly out: readonly [x: number, y: number];
}

/** The point at a share of the way round, clockwise from the corner at the top left. */
export function pointAt(spot: number): WallPoint {
  const { x, y, width, height } = roomBox;
  const along = (((spot % 1) + 1) % 1) * way;
  if (along < width) return { x: x + along, y, out: [0, -1] };
  if (along < width + height) return { x: x + width, y: y + along - width, out: [1, 0] };
  if (along < 2 * width + height) return { x: x + 2 * width + height - along, y: y + height, out: [0, 1] };
  return { x, y: y + way - along, out: [-1, 0] };
}

/** The share of the way round that lies nearest to a point. */
export function spotNear(px: number, py: number): number {
  const { x, y, width, height } = roomBox;
  const cx = Math.min(Math.max(px, x), x + width) - x;
  const cy = Math.min(Math.max(py, y), y + height) - y;
  const walls = [
    { distance: Math.abs(py - y), along: cx },
    { distance: Math.abs(px - x - width), along: width + cy },
    { distance: Math.abs(py - y - height), along: width + height + (width - cx) },
    { distance: Math.abs(px - x), along: 2 * width + height + (height - cy) },
  ];
  const [nearest] = walls.sort((a, b) => a.distance - b.distance);
  const spot = (nearest?.along ?? 0) / way;
  return Math.min(0.999, Math.round(spot * 1000) / 1000);
}

/** Where each stands on the walls: where it was placed, else spread in order between its placed neighbours. */
export function spotsOf(placed: readonly (number | null)[]): readonly number[] {
  const count = placed.length;
  return placed.map((spot, index) => {
    if (spot !== null) return spot;
    let before = index - 1;
    while (before >= 0 && placed[before] === null) before -= 1;
    let after = index + 1;
    while (after < count && placed[after] === null) after += 1;
    const from = placed[before] ?? null;
    const to = placed[after] ?? null;
    if (from === null && to === null) return (index + 0.5) / count;
    const start = from ?? (to as number) - (after - before) / count;
    const end = to ?? (from as number) + (after - before) / count;
    const whole = end > start ? end : end + 1;
    return (start + ((whole - start) * (index - before)) / (after - before) + 1) % 1;
  });
}

/** Where the next one probably is: as far along as the last two are apart, going on in their direction. */
export function nextSpot(placed: readonly (number | null)[]): number | null {
  const last = placed.at(-1) ?? null;
  if (last === null) return null;
  const previous = placed.at(-2) ?? null;
  const step = previous === null ? 0.125 : (((last - previous) % 1) + 1) % 1;
  const usual = step > 0.02 && step < 0.4 ? step : step > 0.6 ? step - 1 : 0.125;
  return (Math.round(((last + usual + 1) % 1) * 1000) / 1000) % 1;
}
