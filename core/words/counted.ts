let english: Intl.PluralRules | null = null;

/** "1 reading", "2 readings": a count with the word for as many. */
export const counted = (count: number, one: string, other: string): string =>
  `${count} ${isOne(count) ? one : other}`;

/** Whether a count takes the singular. */
export function isOne(count: number): boolean {
  english ??= new Intl.PluralRules('en');
  return english.select(count) === 'one';
}
