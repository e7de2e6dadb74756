import type { DiagnosisWords, InstrumentFault, Wrong } from '../engine/index.ts';
import type { Fault } from '../faults/index.ts';
import type { InstrumentId, Lamps, Reading, Shown, TestState } from '../instruments/index.ts';
import type { JudgedExplanation } from './judged.ts';
import type { StopReason, Verdict } from './lamp-verdict.ts';
import type { OddValue } from './odd-values.ts';
import type { GroundFaultCode } from './receptacle-verdict.ts';

/** What a language says of a verdict. */
export interface VerdictWords {
  readonly headline: string;
  /** Why it matters, in a line. */
  readonly why: string;
  /** What puts it right and who does it, in a sentence. */
  readonly correction: string;
  /** What to do to settle it, and what each outcome means; null where nothing settles it. */
  readonly settle: string | null;
  /** What practitioners add that the model does not show; null where they add nothing. */
  readonly practice: string | null;
  /** Why testing must end there; null where it goes on. */
  readonly stop: string | null;
}

/** What a language says of readings, and of what they come to. */
export interface AssessmentWords extends DiagnosisWords {
  readonly verdict: (verdict: Verdict) => VerdictWords;
  readonly stop: (reason: StopReason) => string;
  /** What an inspector calls each instrument, and what is done with it. */
  readonly instruments: Readonly<Record<InstrumentId, { readonly name: string; readonly test: string }>>;
  /** "Read the lamps again, everything on the circuit off" */
  readonly test: (instrument: InstrumentId, state?: TestState) => string;
  /** What an instrument shows, value by value: name and words. */
  /** What a reading shows, field by field; of fields that float, that they may show anything. */
  readonly values: (
    reading: Reading | Shown,
    floats?: readonly string[],
  ) => readonly (readonly [name: string, value: string])[];
  /** For screen readers and print: "hot–neutral and hot–ground lit, neutral–ground off". */
  readonly lamps: (lamps: Lamps) => string;
  /** "H–N and H–G lit", "H–N lit, H–G dim", "no lamp lit" */
  readonly lampsBriefly: (lamps: Lamps) => string;
  /** "Meter: H–N 118.4 V, H–G 118.2 V, N–G 0.20 V, everything on the circuit off" */
  readonly reading: (shown: Shown) => string;
  readonly groundFault: Readonly<Record<GroundFaultCode, string>>;
  readonly oddValue: (odd: OddValue) => string;
  /** The faults of one cause in a few words: "open ground and a jumper from neutral to ground". */
  readonly cause: (faults: readonly Fault[]) => string;
  readonly explanation: (
    explanation: Pick<JudgedExplanation, 'faults' | 'isTripped' | 'isMisread' | 'instruments'>,
  ) => string;
  /** What is wrong with an instrument and what to do about it, in a sentence. */
  readonly instrumentFault: (fault: InstrumentFault) => string;
  /** Of a reading that does not fit the others: how it may have come about, and that it is to be taken again. */
  readonly wrongReading: (wrong: Wrong | null) => string;
  /** A probability as people read it: neither none nor all of a hundred, since nothing measured is certain. */
  readonly share: (probability: number) => string;
}
