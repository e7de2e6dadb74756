export * from './circuit-file.ts';
export * from './conductor.ts';
export { netlist, nodeNames } from './netlist.ts';
export * from './network.ts';
export { inWords, type Parsed, type Problem, parseBy } from './problem.ts';
export { parseReadings } from './readings-file.ts';
export * from './solver.ts';
export * from './tests-and-readings.ts';
export { type Topology, topologyOf } from './topology.ts';
