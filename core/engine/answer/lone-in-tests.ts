import { LoneDiagnostician } from './lone-outlet.ts';

/** One for all tests of a process: what receptacles are held against takes half a second to make. */
export const lone = new LoneDiagnostician();
