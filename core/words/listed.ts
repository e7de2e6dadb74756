/** "a, b and c" in a language (BCP 47). */
export function listed(language: string, type: 'conjunction' | 'disjunction' = 'conjunction') {
  // Made when it is first needed: it takes as long as all words of a page.
  let format: Intl.ListFormat | null = null;
  return (parts: readonly string[]): string => {
    format ??= new Intl.ListFormat(language, { type });
    return format.format(parts);
  };
}
