/**
 * Makes something when it is first asked for, and once: schemas take a twelfth of the time in which a page opens, and
 * most pages parse nothing before they are drawn.
 */
export function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}
