import type { Assessment, Verdict } from '../assessment/index.ts';
import type { Finding } from './decided.ts';
import type { Place } from './finding.ts';

/** A finding that was proposed and that nobody decided on, as it stood when it was last seen. */
export interface Proposed {
  readonly key: string;
  readonly headline: string;
  /** Where, and how many readings stood there. */
  readonly places: readonly (Place & { readonly readings: number })[];
}

/** What became of a place of a proposed finding that is proposed no more. */
export type Became =
  | { readonly kind: 'taken-back' }
  /** More was read there. */
  | { readonly kind: 'read-again' }
  /** A reading of it was taken back. */
  | { readonly kind: 'reading-withdrawn' }
  /** Nothing new was read there: what else is known of the house makes it something else. */
  | { readonly kind: 'judged-otherwise' };

export interface Vanished extends Proposed {
  readonly became: readonly (Place & {
    readonly what: Became['kind'];
    readonly readsNow: Verdict | null;
    /** Headline of the finding that has the place now; null, or not there in what was kept before, where none has. */
    readonly into?: string | null;
  })[];
}

/** Whether a finding says the same of the same places. */
const saysTheSame = ({ headline, places }: Proposed, { headline: other, receptacles }: Finding): boolean =>
  headline === other &&
  places.length > 0 &&
  places.every(({ id }) => receptacles.some((one) => one.id === id));

/** What stands as proposed and undecided now. */
export const proposedIn = (findings: readonly Finding[], assessment: Assessment): readonly Proposed[] =>
  findings
    .filter(({ status, proposal, into }) => status === 'open' && proposal !== null && into === null)
    .map(({ key, headline, receptacles }) => ({
      key,
      headline,
      places: receptacles.map(({ id, name }) => ({
        id,
        name,
        readings: assessment.receptacles.get(id)?.receptacle.readings.length ?? 0,
      })),
    }));

/** Of what was proposed before, what is no finding of any kind any more, and why. */
export function vanishedSince(
  before: readonly Proposed[],
  findings: readonly Finding[],
  assessment: Assessment,
): readonly Vanished[] {
  const known = new Set(findings.map(({ key }) => key));
  const current = findings.filter(({ into, proposal }) => into === null && proposal !== null);
  return before
    .filter((gone) => !known.has(gone.key) && !current.some((one) => saysTheSame(gone, one)))
    .map((gone) => ({
      ...gone,
      became: gone.places.map(({ id, name, readings }) => {
        const now = assessment.receptacles.get(id);
        const count = now?.receptacle.readings.length ?? 0;
        const what =
          now === undefined
            ? 'taken-back'
            : count > readings
              ? 'read-again'
              : count < readings
                ? 'reading-withdrawn'
                : 'judged-otherwise';
        const into = current.find(({ receptacles }) => receptacles.some((one) => one.id === id));
        return { id, name, what, readsNow: now?.verdict ?? null, into: into?.headline ?? null };
      }),
    }));
}
