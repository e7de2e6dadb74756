import type { RuleText, RuleWords, Ungrounded } from '../../findings/index.ts';
import { unprovedTesters } from '../english/function-checks.ts';
import { and, comma } from '../english/terms.ts';
import { message } from '../message.ts';
import { conditions } from './conditions.ts';
import { remedies } from './corrections.ts';
import { partRuleWords } from './house-parts.ts';
import { instruments } from './instruments.ts';
import { groundFault, looks, protectedPlaces } from './observations.ts';

/** Where a rule names no other box, and no other test. */
const here = { openFirst: 'this box', retest: 'Lamps here and at the neighbours.' } as const;
const noBox = { openFirst: null, retest: null } as const;
const bootleg = conditions['bootleg-ground'];

const readAgain = message<{ count: number }>(
  'en-GB',
  '{count, plural, one {# reading is} other {# readings are}} read again with a tester that passes.',
);
const notTested = message<{ untested: number; expected: number }>(
  'en-GB',
  '{untested} of {expected, plural, one {# socket-outlet was} other {# socket-outlets were}} not tested',
);

const aluminum = {
  why: 'It fails at its connections: soft metal creeps and loosens, oxide does not conduct, joints heat. Insurers often refuse it or ask for a certificate.',
  openFirst: 'the consumer unit, then the oldest socket-outlet',
  retest: 'Lamps and meter at each; plates stay cool in use. No load test through aluminium.',
} as const;

const testers = { ...here, why: 'A tester that fails may show nothing where there is something.' } as const;

/** Where only the year speaks for it, it is likely and no more. */
const likelyUngrounded = (ungrounded: Ungrounded): string =>
  ungrounded.by === 'year'
    ? `Built ${ungrounded.year}, when earths were rarely run: the wiring likely has none, until one is found. `
    : '';

/** Places at which accident alone would have wires exchanged. */
const usual = message<{ places: number }>(
  'en-GB',
  '{places, plural, =0 {hardly one} one {about one} other {about #}} would be usual by accident',
);

const smallConductor: RuleWords['smallConductor'] = ({ name, amps }) =>
  `${name}: a conductor too small for ${amps} A`;

export const rules: RuleWords = {
  ...partRuleWords,
  adapters: {
    ...here,
    headline: 'Three-to-two adapters in use',
    what: 'The adapter’s tab earths only where plate screw, frame, metal box and conduit are all joined to earth.',
    why: 'It lets three pins in and mostly earths nothing.',
    correction:
      'Taken out; equipment with three pins goes to an earthed socket-outlet. A registered electrician makes one where it is needed.',
  },
  aluminumSeen: ({ inSprings, remedies: held, looked }) => ({
    ...aluminum,
    headline: 'Aluminium wiring of final circuits',
    what: [
      'Conductors of socket-outlet circuits are aluminium.',
      ...(inSprings.length === 0
        ? []
        : [`At ${comma(inSprings)} push-in terminals hold it, which are made for copper alone.`]),
      ...(looked === '' ? [] : [looked]),
    ].join(' '),
    correction: `A registered electrician repairs every connection, at socket-outlets, switches, lights and splices. Held by this firm to be a repair: ${held.map((id) => remedies[id].name).join('; ')}. The insurer decides. Devices are not changed for looks before that.`,
  }),
  aluminumSigns: (looked) => ({
    ...aluminum,
    headline: 'Signs of aluminium wiring',
    what: `Something points to aluminium conductors; no cut end was seen that proves it.${looked === '' ? '' : ` ${looked}`}`,
    correction:
      'A registered electrician looks at cut ends in the consumer unit and at the oldest socket-outlets.',
  }),
  calibrationOverdue: (overdue) => ({
    ...noBox,
    headline: 'Calibration more than a year old',
    what: overdue
      .map(({ instrument, day }) => `${instruments[instrument].name}: calibrated on ${day}.`)
      .join(' '),
    why: 'What it shows may be off by more than its maker promises.',
    correction:
      'It is calibrated before it is used again; volts near a limit are read again with one that is in date.',
  }),
  correctWithoutGround: (ungrounded) => ({
    headline:
      ungrounded.by === 'year'
        ? 'Reads correct in a house of the years without earths'
        : 'Reads correct in a house wired without earths',
    what: `${likelyUngrounded(ungrounded)}Either metal conduit or a bonded box brings an earth that nobody sees, or neutral and earth are jumpered.`,
    why: bootleg.why,
    correction:
      'A load test or a measurement of the earth path decides: a real earth shows neutral to earth rising by about half the drop, a jumper shows none. A registered electrician looks in the box where it does not.',
    openFirst: 'no box before a load test tells a real earth from a jumper',
    retest: bootleg.retest,
  }),
  testersFailed: ({ testers: bad, doubted }) => ({
    ...testers,
    headline: bad.some(({ state }) => state === 'failed')
      ? 'A tester failed its function check'
      : 'A tester was dropped, and not checked since',
    what: unprovedTesters(bad, instruments),
    correction: readAgain({ count: doubted }),
  }),
  testersNotProved: (bad) => ({
    ...testers,
    headline: 'Testers not checked before and after',
    what: unprovedTesters(bad, instruments),
    correction:
      'Readings are taken as they are; a function check on a socket-outlet known to be good belongs before and after.',
  }),
  groundFaultDevice: (code): RuleText => ({
    headline: 'RCD protection did not do what it should',
    what: groundFault[code],
    why: conditions['protection-failed'].why,
    correction: conditions['protection-failed'].correction,
    openFirst: conditions['protection-failed'].openFirst,
    retest: here.retest,
  }),
  halvesDiffer: {
    ...here,
    headline: 'The halves of a socket-outlet read otherwise',
    what: 'Upper and lower half were tried and did not show the same; only one of them is entered.',
    why: 'One half may be switched, on another circuit, or fed through a tab that has broken: what holds for one half says nothing of the other.',
    correction:
      'Both halves are read by themselves. A registered electrician looks at the tabs between them, and at whether two circuits share the box.',
  },
  lostServiceNeutral: ({ high, low }) => ({
    headline: 'The neutral of the supply is lost or loose',
    what: `Line to neutral is high on one phase (${high.toFixed(0)} V) and low on the other (${low.toFixed(0)} V) in the whole house, while neutral to earth stays near nothing.`,
    why: 'It burns out equipment and can start fires; which appliance goes first is a matter of what is switched on next.',
    correction:
      'Call the network operator’s emergency number now; switch off and unplug what can be. A registered electrician looks afterwards.',
    openFirst: null,
    retest: 'Volts on both phases, at socket-outlets of several circuits.',
    evidence: `${high.toFixed(0)} V on one phase, ${low.toFixed(0)} V on the other`,
  }),
  missingLabels: {
    ...here,
    headline: 'Labels missing',
    what: 'A socket-outlet protected from elsewhere is marked “RCD protected”; one without an earth is marked “No earth” besides.',
    why: 'The next person takes it for earthed, or looks in vain for its reset.',
    correction: 'The labels are put on (BS 7671 decides).',
  },
  missingProtection: ({ place, from }) => ({
    headline: `RCD protection missing: ${protectedPlaces[place]}`,
    what: `None was found at these socket-outlets; new work has needed it there since ${from} (from memory).`,
    why: 'Water and bare floors are near: a fault that a breaker does not notice can kill.',
    correction:
      'A registered electrician fits an RCD that protects them, and the labels it needs. BS 7671 decides what is required.',
    openFirst: 'the first of them from the consumer unit: a device there protects those after it',
    retest: 'The device’s own button cuts every one of them; reset brings them back.',
  }),
  noTripDownstream: {
    headline: 'Reads correct, but its button does not trip the device upstream',
    what: 'The device trips by its own button, and not by a tester’s at a socket-outlet behind it that reads correct. A jumper from neutral to earth in the box does that.',
    why: bootleg.why,
    correction:
      'A load test or a measurement of the earth path decides. Where neutral to earth does not rise under load, a registered electrician looks for the jumper in this box.',
    openFirst: 'no box before a load test tells a real earth from a jumper; then this box',
    retest: bootleg.retest,
  },
  notCovered: (count) => ({
    ...here,
    headline: notTested(count),
    what: 'Each is named in the report with its reason where one was given.',
    why: 'Nothing is known of them: not tested is not the same as sound.',
    correction: 'They are tested once furniture is moved or rooms are free, before anybody relies on them.',
  }),
  voltage: ({ low, high }) => ({
    headline: 'Voltage out of range',
    what: `Line to neutral lies outside ${low} to ${high} V.`,
    why: 'Equipment runs hot, weak or short-lived.',
    correction:
      'A registered electrician compares the volts at the supply terminals; if they are out of range there, the network operator is told.',
    openFirst: 'no box before the volts at the supply terminals are known',
    retest: 'Volts at the supply terminals and here, at another hour.',
  }),
  neutralRise: ({ volts }) => ({
    ...here,
    headline: 'Neutral rises above earth under load',
    what: `More than ${volts} V from neutral to earth under load.`,
    why: 'It is the drop along the neutral: long, thin or poorly joined.',
    correction: 'A registered electrician looks at the connections of the neutral at the next occasion.',
  }),
  sharedSymptoms: ({ breakers, conductor }) => ({
    ...here,
    headline: `${conductor === 'neutral' ? 'Neutral' : 'Earth'} lost on breakers ${and(breakers)} alike`,
    what: 'Two circuits show the same, each from near the consumer unit on. One place that they have in common is likelier than two.',
    why: 'What they have in common may feed more than was tested, and gets worse by itself.',
    correction:
      'Have the consumer unit and the first box that both cables pass through looked at, before any receptacle of theirs.',
    openFirst: 'the consumer unit, then the first box that both circuits pass through',
    retest: 'Both circuits again, under load, from the first receptacle on.',
  }),
  sharedEvidence: ({ breaker, cause }) => `Breaker ${breaker}: ${cause}`,
  oldDevices: ({ years }) => ({
    ...here,
    headline: `RCDs more than ${years} years old`,
    what: 'The year stands on the device.',
    why: 'They wear out unseen: power stays on when they no longer protect.',
    correction: 'Press the device’s own button every month; have it replaced at the next occasion.',
  }),
  jumperSeen: {
    ...here,
    headline: `${bootleg.name}, seen in the box`,
    what: bootleg.what,
    why: bootleg.why,
    correction: bootleg.correction,
  },
  pushIn: {
    ...here,
    headline: 'Spring-clamp push-in terminals',
    what: 'Conductors are held by springs behind the socket-outlet, not under its screws.',
    why: 'They loosen with heat and handling. Many practitioners avoid them.',
    correction: 'A registered electrician moves the conductors under the screws when the box is open anyway.',
  },
  willNotReset: {
    headline: 'An RCD will not reset',
    what: 'It tripped or locked itself out, and does not come back.',
    why: 'Either it is at its end, or what it tripped for is still there; until that is known nothing behind it has power.',
    correction:
      'A registered electrician tells the device from the fault behind it: breaker off and the box proved dead, the load side is taken off and capped; one that, power on again, still will not reset is replaced.',
    openFirst: 'the device’s own box',
    retest: 'It resets, trips by its own button, and everything behind it goes dead and comes back.',
  },
  powerNotBack: {
    headline: 'Power is not said to be back',
    what: 'It went off with a device or a breaker that was tried, and nobody recorded that it came back.',
    why: 'A freezer, an alarm or medical equipment may be without power and nobody knows.',
    correction:
      'Whoever tried it, or the occupant, sees that it is reset and the power is back; what does not come back is work for a registered electrician.',
    openFirst: null,
    retest: 'Lamps here.',
  },
  miswired: ({ miswired, tested, places, expected }) => ({
    headline: 'Miswired in many places: unqualified work',
    what: `${miswired} of ${tested} socket-outlets tested are miswired, at ${places} places that have no cause in common; ${usual({ places: Math.round(expected) })}.`,
    why: 'Whoever did this did more than the socket-outlets show: switches, splices and boxes that nobody has seen.',
    correction:
      'A registered electrician looks at the whole system, not only at the socket-outlets listed; in old grey wiring line is found by meter, never guessed.',
    openFirst: 'each box listed, the oldest first',
    retest: 'Lamps, probe and meter at every socket-outlet of the house.',
  }),
  readWrongBefore: (condition) => ({
    headline: `${conditions[condition].name}, and correct when read again`,
    what: 'The same socket-outlet read wrong and then correct. Either it comes and goes, as a loose connection does, or somebody put it right in between.',
    why: conditions[condition].why,
    correction: `Ask who worked on it. If nobody did, it will come back. ${conditions[condition].correction}`,
    retest: conditions[condition].retest,
  }),
  smallConductor,
  smallConductors: (those) => ({
    headline: 'Conductor smaller than its breaker allows',
    what: those.map((one) => `${smallConductor(one)}.`).join(' '),
    why: 'The wire can overheat inside the wall before the breaker opens.',
    correction: 'A registered electrician fits the breaker that the conductor allows, or a larger conductor.',
    openFirst: 'the consumer unit',
    retest: 'Breaker against conductor; lamps at the socket-outlets behind it.',
  }),
  ungroundedSystem: (ungrounded) => ({
    headline:
      ungrounded.by === 'year'
        ? 'Three-pin socket-outlets, likely on wiring without an earth'
        : 'Three-pin socket-outlets on wiring without an earth',
    what:
      ungrounded.by === 'year'
        ? `${likelyUngrounded(ungrounded)}Then socket-outlets that promise one were put in later; a loose earth reads the same.`
        : 'The house was wired without earths; socket-outlets that promise one were put in later.',
    why: 'Whoever plugs in what needs an earth believes it has one. A fault in a metal case is not carried away.',
    correction:
      'A registered electrician chooses with you: RCD protection with its labels, an earth run to each, new cable, or two-pin socket-outlets again.',
    openFirst:
      ungrounded.by === 'year'
        ? 'the box nearest the panel: whether an earth arrives there'
        : 'no box: the wiring has no earths',
    retest: conditions['open-ground'].retest,
  }),
  visibleDefect: (look) => ({
    ...here,
    headline: looks[look].name,
    what: 'Seen at the socket-outlet.',
    why: looks[look].why,
    correction: looks[look].correction,
  }),
};
