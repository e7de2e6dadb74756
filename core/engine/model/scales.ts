/** What all volts are times what is predicted: on the leg of the panel's first outlet, and on the other one. */
export interface LegScales {
  readonly own: number;
  readonly other: number;
}

export interface Scales extends LegScales {
  /** What a tester's lamps take volts for, as a share of what they are. */
  readonly lamps: number;
}

export const evenly = (scale: number): Scales => ({ own: scale, other: scale, lamps: 1 });
export const scaleAt = ({ own, other }: LegScales, isOnOtherLeg: boolean): number =>
  isOnOtherLeg ? other : own;
/** What lamps show on a leg, times what is predicted. */
export const lampScaleAt = (scales: Scales, isOnOtherLeg: boolean): number =>
  scales.lamps * scaleAt(scales, isOnOtherLeg);
