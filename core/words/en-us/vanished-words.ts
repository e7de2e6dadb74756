import type { Vanished } from '../../findings/index.ts';

type Place = Vanished['became'][number];

const because: { readonly [K in Place['what']]: (place: Place) => string } = {
  'taken-back': ({ name }) => `${name} was taken back or merged into another.`,
  'read-again': ({ name, readsNow }) => `${name} was read again: ${(readsNow ?? 'not read').toLowerCase()}.`,
  'reading-withdrawn': ({ name }) => `A reading of ${name} was taken back.`,
  'judged-otherwise': ({ name, readsNow }) =>
    `What else is known of the house makes ${name} something else: ${(readsNow ?? 'not read').toLowerCase()}.`,
};

/** Why a finding that nobody decided on is proposed no more. */
export const vanishedInWords = ({ became }: Vanished): string =>
  became.length === 0
    ? 'What it was of the house does not hold any more.'
    : became.map((place) => because[place.what](place)).join(' ');
