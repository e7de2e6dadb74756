/** What the tests use of the numerical package that they check against. */
declare module 'jstat' {
  export const jStat: {
    readonly hypgeom: { pdf(found: number, population: number, marked: number, drawn: number): number };
  };
}
