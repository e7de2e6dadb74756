const english = new Intl.PluralRules('en');

/** "1 reading", "2 readings": a count with the word for as many. */
export const counted = (count: number, one: string, other: string): string =>
  `${count} ${isOne(count) ? one : other}`;

/** Whether a count takes the singular. */
export const isOne = (count: number): boolean => english.select(count) === 'one';
