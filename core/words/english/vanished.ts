import type { AssessmentWords } from '../../assessment/index.ts';
import type { Vanished } from '../../findings/index.ts';
import { lower } from './terms.ts';

type Place = Vanished['became'][number];

const because: {
  readonly [K in Place['what']]: (name: string, readsNow: string, into: string | null) => string;
} = {
  'taken-back': (name) => `${name} was taken back or merged into another.`,
  'read-again': (name, readsNow) => `${name} was read again: ${readsNow}.`,
  'reading-withdrawn': (name) => `A reading of ${name} was taken back.`,
  'judged-otherwise': (name, readsNow, into) =>
    into === null
      ? `What else is known of the house makes ${name} something else: ${readsNow}.`
      : `By what else is known of the house, ${name} stands under “${into}” now.`,
};

/** Why a finding that nobody decided on is proposed no more. */
export const vanishedWords =
  (verdict: AssessmentWords['verdict']) =>
  ({ became }: Vanished): string =>
    became.length === 0
      ? 'What it was of the house does not hold any more.'
      : became
          .map(({ what, name, readsNow, into }) =>
            because[what](
              name,
              readsNow === null ? 'not read' : lower(verdict(readsNow).headline),
              into ?? null,
            ),
          )
          .join(' ');
