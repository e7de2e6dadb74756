import { type PartTerms, partWords } from '../english/part-names.ts';
import { partRules } from '../english/part-rules.ts';
import { photoWords } from '../english/photo-words.ts';

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
  groundWire: 'Earth conductor',
  switchTurns: 'Socket-outlets that it turns on and off',
  shellMeasured:
    'Screw shell to a proven earth, probes held by their insulation: about 0 V with the switch on, and off. A neutral that is switched shows with a lamp in it alone.',
  heatClasses: 'Classes of ANSI/NETA MTS table 100.18 (from memory); the higher of the two counts.',
  rule: () => ' (BS 7671 decides.)',
};

export const partNames = /* @__PURE__ */ partWords(terms);
export const partRuleWords = /* @__PURE__ */ partRules(terms);
export const photoNames = /* @__PURE__ */ photoWords(partNames, terms.receptacle);
