import type { ConditionId } from '../../knowledge/index.ts';
import type { OwnerTexts } from '../../report/index.ts';
import { comma, lower } from '../english/terms.ts';
import { message } from '../message.ts';
import { conditions } from './conditions.ts';
import { workers } from './corrections.ts';

const readCorrect = message<{ correct: number; tested: number }>(
  'en-GB',
  '{correct} of the {tested, plural, one {# socket-outlet} other {# socket-outlets}} tested read plainly correct.',
);
const untestedOf = message<{ untested: number; expected: number }>(
  'en-GB',
  '{untested} of {expected, plural, one {# socket-outlet was} other {# socket-outlets were}} not tested; nothing is known of {untested, plural, one {it} other {them}}. The report names each with its reason.',
);
const allTested = message<{ expected: number }>(
  'en-GB',
  '{expected, plural, one {The one socket-outlet on the list was} other {All # socket-outlets on the list were}} tested.',
);

/** What shows no power is never called dead. */
const dark: Partial<Record<ConditionId, string>> = {
  'open-hot': 'No power, not proved dead',
  'protection-tripped': 'No power, not proved dead: tripped or switched off',
};

/** English: the catalog's own words, and the frame round them. */
export const ownerPage: OwnerTexts = {
  language: 'en',
  name: 'English',
  title: 'In short, for the owner',
  groups: {
    'act-now': {
      heading: 'Dangerous today',
      lead: 'Do not use these. Keep people away and have a registered electrician come before they are used again.',
      none: 'Nothing that was tested is dangerous to use today.',
    },
    repair: {
      heading: 'To be repaired',
      lead: 'Hazards that a registered electrician puts right soon. That something works does not mean that it is safe.',
      none: 'Nothing that was tested needs a repair.',
    },
    note: {
      heading: 'To know, or to improve',
      lead: 'Nothing here is pressing.',
      none: 'Nothing besides.',
    },
  },
  dangerousAllTheSame:
    'Nothing must be acted on today. Some of what is to be repaired is dangerous all the same: do not use it until then.',
  worker: workers,
  fine: {
    heading: 'What reads correct',
    count: (correct, tested) => readCorrect({ correct, tested }),
    limit:
      'Reads correct means that the tests made there showed nothing wrong. It is not a promise for what they cannot see.',
  },
  unseen: {
    heading: 'What could not be seen',
    untested: (untested, expected) => untestedOf({ untested, expected }),
    allTested: (expected) => allTested({ expected }),
    hidden: (names) =>
      `At some of those that read correct, the instruments used would not have shown: ${comma(names.map(lower))}.`,
    walls: ({ switches }) =>
      switches
        ? 'Walls, ceilings and boxes stayed closed; of switches and lights those were tried that the report names.'
        : 'Walls, ceilings and boxes stayed closed; switches and lights were not part of it.',
  },
  closing: 'Do not open a socket-outlet or its box. BS 7671 and whoever enforces it decide what is required.',
  suspected: (headline) => `To be settled: ${lower(headline)} is possible`,
  topic: (topic) => {
    if (topic.kind !== 'condition') return null;
    const { name, why } = conditions[topic.id];
    return { headline: dark[topic.id] ?? name, why };
  },
};
