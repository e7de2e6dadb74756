import { endsOf, type Span } from './contacts.ts';
import type { Watches } from './kind.ts';
import { type InstrumentId, instruments } from './registry.ts';

/** How an instrument is connected with a setting at a nominal voltage, in numbers. All of one shape: it is asked for millions of times. */
export interface Hookup {
  /** How many spans it reads. */
  readonly spans: number;
  /** The two contacts of each span, one after the other; `earth` where the second is none. */
  readonly ends: Int8Array;
  readonly siemens: number;
  readonly together: boolean;
  /** Siemens between hot and neutral while it reads. */
  readonly load: number;
  readonly perVolt: number;
  readonly watches: Watches | null;
}

const endsByInstrument = Object.fromEntries(
  Object.entries(instruments).map(([id, { reads }]) => [
    id,
    Int8Array.from(Object.values<Span>(reads?.fields ?? {}).flatMap((span) => endsOf[span])),
  ]),
) as unknown as Readonly<Record<InstrumentId, Int8Array>>;

export function hookupOf(instrument: InstrumentId, setting: number, nominalVolts: number): Hookup {
  const { reads, watches = null } = instruments[instrument];
  const ends = endsByInstrument[instrument];
  return {
    spans: ends.length / 2,
    ends,
    siemens: reads?.siemens(setting, nominalVolts) ?? 0,
    together: reads?.together ?? false,
    load: reads?.load?.(setting, nominalVolts) ?? 0,
    perVolt: reads?.perVolt?.(setting, nominalVolts) ?? 1,
    watches,
  };
}

/** Of what is no instrument: nothing is connected. */
export const unplugged: Hookup = {
  spans: 0,
  ends: new Int8Array(0),
  siemens: 0,
  together: false,
  load: 0,
  perVolt: 1,
  watches: null,
};
