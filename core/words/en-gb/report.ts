import type { ReportTexts } from '../../report/index.ts';
import { type OwnSectionWords, sectionWords } from '../english/report-sections.ts';
import { comma } from '../english/terms.ts';
import { message } from '../message.ts';
import { conditions } from './conditions.ts';
import { questions } from './corrections.ts';
import { partNames, partRuleWords } from './house-parts.ts';
import { instruments } from './instruments.ts';
import * as observations from './observations.ts';
import { screens } from './screens.ts';

const listedAfter = message<{ count: number }>(
  'en-GB',
  '{count, plural, one {socket-outlet listed} other {socket-outlets listed}}',
);
const halvesTried = message<{ count: number }>(
  'en-GB',
  'Both halves were tried at {count, plural, one {one socket-outlet} other {# socket-outlets}}.',
);
const coversOffSaid = message<{ count: number }>(
  'en-GB',
  '{count, plural, =0 {No cover is recorded as taken off.} one {One cover was taken off, where a qualified person had proved the box dead.} other {# covers were taken off, where a qualified person had proved the box dead.}}',
);
const switched = message<{ count: number; names: string; leave: string }>(
  'en-GB',
  '{count, plural, =0 {No breaker is recorded as switched.} one {Switched: breaker {names}, {leave}.} other {Switched: breakers {names}, {leave}.}}',
);

function leaveWords(hasLeave: boolean, leaveFrom: string | null): string {
  if (!hasLeave) return 'and no leave for it is recorded';
  return leaveFrom === null ? 'with leave' : `with leave of ${leaveFrom}`;
}

const notSeenLead =
  'The instruments used at some of the socket-outlets that read correct would not show these. Three lamps see whether contacts are joined, not how well or to what; a probe, a meter and a load test see more.';

const method: OwnSectionWords['method'] = ({ coversOff, halves, breakers, leaveFrom, hasLeave }) => [
  'Socket-outlets were tried with the instruments named above; those that were not are named under coverage. What was shown was compared with what a final circuit would show for every known fault; each finding names the likeliest cause and what the readings leave open.',
  [
    ...(halves === 0 ? [] : [halvesTried({ count: halves })]),
    coversOffSaid({ count: coversOff }),
    switched({ count: breakers.length, names: comma(breakers), leave: leaveWords(hasLeave, leaveFrom) }),
    'Walls, ceilings and fixed equipment are not opened in an inspection like this.',
  ].join(' '),
];

export const report: ReportTexts = {
  title: 'Socket-outlet inspection',
  guideHeading: 'Reading the triangle.',
  figures: {
    listed: (count) => listedAfter({ count }),
    correct: 'read plainly correct',
    notCorrect: 'wrong or in doubt',
    notTested: 'not tested',
  },
  guide:
    'Its corners are the three contacts: line at the top, neutral at the left, earth at the right. A thick edge is a lit lamp between two of them, a thin one a dark lamp. The one drawn here reads correct. A contact is filled only where it is known to be live; lamps alone never show that.',
  workListLead:
    'In the order of the walk, one line a box. Power off and every conductor proved dead before a box is opened; two circuits may share it. Afterwards test here and at the neighbours: one fault can hide another.',
  elsewhere: 'Elsewhere',
  noWork: 'No box needs an electrician for what was tested.',
  noFindings: 'No socket-outlet that was read shows anything but “reads correct”.',
  signed: (name, date) => `${name}, ${date}`,
  changedSince: (time) => `Changed after this was signed, last on ${time}.`,
  isNoBox: (words) => words.startsWith('no box'),
  circuit: (breaker, others) => `breaker ${breaker}${others.length === 0 ? '' : `, with ${comma(others)}`}`,
};

export const sections = sectionWords({
  parts: partNames,
  rules: partRuleWords,
  ...observations,
  conditions,
  instruments,
  questions,
  screens: screens.report,
  notSeenLead,
  method,
  headings: {
    workList: 'Work list for the electrician',
    findings: 'Findings',
    causes: 'Causes',
    circuits: 'Circuits, from the consumer unit outward',
    noDefect: 'No defect',
    notSeen: 'What “reads correct” does not rule out',
    receptacles: 'Socket-outlets by room',
    wiring: 'Consumer unit and wiring',
    switches: 'Switches and lights',
    heat: 'Heat',
    photos: 'Photos',
    coverage: 'Coverage',
    functionChecks: 'Testers and function checks',
    method: 'Method and limits',
    cautions: 'Cautions',
    signatures: 'Signed',
  },
});
