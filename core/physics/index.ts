export * from './conductor.ts';
export * from './elements.ts';
export * from './names.ts';
export * from './network.ts';
export * from './solver.ts';
export { type Topology, topologyOf } from './topology.ts';
export * from './wired-circuit.ts';
