export * from './circuit-file.ts';
export { jsonSchemas } from './json-schemas.ts';
export { netlist, nodeNames } from './netlist.ts';
export { networkOf } from './network.ts';
export * from './problem.ts';
export { parseReadings } from './readings-file.ts';
export { type RunOptions, runOf } from './run.ts';
export { solved } from './solved.ts';
export * from './tests-and-readings.ts';
