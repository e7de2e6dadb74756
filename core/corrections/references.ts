/** A published rule, as recalled: its section and what it asks, until somebody checks it in the adopted edition. */
export interface Reference {
  readonly code: string;
  /** Empty where the publication has no sections. */
  readonly section: string;
  readonly says: string;
}

/** Values are from memory: each is shown as such until the firm has checked it in the edition that applies. */
export const references = {
  'nec-110.14': {
    code: 'NEC',
    section: '110.14',
    says: 'Terminals and splices suit the metal of the conductor; unlike metals are joined only in devices listed for both.',
  },
  'nec-200.10': {
    code: 'NEC',
    section: '200.10(B)',
    says: 'The neutral terminal of a receptacle is marked.',
  },
  'nec-200.11': {
    code: 'NEC',
    section: '200.11',
    says: 'No neutral conductor goes to a terminal that would reverse polarity.',
  },
  'nec-210.8': {
    code: 'NEC',
    section: '210.8',
    says: 'Where ground-fault protection is required in new work.',
  },
  'nec-210.19': {
    code: 'NEC',
    section: '210.19(A), informational note',
    says: 'At most 3 % drop on a branch circuit, 5 % with its feeder, is recommended.',
  },
  'nec-240.4': {
    code: 'NEC',
    section: '240.4(D)',
    says: 'Copper: 14 AWG at 15 A, 12 AWG at 20 A, 10 AWG at 30 A at most; aluminum: 12 AWG at 15 A, 10 AWG at 25 A.',
  },
  'nec-250.130': {
    code: 'NEC',
    section: '250.130(C)',
    says: 'Where a grounding conductor that is added to an old circuit may end.',
  },
  'nec-250.140': {
    code: 'NEC',
    section: '250.140',
    says: 'Existing range and dryer circuits may ground their frames through the neutral.',
  },
  'nec-250.142': {
    code: 'NEC',
    section: '250.142(B)',
    says: 'Past the service, the neutral is not used for grounding.',
  },
  'nec-250.148': {
    code: 'NEC',
    section: '250.148',
    says: 'Grounds in a box are joined so that taking a device out leaves them whole.',
  },
  'nec-300.13': {
    code: 'NEC',
    section: '300.13(B)',
    says: 'On a shared neutral, taking a device out must not open the neutral.',
  },
  'nec-406.3': {
    code: 'NEC',
    section: '406.3(C)',
    says: 'Receptacles of 20 A or less straight on aluminum are marked CO/ALR.',
  },
  'nec-404.14': {
    code: 'NEC',
    section: '404.14(C)',
    says: 'Switches of 20 A or less straight on aluminum are marked CO/ALR.',
  },
  'nec-406.4-d2': {
    code: 'NEC',
    section: '406.4(D)(2)',
    says: 'Where there is no ground: two slots, or ground-fault protection with its labels.',
  },
  'nec-406.4-d3': {
    code: 'NEC',
    section: '406.4(D)(3)–(6)',
    says: 'A receptacle that is replaced may need today’s ground-fault, arc-fault, tamper- and weather-resistance.',
  },
  'ul-943': {
    code: 'UL 943',
    section: '',
    says: 'A ground-fault device trips at 6 mA and above, within (20/I)^1.43 s at most, I in mA.',
  },
  'ansi-c84.1': {
    code: 'ANSI C84.1',
    section: 'range A',
    says: '114 to 126 V at the service, 108 to 126 V at the receptacle (110 V in older editions).',
  },
  'cpsc-516': {
    code: 'CPSC publication 516',
    section: '',
    says: 'Repairs of aluminum branch wiring; homes with it made before 1972 were found 55 times as likely to have a connection reach fire-hazard condition.',
  },
  'neta-mts': {
    code: 'ANSI/NETA MTS',
    section: 'table 100.18',
    says: 'Rise over a similar component under similar load: 1–3 °C possible, 4–15 °C probable deficiency, above 15 °C major.',
  },
  'bs-7671': { code: 'BS 7671', section: '', says: 'Wiring rules where socket-outlets are of the UK style.' },
  'iec-61008': {
    code: 'IEC 61008',
    section: '',
    says: 'A 30 mA residual-current device trips within 300 ms at its rated current, 40 ms at five times it.',
  },
} as const satisfies Readonly<Record<string, Reference>>;

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

/** Codes and publications that bear on houses of a region alone. */
const onlyIn: Readonly<Record<string, string>> = {
  NEC: 'north-america',
  'UL 943': 'north-america',
  'ANSI C84.1': 'north-america',
  'CPSC publication 516': 'north-america',
  'BS 7671': 'uk',
};

/** Of some references, those that bear on houses of a region. */
export const referencesIn = (region: string, ids: readonly ReferenceId[]): readonly ReferenceId[] =>
  ids.filter((id) => (onlyIn[references[id].code] ?? region) === region);

/** "NEC 2023 200.11 (from memory)" */
export function referenceInWords(id: ReferenceId, { edition, checked }: CodeInForce): string {
  const { code, section } = references[id];
  const parts = [code, code === 'NEC' ? edition : null, section].filter(
    (part) => part !== null && part !== '',
  );
  return `${parts.join(' ')}${checked.includes(id) ? '' : ' (from memory)'}`;
}
