import type { Receptacle } from '../../log/index.ts';

/** Latest volts of a plain meter at a receptacle. */
export const metered = ({ readings }: Receptacle, instrument: 'meter' | 'loaded') =>
  readings.flatMap(({ shown }) => (shown.instrument === instrument ? [shown] : [])).at(-1);

/** Volts from neutral to ground under load, where a load test was made. */
export const neutralToGroundUnderLoad = (receptacle: Receptacle): number | null =>
  metered(receptacle, 'loaded')?.ng ?? null;
