import type { Leg } from '../physics/names.ts';
import type { Cable, Circuit } from './circuit-file.ts';

export interface RunOptions {
  /** Metres of cable from the panel to the first outlet, and from one to the next. */
  readonly meters: { readonly first: number; readonly next: number };
  readonly ground?: boolean;
  /** Legs in the order of the outlets; L1 where left out. */
  readonly legs?: readonly Leg[];
  readonly cableName?: (outlet: string, position: number) => string;
}

/** A sound run of pigtailed outlets on 14 AWG copper at 120 V, from the panel outward, with nothing plugged in. */
export function runOf(
  ids: readonly string[],
  { meters, ground = true, legs = [], cableName = (_, position) => `c${position + 1}` }: RunOptions,
): Circuit {
  return {
    format: 'fair-plug/circuit@1',
    nominalVolts: 120,
    hertz: 60,
    sourceOhms: 0.05,
    celsius: 20,
    breaker: { amps: 15, on: true },
    outlets: ids.map((id, position) => ({ id, wiring: 'pigtail', leg: legs[position] ?? 'L1' })),
    cables: ids.map(
      (to, position): Cable => ({
        id: cableName(to, position),
        from: ids[position - 1] ?? 'panel',
        to,
        meters: position === 0 ? meters.first : meters.next,
        metal: 'copper',
        awg: 14,
        ground,
      }),
    ),
    protection: [],
    loads: [],
    faults: [],
    tests: [],
  };
}
