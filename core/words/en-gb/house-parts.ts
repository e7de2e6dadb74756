import { type PartTerms, partWords } from '../english/part-names.ts';
import { partRules } from '../english/part-rules.ts';

const terms: PartTerms = {
  panel: 'consumer unit',
  breaker: 'breaker',
  electrician: 'A registered electrician',
  hot: 'line',
  ground: 'earth',
  aGround: 'an earth',
  aluminum: 'aluminium',
  receptacle: 'socket-outlet',
  groundFault: 'RCD',
  arcFault: 'Arc-fault',
  heatClasses: 'Classes of ANSI/NETA MTS table 100.18 (from memory); the higher of the two counts.',
  rule: () => ' (BS 7671 decides.)',
};

export const partNames = /* @__PURE__ */ partWords(terms);
export const partRuleWords = /* @__PURE__ */ partRules(terms);
