/** A probability as people read it: whole per cents, and neither none nor all of a hundred, since nothing measured is certain. */
export function shareInWords(probability: number): string {
  if (probability < 0.01) return 'under 1 %';
  if (probability > 0.99) return 'over 99 %';
  return `${Math.round(100 * probability)} %`;
}
