import { z } from 'zod';
import { circuitShape } from './circuit-file.ts';
import { readingsSchema } from './tests-and-readings.ts';

/** The JSON Schema of each published file format, by the name of its file. */
export const jsonSchemas = (): Readonly<Record<string, object>> => ({
  'circuit.schema.json': z.toJSONSchema(circuitShape, { io: 'input' }),
  'readings.schema.json': z.toJSONSchema(readingsSchema, { io: 'input' }),
});
