import type { FindingLanguage } from '../../findings/index.ts';
import { comma, lower } from '../english/terms.ts';
import { conditions } from './conditions.ts';
import { partNames, partRuleWords } from './house-parts.ts';
import { groundFault, protectedPlaces, urgencies } from './observations.ts';

type FindingPhrases = Pick<
  FindingLanguage,
  | 'readingFindings'
  | 'noDefects'
  | 'flags'
  | 'openFirst'
  | 'metalSign'
  | 'metalJudged'
  | 'plateScrew'
  | 'behindCover'
  | 'groundFaultTried'
>;

const metalSigns = {
  'silver-through': 'silver right through the cut end',
  'copper-outside': 'copper outside, silver in the cut end',
  'copper-through': 'copper through the cut end',
  'silver-outside': 'silver outside, copper in the cut end',
  'rubber-or-cloth': 'in rubber or cloth',
  'tinned-age': 'of an age that tinned its copper',
  jacket: 'AL or ALUMINIUM on the sheath',
  neighbours: 'neighbouring houses have it',
} as const;

export const findingPhrases: FindingPhrases = {
  readingFindings: {
    dim: 'A lamp of the tester glowed dimly: the voltage across a pair of contacts is far from normal.',
    mayBe: (those) =>
      those.length < 2
        ? 'No state of a circuit fits all that was read there.'
        : `What was read there fits more than one state: ${comma(those.map((id) => lower(conditions[id].name)))}.`,
    suspected: (id) =>
      `It reads correct; what was read around it makes another state likely: ${conditions[id].what}`,
    beyond: (first) => `Everything from ${first} on shows it: one place is to blame.`,
    raisedBy: (id) =>
      `${conditions[id].name} is probable enough to act on until it is ruled out. ${conditions[id].why}`,
    openFirst: 'this box',
    retest: 'Lamps here and at the neighbours.',
  },
  noDefects: {
    holeUp: (names) => `Earth hole up at ${comma(names)}: either way up is right.`,
    twoSlot: (names) =>
      `Two-pin socket-outlets at ${comma(names)}: allowed where they are original; nothing with three pins can be plugged in.`,
    neutralRise: ({ volts, names }) =>
      `Neutral to earth up to ${volts} V under load at ${comma(names)}: that is the drop along the neutral, and a sign of a real earth.`,
    upgrade: ({ place, names, from }) =>
      `No RCD protection found in the ${protectedPlaces[place]} (${comma(names)}): the house predates the rule of ${from} (from memory). Upgrade recommended; BS 7671 decides what a change of device brings.`,
    threeWire: (names) =>
      `Cooker circuits (${comma(names)}): a plug-in tester does not reach them, and what it shows elsewhere says nothing of them.`,
  },
  flags: {
    gone: 'What is known since does not show it any more.',
    readsOtherwise: ({ headline, urgency }) =>
      `What is known since says: ${headline} (${lower(urgencies[urgency])}).`,
    placeMoved: (where) => `Its cause now most likely sits ${where}.`,
    alsoAt: (names) => `Since then also at ${comma(names)}.`,
    noLongerAt: (names) => `No longer at ${comma(names)}.`,
    takenBack: 'a socket-outlet that was taken back',
  },
  openFirst: ({ condition, hasNoGrounds, foundOff }) => {
    if (condition === 'open-ground' && hasNoGrounds) return 'no box: the wiring has no earths';
    const { openFirst } = conditions[condition];
    return foundOff === null
      ? openFirst
      : `no box before the breaker found off (${foundOff}) is looked into: it stays off until its reason is known; ${openFirst}`;
  },
  metalSign: (sign) => {
    switch (sign.kind) {
      case 'fat':
        return `one size fatter than copper on ${sign.amps} A would be`;
      case 'core-year':
        return `built ${sign.year}, in the core of the aluminium years`;
      case 'aluminum-year':
        return `built ${sign.year}, in the aluminium years`;
      case 'jacket-year':
        return partRuleWords.jacketYear(sign.year);
      case 'remedy':
        return partNames.remediesInPlace[sign.remedy];
      case 'seen-at':
        return `seen in ${partNames.aluminumPlaces[sign.place]}`;
      case 'on-breaker':
        return `on ${partRuleWords.position(sign.number)}${sign.amps === null ? '' : `, ${sign.amps} A`}`;
      default:
        return metalSigns[sign.kind];
    }
  },
  metalJudged: {
    copper: 'Copper',
    aluminum: 'Aluminium',
    'tinned-copper': 'Tinned copper, not aluminium',
    'copper-clad': 'Copper-clad aluminium',
    'not-sure': 'Not told yet',
    'likely-aluminum': 'Likely aluminium: look at a cut end',
    'possibly-aluminum': 'Possibly aluminium',
  },
  behindCover: (found, what) => `${found ? 'Found' : 'Not found'} with the cover off: ${what}`,
  plateScrew: (sounds) => `, plate screw ${sounds ? 'sounds' : 'silent'}`,
  groundFaultTried: (code) => `RCD: ${groundFault[code]}`,
};
