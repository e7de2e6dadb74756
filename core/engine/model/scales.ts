/** What all volts are times what is predicted: on the leg of the panel's first outlet, and on the other one. */
export interface Scales {
  readonly own: number;
  readonly other: number;
}

export const evenly = (scale: number): Scales => ({ own: scale, other: scale });
export const scaleAt = ({ own, other }: Scales, isOnOtherLeg: boolean): number =>
  isOnOtherLeg ? other : own;
