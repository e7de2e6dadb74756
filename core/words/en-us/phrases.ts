import type { AssessmentWords } from '../../assessment/index.ts';
import type { Terms } from '../english/terms.ts';
import type { UndoneTerms } from '../english/undone.ts';
import type { VerdictPhrases } from '../english/verdicts.ts';

export const terms: Omit<Terms, 'conditionName'> = {
  contacts: { hot: 'hot', neutral: 'neutral', ground: 'ground' },
  pairs: { hn: 'H–N', hg: 'H–G', ng: 'N–G' },
  short: { hot: 'H', neutral: 'N', ground: 'G' },
  panel: 'the panel',
};

export const verdictPhrases: VerdictPhrases = {
  twoSlot: {
    headline: 'Two-slot, no ground',
    why: 'Original and allowed: it promises no ground. Nothing with three prongs can be plugged in.',
    correction:
      'None needed. For three-prong equipment: a ground is run, or ground-fault protection with its labels.',
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
      return `Hot to neutral should be ${odd.usual[0]} to ${odd.usual[1]} V; more may be a lost neutral.`;
    case 'induced':
      return 'A value between nothing and full may be induced: the low-impedance meter tells.';
  }
};

/** What an undo names things by. */
export const undoneTerms: UndoneTerms = {
  groundFaultName: 'ground-fault',
  panelName: 'panel',
  aluminumName: 'aluminum',
};
