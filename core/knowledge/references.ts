/** A published rule, as recalled: where it stands and what it asks, until somebody checks it in the adopted edition. */
export interface ReferenceWords {
  readonly code: string;
  /** Empty where the publication has no sections. */
  readonly section: string;
  readonly says: string;
}

/** Codes and publications, and the regions whose houses they bear on; null: on houses of every region. */
const publications = {
  nec: 'north-america',
  'ul-943': 'north-america',
  'ansi-c84.1': 'north-america',
  'cpsc-516': 'north-america',
  'neta-mts': null,
  'bs-7671': 'uk',
  'iec-61008': null,
} as const;
export type PublicationId = keyof typeof publications;

/** Values are from memory: each is shown as such until the firm has checked it in the edition that applies. */
export const references = {
  'nec-110.14': 'nec',
  'nec-200.10': 'nec',
  'nec-200.11': 'nec',
  'nec-210.4': 'nec',
  'nec-210.8': 'nec',
  'nec-210.19': 'nec',
  'nec-240.4': 'nec',
  'nec-250.130': 'nec',
  'nec-250.140': 'nec',
  'nec-250.142': 'nec',
  'nec-250.148': 'nec',
  'nec-300.13': 'nec',
  'nec-406.3': 'nec',
  'nec-404.14': 'nec',
  'nec-406.4-d2': 'nec',
  'nec-406.4-d3': 'nec',
  'ul-943': 'ul-943',
  'ansi-c84.1': 'ansi-c84.1',
  'cpsc-516': 'cpsc-516',
  'neta-mts': 'neta-mts',
  'bs-7671': 'bs-7671',
  'iec-61008': 'iec-61008',
} as const satisfies Readonly<Record<string, PublicationId>>;

export type ReferenceId = keyof typeof references;
export const referenceIds = Object.keys(references) as ReferenceId[];

/** What a firm has set about the code that applies where it works. */
export interface CodeInForce {
  /** Such as "2023"; null: not said. */
  readonly edition: string | null;
  /** Those that somebody of the firm has read in that edition. */
  readonly checked: readonly ReferenceId[];
}

export const noCodeSaid: CodeInForce = { edition: null, checked: [] };

/** Of some references, those that bear on houses of a region. */
export const referencesIn = (region: string, ids: readonly ReferenceId[]): readonly ReferenceId[] =>
  ids.filter((id) => (publications[references[id]] ?? region) === region);
