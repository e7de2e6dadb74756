import type { InstrumentId } from '../circuit/tests-and-readings.ts';
import type { JobEntryOf } from './entry.ts';
import { type House, receptaclesOf } from './house.ts';
import { inOrder } from './order.ts';

/** A tester of the kit, or an instrument of which there is one. */
export interface UsedInstrument {
  readonly instrument: InstrumentId;
  readonly tester: string | null;
}

/** How a tester stands: what it shows counts only between two proofs that it passed. */
export type ProofState =
  | 'not-proved'
  /** Before the first reading, not yet after the last. */
  | 'proved-before'
  /** After the last reading, but not before the first. */
  | 'proved-after'
  | 'proved'
  | 'failed';

export interface InstrumentProof extends UsedInstrument {
  readonly state: ProofState;
  readonly readings: number;
  readonly proofs: readonly JobEntryOf<'tester-proved'>[];
  /** Ids of readings since the last proof it passed, where it failed afterwards. */
  readonly doubted: readonly string[];
}

type Reading = JobEntryOf<'lamps-read'> | JobEntryOf<'reading-taken'>;

const nameOf = (instrument: InstrumentId, tester: string | null | undefined): string =>
  instrument === 'lamps' ? `lamps ${tester ?? ''}` : instrument;

/** A load tester and a meter on low impedance are instruments of their own; the rest of a plug-in tester is its lamps. */
const instrumentOf = (reading: Reading): InstrumentId =>
  reading.kind === 'lamps-read' ? 'lamps' : reading.shown.instrument;

/** Every instrument that something was read with or that was proved, the first used first. */
export function instrumentProofs(house: House): readonly InstrumentProof[] {
  const byName = new Map<
    string,
    UsedInstrument & { readonly read: Reading[]; readonly proofs: JobEntryOf<'tester-proved'>[] }
  >();
  const of = (instrument: InstrumentId, tester: string | undefined) => {
    const name = nameOf(instrument, tester);
    const known = byName.get(name) ?? {
      instrument,
      tester: instrument === 'lamps' ? (tester ?? null) : null,
      read: [],
      proofs: [],
    };
    byName.set(name, known);
    return known;
  };
  const readings = receptaclesOf(house).flatMap<Reading>(({ readings: lamps, taken }) => [
    ...lamps,
    ...taken,
  ]);
  for (const reading of readings) of(instrumentOf(reading), reading.tester).read.push(reading);
  for (const proof of house.proofs) of(proof.instrument, proof.tester).proofs.push(proof);
  return [...byName.values()].map(({ instrument, tester, read, proofs }) => ({
    instrument,
    tester,
    proofs,
    readings: read.length,
    ...standingOf(read, proofs),
  }));
}

function standingOf(
  read: readonly Reading[],
  proofs: readonly JobEntryOf<'tester-proved'>[],
): Pick<InstrumentProof, 'state' | 'doubted'> {
  const hasFailed = proofs.some(({ passed }) => !passed);
  const doubted = (hasFailed ? read : []).filter((reading) => {
    const next = proofs.find((proof) => inOrder(proof, reading) > 0);
    return next?.passed === false;
  });
  const bounds = read.reduce<{ first: Reading; last: Reading } | null>(
    (known, reading) =>
      known === null
        ? { first: reading, last: reading }
        : {
            first: inOrder(reading, known.first) < 0 ? reading : known.first,
            last: inOrder(reading, known.last) > 0 ? reading : known.last,
          },
    null,
  );
  const failedLast = proofs.at(-1)?.passed === false;
  if (doubted.length > 0 || failedLast) return { state: 'failed', doubted: doubted.map(({ id }) => id) };
  const passed = proofs.filter((proof) => proof.passed);
  const isBefore = passed.some((proof) => bounds === null || inOrder(proof, bounds.first) < 0);
  const isAfter = bounds !== null && passed.some((proof) => inOrder(proof, bounds.last) > 0);
  const state = isBefore ? (isAfter ? 'proved' : 'proved-before') : isAfter ? 'proved-after' : 'not-proved';
  return { state, doubted: [] };
}

/** Ids of all readings that a failed proof puts in doubt. */
export const doubtedReadings = (proofs: readonly InstrumentProof[]): ReadonlySet<string> =>
  new Set(proofs.flatMap(({ doubted }) => doubted));
