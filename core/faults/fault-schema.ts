import { z } from 'zod';
import { bondSchema } from './bond.ts';
import { openSchema } from './open.ts';
import { resistanceSchema } from './resistance.ts';
import { swapSchema } from './swap.ts';

/** Any fault of a circuit file. */
export const faultSchema = z.discriminatedUnion('kind', [
  openSchema(),
  swapSchema(),
  bondSchema(),
  resistanceSchema(),
]);
export type Fault = z.output<typeof faultSchema>;
