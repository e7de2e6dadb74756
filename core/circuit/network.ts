import { faultKinds } from '../faults/index.ts';
import { type Network, wiredNetwork } from '../physics/index.ts';
import type { Circuit } from './circuit-file.ts';

/** The network of a circuit file, with what every kind of fault does to it. */
export const networkOf = (circuit: Circuit): Network => wiredNetwork(circuit, faultKinds);
