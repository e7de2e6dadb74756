import type { Metal } from './names.ts';
import type { WiredCable } from './wired-circuit.ts';

interface Resistivity {
  /** Ohm metres at 20 °C. */
  readonly rho20: number;
  /** Per degree Celsius, referred to 20 °C. */
  readonly alpha: number;
}

/** Annealed copper and aluminum for conductors (IEC 60028, IEC 60889; from memory). */
const resistivity: Readonly<Record<Metal, Resistivity>> = {
  copper: { rho20: 1.7241e-8, alpha: 0.00393 },
  aluminum: { rho20: 2.826e-8, alpha: 0.00403 },
  'copper-clad-aluminum': { rho20: 2.74e-8, alpha: 0.00403 },
};

/** Cross-section of a solid round conductor of an American wire gauge, in square metres (ASTM B258, from memory). */
export function awgArea(awg: number): number {
  const diameter = 0.127e-3 * 92 ** ((36 - awg) / 39);
  return (Math.PI / 4) * diameter * diameter;
}

/** Resistance of one conductor of a cable over its whole length, in ohms. */
export function conductorOhms(
  { metal, awg, mm2, meters }: Pick<WiredCable, 'metal' | 'awg' | 'mm2' | 'meters'>,
  celsius: number,
): number {
  const { rho20, alpha } = resistivity[metal];
  const area = mm2 === undefined ? awgArea(awg ?? 14) : mm2 * 1e-6;
  return (rho20 * (1 + alpha * (celsius - 20)) * meters) / area;
}
