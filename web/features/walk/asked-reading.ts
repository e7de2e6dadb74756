import type { InstrumentId } from '@fair-plug/core/instruments';

/** What the form for a reading opens with. */
export interface AskedReading {
  readonly instrument: InstrumentId;
  readonly loadsOff: boolean;
}
