/** The three contacts of a receptacle: narrow slot, wide slot, ground hole. */
export const contacts = ['hot', 'neutral', 'ground'] as const;
export type Contact = (typeof contacts)[number];

/** The three pairs of contacts that every plug-in three-lamp tester bridges. */
export const pairs = ['hn', 'hg', 'ng'] as const;
export type Pair = (typeof pairs)[number];

export const contactsOfPair: Readonly<Record<Pair, readonly [Contact, Contact]>> = {
  hn: ['hot', 'neutral'],
  hg: ['hot', 'ground'],
  ng: ['neutral', 'ground'],
};

/** Between two contacts, or from one to earth. */
export type Span = Pair | Contact;

/** Stands for the earth beside contacts 0 (hot), 1 (neutral) and 2 (ground). */
export const earth = -1;

/** The numbers of what lies at the two ends of a span. */
export const endsOf: Readonly<Record<Span, readonly [number, number]>> = {
  hn: [0, 1],
  hg: [0, 2],
  ng: [1, 2],
  hot: [0, earth],
  neutral: [1, earth],
  ground: [2, earth],
};
