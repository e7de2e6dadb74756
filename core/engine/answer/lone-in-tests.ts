import { LoneDiagnostician } from './lone-outlet.ts';

/** One for all tests of a process: what instruments show is worked out once. */
export const lone = new LoneDiagnostician();
