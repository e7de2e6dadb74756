import type { Suspect } from '@fair-plug/core/assessment';
import { useCallback } from 'react';
import { useWords } from '@/components/region-words';

/** Widths in pixels of a fault that is certain, and of one that hardly is. */
const band = { most: 22, least: 5 } as const;
export const bandWidth = (suspects: readonly Suspect[]): number =>
  band.least +
  (band.most - band.least) *
    Math.min(
      1,
      suspects.reduce((sum, one) => sum + one.probability, 0),
    );
/** What is less probable is not drawn. */
const worthDrawing = 0.03;
export const drawn = (suspects: readonly Suspect[]): readonly Suspect[] =>
  suspects.filter(({ probability }) => probability >= worthDrawing);

/** What is held of a place, the most probable first: "open neutral 84 %". */
export function useSuspectWords() {
  const words = useWords();
  return useCallback(
    (suspects: readonly Suspect[]): string =>
      suspects
        .map(({ fault, probability }) => `${words.cause([fault])} ${words.share(probability)}`)
        .join(', '),
    [words],
  );
}
