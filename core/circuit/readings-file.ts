import { type Parsed, parseBy } from './problem.ts';
import { type ReadingsFile, readingsSchema } from './tests-and-readings.ts';

/** A readings file, or all that is wrong with it. */
export const parseReadings = (input: unknown): Parsed<ReadingsFile> => parseBy(readingsSchema, input);
