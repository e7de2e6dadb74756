import { type PartTerms, partWords } from '../english/part-names.ts';
import { partRules } from '../english/part-rules.ts';
import { photoWords } from '../english/photo-words.ts';

/** Where a rule stands; all from memory. */
const rules = {
  ties: 'NEC 210.4(B)',
  terminals: 'NEC 110.14(A)',
  neutrals: 'NEC 408.41',
  clearance: 'NEC 110.26(A)',
  bonding: 'NEC 250.24, 408.40',
  openings: 'NEC 110.12(A), 408.7',
  directory: 'NEC 408.4(A)',
} as const;

const terms: PartTerms = {
  panel: 'panel',
  breaker: 'breaker',
  electrician: 'A licensed electrician',
  hot: 'hot',
  ground: 'ground',
  aGround: 'a ground',
  aluminum: 'aluminum',
  receptacle: 'receptacle',
  groundFault: 'Ground-fault',
  arcFault: 'Arc-fault',
  groundWire: 'Ground conductor',
  switchTurns: 'Receptacles that it turns on and off',
  shellMeasured:
    'Screw shell to a proven ground, probes held by their insulation: about 0 V with the switch on, and off. A neutral that is switched shows with a lamp in it alone.',
  heatClasses: 'Classes of ANSI/NETA MTS table 100.18 (from memory); the higher of the two counts.',
  rule: (id) => ` (${rules[id]}, from memory; the local code decides.)`,
};

export const partNames = /* @__PURE__ */ partWords(terms);
export const partRuleWords = /* @__PURE__ */ partRules(terms);
export const photoNames = /* @__PURE__ */ photoWords(partNames, terms.receptacle);
