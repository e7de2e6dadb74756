import type { ProtectedPlace, RuleText, RuleWords, Ungrounded } from '../../findings/index.ts';
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
  'en-US',
  '{count, plural, one {# reading is} other {# readings are}} read again with a tester that passes.',
);
const notTested = message<{ untested: number; expected: number }>(
  'en-US',
  '{untested} of {expected, plural, one {# receptacle was} other {# receptacles were}} not tested',
);

const aluminum = {
  why: 'It fails at its connections: soft metal creeps and loosens, oxide does not conduct, joints heat. Insurers often refuse it or ask for a certificate.',
  openFirst: 'the panel, then the oldest receptacle',
  retest: 'Lamps and meter at each; plates stay cool in use. No load test through aluminum.',
} as const;

const testers = { ...here, why: 'A tester that fails may show nothing where there is something.' } as const;

/** What the rule covered in which year, where that was not all of the room. */
const coveredSince: Readonly<Partial<Record<ProtectedPlace, string>>> = {
  kitchen:
    ', at counters within 6 ft of the sink; at all counters since 1996, at every receptacle of a kitchen since 2023',
  basement: ', in unfinished parts; in every part since 2020',
};

/** Where only the year speaks for it, it is likely and no more. */
const likelyUngrounded = (ungrounded: Ungrounded): string =>
  ungrounded.by === 'year'
    ? `Built ${ungrounded.year}, when grounds were rarely run: the wiring likely has none, until one is found. `
    : '';

/** Places at which accident alone would have wires exchanged. */
const usual = message<{ places: number }>(
  'en-US',
  '{places, plural, =0 {hardly one} one {about one} other {about #}} would be usual by accident',
);

const smallConductor: RuleWords['smallConductor'] = ({ name, awg, amps }) =>
  `${name}: ${awg} AWG on ${amps} A`;

export const rules: RuleWords = {
  ...partRuleWords,
  adapters: {
    ...here,
    headline: 'Three-to-two adapters in use',
    what: 'The adapter’s tab grounds only where plate screw, yoke, metal box and raceway are all joined to ground.',
    why: 'It lets three prongs in and mostly grounds nothing.',
    correction:
      'Taken out; equipment with three prongs goes to a grounded receptacle. A licensed electrician makes one where it is needed.',
  },
  aluminumSeen: ({ inSprings, remedies: held, looked }) => ({
    ...aluminum,
    headline: 'Aluminum branch wiring',
    what: [
      'Conductors of receptacle circuits are aluminum.',
      ...(inSprings.length === 0
        ? []
        : [`At ${comma(inSprings)} push-in terminals hold it, which are made for copper alone.`]),
      ...(looked === '' ? [] : [looked]),
    ].join(' '),
    correction: `A licensed electrician repairs every connection, at receptacles, switches, lights and splices. Held by this firm to be a repair: ${held.map((id) => remedies[id].name).join('; ')}. Local authority and insurer decide. Devices are not changed for looks before that.`,
  }),
  aluminumSigns: (looked) => ({
    ...aluminum,
    headline: 'Signs of aluminum branch wiring',
    what: `Something points to aluminum conductors; no cut end was seen that proves it.${looked === '' ? '' : ` ${looked}`}`,
    correction: 'A licensed electrician looks at cut ends in the panel and at the oldest receptacles.',
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
        ? 'Reads correct in a house of the years without grounds'
        : 'Reads correct in a house wired without grounds',
    what: `${likelyUngrounded(ungrounded)}Either metal raceway or a bonded box brings a ground that nobody sees, or neutral and ground are jumpered.`,
    why: bootleg.why,
    correction:
      'A load test or a measurement of the ground path decides: a real ground shows neutral to ground rising by about half the drop, a jumper shows none. A licensed electrician looks in the box where it does not.',
    openFirst: 'no box before a load test tells a real ground from a jumper',
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
      'Readings are taken as they are; a function check on a receptacle known to be good belongs before and after.',
  }),
  groundFaultDevice: (code): RuleText => ({
    headline: 'Ground-fault protection did not do what it should',
    what: groundFault[code],
    why: conditions['protection-failed'].why,
    correction: conditions['protection-failed'].correction,
    openFirst: conditions['protection-failed'].openFirst,
    retest: here.retest,
  }),
  halvesDiffer: {
    ...here,
    headline: 'The halves of a receptacle read otherwise',
    what: 'Upper and lower half were tried and did not show the same; only one of them is entered.',
    why: 'One half may be switched, on another circuit, or fed through a tab that has broken: what holds for one half says nothing of the other.',
    correction:
      'Both halves are read by themselves. A licensed electrician looks at the tabs between them, and at whether two circuits share the box.',
  },
  lostServiceNeutral: ({ high, low }) => ({
    headline: 'The service neutral is lost or loose',
    what: `Hot to neutral is high on one leg (${high.toFixed(0)} V) and low on the other (${low.toFixed(0)} V) in the whole house, while neutral to ground stays near nothing.`,
    why: 'It burns out equipment and can start fires; which appliance goes first is a matter of what is switched on next.',
    correction:
      'Call the utility’s emergency number now; switch off and unplug what can be. A licensed electrician looks afterwards.',
    openFirst: null,
    retest: 'Volts on both legs, at receptacles of several circuits.',
    evidence: `${high.toFixed(0)} V on one leg, ${low.toFixed(0)} V on the other`,
  }),
  missingLabels: {
    ...here,
    headline: 'Labels missing',
    what: 'A receptacle protected from elsewhere is marked “GFCI Protected”; one without a ground is marked “No Equipment Ground” besides.',
    why: 'The next person takes it for grounded, or looks in vain for its reset.',
    correction: 'The labels are put on (NEC 406.4(D)(2), from memory; the local code decides).',
  },
  missingProtection: ({ place, from }) => ({
    headline: `Ground-fault protection missing: ${protectedPlaces[place]}`,
    what: `None was found at these receptacles; new work has needed it there since ${from}${coveredSince[place] ?? ''} (from memory).`,
    why: 'Water and bare floors are near: a fault that a breaker does not notice can kill.',
    correction:
      'A licensed electrician fits a ground-fault device that protects them, and the labels it needs. The local edition decides what is required.',
    openFirst: 'the first of them from the panel: a device there protects those after it',
    retest: 'The device’s own button cuts every one of them; reset brings them back.',
  }),
  noTripDownstream: {
    headline: 'Reads correct, but its button does not trip the device upstream',
    what: 'The device trips by its own button, and not by a tester’s at a receptacle behind it that reads correct. A jumper from neutral to ground in the box does that.',
    why: bootleg.why,
    correction:
      'A load test or a measurement of the ground path decides. Where neutral to ground does not rise under load, a licensed electrician looks for the jumper in this box.',
    openFirst: 'no box before a load test tells a real ground from a jumper; then this box',
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
    what: `Hot to neutral lies outside ${low} to ${high} V.`,
    why: 'Equipment runs hot, weak or short-lived.',
    correction:
      'A licensed electrician compares the volts at the service; if they are out of range there, the utility is told.',
    openFirst: 'no box before the volts at the service are known',
    retest: 'Volts at the service and here, at another hour.',
  }),
  neutralRise: ({ volts }) => ({
    ...here,
    headline: 'Neutral rises above ground under load',
    what: `More than ${volts} V from neutral to ground under load.`,
    why: 'It is the drop along the neutral: long, thin or poorly joined.',
    correction: 'A licensed electrician looks at the connections of the neutral at the next occasion.',
  }),
  sharedSymptoms: ({ breakers, conductor }) => ({
    ...here,
    headline: `${conductor === 'neutral' ? 'Neutral' : 'Ground'} lost on breakers ${and(breakers)} alike`,
    what: 'Two circuits show the same, each from near the panel on. One place that they have in common is likelier than two.',
    why: 'What they have in common may feed more than was tested, and gets worse by itself.',
    correction:
      'Have the panel and the first box that both cables pass through looked at, before any receptacle of theirs.',
    openFirst: 'the panel, then the first box that both circuits pass through',
    retest: 'Both circuits again, under load, from the first receptacle on.',
  }),
  sharedEvidence: ({ breaker, cause }) => `Breaker ${breaker}: ${cause}`,
  oldDevices: ({ years }) => ({
    ...here,
    headline: `Ground-fault devices more than ${years} years old`,
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
    what: 'Conductors are held by springs behind the receptacle, not under its screws.',
    why: 'They loosen with heat and handling. Many practitioners avoid them; listings allow them for 14 AWG, used once.',
    correction: 'A licensed electrician moves the conductors under the screws when the box is open anyway.',
  },
  willNotReset: {
    headline: 'A ground-fault device will not reset',
    what: 'It tripped or locked itself out, and does not come back.',
    why: 'Either it is at its end, or what it tripped for is still there; until that is known nothing behind it has power.',
    correction:
      'A licensed electrician tells the device from the fault behind it: breaker off and the box proved dead, the load side is taken off and capped; one that, power on again, still will not reset is replaced.',
    openFirst: 'the device’s own box',
    retest: 'It resets, trips by its own button, and everything behind it goes dead and comes back.',
  },
  powerNotBack: {
    headline: 'Power is not said to be back',
    what: 'It went off with a device or a breaker that was tried, and nobody recorded that it came back.',
    why: 'A freezer, an alarm or medical equipment may be without power and nobody knows.',
    correction:
      'Whoever tried it, or the occupant, sees that it is reset and the power is back; what does not come back is work for a licensed electrician.',
    openFirst: null,
    retest: 'Lamps here.',
  },
  miswired: ({ miswired, tested, places, expected }) => ({
    headline: 'Miswired in many places: unqualified work',
    what: `${miswired} of ${tested} receptacles tested are miswired, at ${places} places that have no cause in common; ${usual({ places: Math.round(expected) })}.`,
    why: 'Whoever did this did more than the receptacles show: switches, splices and boxes that nobody has seen.',
    correction:
      'A licensed electrician looks at the whole system, not only at the receptacles listed; in old grey wiring hot is found by meter, never guessed.',
    openFirst: 'each box listed, the oldest first',
    retest: 'Lamps, probe and meter at every receptacle of the house.',
  }),
  readWrongBefore: (condition) => ({
    headline: `${conditions[condition].name}, and correct when read again`,
    what: 'The same receptacle read wrong and then correct. Either it comes and goes, as a loose connection does, or somebody put it right in between.',
    why: conditions[condition].why,
    correction: `Ask who worked on it. If nobody did, it will come back. ${conditions[condition].correction}`,
    retest: conditions[condition].retest,
  }),
  smallConductor,
  smallConductors: (those) => ({
    headline: 'Conductor smaller than its breaker allows',
    what: `${those.map((one) => `${smallConductor(one)}.`).join(' ')} Limits of NEC 240.4(D) and table 310.16 at 60 °C (from memory); the local code decides.`,
    why: 'The wire can overheat inside the wall before the breaker opens.',
    correction: 'A licensed electrician fits the breaker that the conductor allows, or a larger conductor.',
    openFirst: 'the panel',
    retest: 'Breaker against conductor; lamps at the receptacles behind it.',
  }),
  ungroundedSystem: (ungrounded) => ({
    headline:
      ungrounded.by === 'year'
        ? 'Three-slot receptacles, likely on wiring without a ground'
        : 'Three-slot receptacles on wiring without a ground',
    what:
      ungrounded.by === 'year'
        ? `${likelyUngrounded(ungrounded)}Then receptacles that promise one were put in later; a loose ground reads the same.`
        : 'The house was wired without grounds; receptacles that promise one were put in later.',
    why: 'Whoever plugs in what needs a ground believes it has one. A fault in a metal case is not carried away.',
    correction:
      'A licensed electrician chooses with you: ground-fault protection with its labels, a ground run to each, new cable, or two-slot receptacles again.',
    openFirst:
      ungrounded.by === 'year'
        ? 'the box nearest the panel: whether a ground arrives there'
        : 'no box: the wiring has no grounds',
    retest: conditions['open-ground'].retest,
  }),
  visibleDefect: (look) => ({
    ...here,
    headline: looks[look].name,
    what: 'Seen at the receptacle.',
    why: looks[look].why,
    correction: looks[look].correction,
  }),
};
