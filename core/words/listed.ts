/** "a, b and c" in a language (BCP 47). */
export function listed(language: string, type: 'conjunction' | 'disjunction' = 'conjunction') {
  const format = new Intl.ListFormat(language, { type });
  return (parts: readonly string[]): string => format.format(parts);
}
