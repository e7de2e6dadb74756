import type { AssessmentWords } from '../../assessment/index.ts';
import type { Terms } from '../english/terms.ts';
import type { UndoneTerms } from '../english/undone.ts';
import type { VerdictPhrases } from '../english/verdicts.ts';

export const terms: Omit<Terms, 'conditionName'> = {
  contacts: { hot: 'line', neutral: 'neutral', ground: 'earth' },
  pairs: { hn: 'L–N', hg: 'L–E', ng: 'N–E' },
  short: { hot: 'L', neutral: 'N', ground: 'E' },
  panel: 'the consumer unit',
};

export const verdictPhrases: VerdictPhrases = {
  twoSlot: {
    headline: 'Two-pin, no earth',
    why: 'Original and allowed: it promises no earth. Nothing with three pins can be plugged in.',
    correction: 'None needed. For three-pin equipment: an earth is run, or RCD protection with its labels.',
  },
  dark: {
    'open-hot': 'No power here – not proved dead',
    'protection-tripped': 'No power: likely tripped or switched off – not proved dead',
  },
};

/** What is odd about volts as they were typed. */
export const oddValue: AssessmentWords['oddValue'] = (odd) => {
  switch (odd.kind) {
    case 'unusual':
      return `More than ${odd.above} V is unusual here.`;
    case 'sum':
      return 'One pair shows more than the two others together: no wiring does that. One of the three is mistyped.';
    case 'high':
      return `Line to neutral should be ${odd.usual[0]} to ${odd.usual[1]} V; more may be a lost neutral.`;
    case 'induced':
      return 'A value between nothing and full may be induced: the low-impedance meter tells.';
  }
};

/** What an undo names things by. */
export const undoneTerms: UndoneTerms = {
  groundFaultName: 'RCD',
  panelName: 'consumer unit',
  aluminumName: 'aluminium',
};
