/** What may stand in braces in a firm's wording. */
export interface FillIns {
  readonly address: string;
  readonly client: string;
  readonly date: string;
  readonly inspector: string;
  readonly firm: string;
  readonly licence: string;
}
export const fillInNames = [
  'address',
  'client',
  'date',
  'inspector',
  'firm',
  'licence',
] as const satisfies readonly (keyof FillIns)[];

/** A firm's wording with "{address}" and the like filled in; braces round anything else stay as they are. */
export const filledIn = (wording: string, values: FillIns): string =>
  wording.replace(/\{(\w+)\}/g, (whole, name: string) =>
    Object.hasOwn(values, name) ? values[name as keyof FillIns] : whole,
  );
