/** One answer that practitioners give to a question on which they differ. */
export interface View {
  readonly name: string;
  readonly says: string;
  /** Who holds it: a publication, or common practice. */
  readonly source: string;
}

export interface Question {
  readonly asks: string;
  readonly views: Readonly<Record<string, View>>;
  /** Held until the firm chooses. */
  readonly usual: string;
}

/** Where practitioners differ. A firm chooses once; the others' views stay in a line. */
export const questions = {
  aluminum: {
    asks: 'What is a complete repair of aluminum branch wiring?',
    usual: 'regulator',
    views: {
      regulator: {
        name: 'Regulator’s',
        says: 'Copper throughout, or copper pigtails by cold-weld crimps; set-screw lug connectors come next; the rest is not permanent.',
        source: 'CPSC publication 516',
      },
      retrofit: {
        name: 'Retrofit',
        says: 'Listed twist-on pigtails with compound, looked at every one or two years, are the usual job; CO/ALR devices where the style is made.',
        source: 'common practice',
      },
      cautious: {
        name: 'Cautious inspector’s',
        says: 'Copper, crimps or lugs; twist-on pigtails with a certificate that the insurer takes; CO/ALR devices are not relied on.',
        source: 'common practice',
      },
    },
  },
  'neutral-to-ground': {
    asks: 'How many volts from neutral to ground under load are still well?',
    usual: 'two-volts',
    views: {
      'two-volts': { name: 'Two volts', says: 'Up to 2 V.', source: 'common practice' },
      'half-volt': {
        name: 'Half a volt',
        says: 'Under 0.5 V, for the sake of electronics.',
        source: 'common practice',
      },
    },
  },
  adapters: {
    asks: 'May a three-to-two adapter be left in use?',
    usual: 'never',
    views: {
      verified: {
        name: 'Where verified',
        says: 'For a time, where its tab was found grounded by meter.',
        source: 'common practice',
      },
      never: {
        name: 'Never',
        says: 'It is taken out: plate screws loosen, and nobody measures again.',
        source: 'common practice',
      },
    },
  },
  voltage: {
    asks: 'Which volts at a 120 V receptacle are within range?',
    usual: 'range-a',
    views: {
      'range-a': { name: 'Range A', says: '108 to 126 V.', source: 'ANSI C84.1' },
      met: { name: 'As met in houses', says: '110 to 127 V.', source: 'common practice' },
    },
  },
  'copper-clad': {
    asks: 'How are terminals with copper-clad aluminum judged?',
    usual: 'as-listed',
    views: {
      'as-listed': {
        name: 'As listed',
        says: 'Terminals listed for copper are accepted; ampacity is that of aluminum.',
        source: 'common practice',
      },
      'as-aluminum': {
        name: 'As aluminum',
        says: 'Treated like aluminum at every terminal, or taken out.',
        source: 'common practice',
      },
    },
  },
} as const satisfies Readonly<Record<string, Question>>;

export type QuestionId = keyof typeof questions;
export const questionIds = Object.keys(questions) as QuestionId[];
export type Schools = { readonly [Q in QuestionId]: keyof (typeof questions)[Q]['views'] };

/** What is held where a firm has not chosen. */
export const usualSchools = Object.fromEntries(
  questionIds.map((id) => [id, questions[id].usual]),
) as unknown as Schools;

/** The views of a question: the one held first, then the others'. */
export function viewsOf(id: QuestionId, schools: Schools): readonly View[] {
  const { views }: Question = questions[id];
  const held = schools[id];
  return [held, ...Object.keys(views).filter((name) => name !== held)].flatMap((name) => views[name] ?? []);
}

/** Volts from neutral to ground under load up to which nothing is reported. */
export const neutralToGroundLimits = { 'two-volts': 2, 'half-volt': 0.5 } as const;

/** Volts hot to neutral at a 120 V receptacle, lowest and highest. */
export const voltageRanges = { 'range-a': [108, 126], met: [110, 127] } as const;
