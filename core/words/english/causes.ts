import type { AssessmentWords, InstrumentFault, Wrong } from '../../assessment/index.ts';
import type { Fault } from '../../faults/index.ts';
import { panel } from '../../physics/index.ts';
import { and, comma, lower, or, type Terms } from './terms.ts';

type CauseWords = Pick<
  AssessmentWords,
  'cause' | 'explanation' | 'instrumentFault' | 'wrongReading' | 'share' | 'place' | 'whyNext' | 'testAgain'
>;

/** Three digits at most: "1.2 Ω", "340 Ω". */
const inOhms = (ohms: number): string => `${Number(ohms.toPrecision(ohms < 10 ? 2 : 3))} Ω`;

/** A probability as people read it: whole per cents, and neither none nor all of a hundred, since nothing measured is certain. */
function share(probability: number): string {
  if (probability < 0.01) return 'under 1 %';
  if (probability > 0.99) return 'over 99 %';
  return `${Math.round(100 * probability)} %`;
}

/** "open ground", "open ground": "open ground in 2 places". */
function eachOnce(words: readonly string[]): readonly string[] {
  const times = new Map<string, number>();
  for (const one of words) times.set(one, (times.get(one) ?? 0) + 1);
  return [...times].map(([one, count]) => (count === 1 ? one : `${one} in ${count} places`));
}

/** What an instrument does that does not work. */
function failing(fault: InstrumentFault): string {
  switch (fault.kind) {
    case 'dead':
      return `the ${failed[fault.instrument]} shows nothing where other readings show power`;
    case 'lamp-out':
      return `one lamp of the tester stays dark, ${lampNames[fault.lamp]}, where other readings show that it should be lit`;
    case 'always-sounds':
      return 'the probe sounds wherever it is held';
    case 'another':
      return 'the breaker that was switched off was another one';
  }
}
const failed = { lamps: 'tester', meter: 'meter', probe: 'probe' } as const;
const lampNames = { hn: 'H–N', hg: 'H–G', ng: 'N–G' } as const;
const whatToDo = {
  lamps: 'Check the tester on a source known to be live, and read again.',
  meter: 'Check the meter on a source known to be live, and measure again.',
  probe: 'Check the probe on a source known to be live, and hold it there again.',
  breaker: 'Nothing was proved dead with it.',
} as const;
const capital = (text: string): string => `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`;
/** How a reading came to be wrong. */
const slips = {
  value: ', one value of it',
  reading: '',
  decimal: ', as if a decimal point had slipped',
  digits: ', as if two digits had changed places',
  probes: ', as if two probes had changed places',
} as const satisfies Readonly<Record<Wrong, string>>;

const inBox = ' terminals';

/** Whether words of a place say the same one, whichever English says it. */
export const isSamePlace = (before: string, now: string): boolean =>
  before === now || before.replaceAll('the panel', 'the consumer unit') === now;

/** What the engine answers, in words. */
export function causeWords(terms: Terms): CauseWords {
  const { contacts } = terms;
  function faultWords(fault: Fault): string {
    switch (fault.kind) {
      case 'open':
        return `open ${contacts[fault.conductor]}`;
      case 'swap':
        return `${and(fault.conductors.map((one) => contacts[one]))} exchanged`;
      case 'bond':
        return `a jumper from ${contacts[fault.conductors[0]]} to ${contacts[fault.conductors[1]]}`;
      case 'resistance':
        return `a poor connection in the ${contacts[fault.conductor]}, about ${inOhms(fault.ohms)}`;
    }
  }
  const cause = (faults: readonly Fault[]): string =>
    faults.length === 0 ? 'nothing wrong' : and(eachOnce(faults.map(faultWords)));

  return {
    cause,
    share,
    explanation: ({ faults, isTripped, isMisread, instruments }) => {
      const [fault] = instruments;
      if (fault !== undefined) return `${failing(fault)}${faults.length > 0 ? `; ${cause(faults)}` : ''}`;
      if (isTripped) return 'a tripped device or breaker, a switch off';
      return isMisread ? 'nothing wrong, and a reading mistaken' : cause(faults);
    },
    instrumentFault: (fault) => `${capital(failing(fault))}. ${whatToDo[fault.instrument]}`,
    wrongReading: (wrong) => `Does not fit the others${wrong === null ? '' : slips[wrong]}: test again`,
    place: ({ between: [near, far], sites, boxes }, nameOf = (outlet) => outlet) => {
      const words = (name: string): string => (name === panel ? terms.panel : nameOf(name));
      const ownBoxes = sites
        .filter((site) => site.endsWith(inBox))
        .map((site) => site.slice(0, -inBox.length));
      const parts = [
        ...(ownBoxes.length < sites.length ? [`between ${words(near)} and ${words(far)}`] : []),
        ...(ownBoxes.length > 0 ? [`in the box of ${or(ownBoxes.map(words))}`] : []),
      ];
      const [first] = boxes;
      if (first === undefined || boxes.length < 2) return parts.join(', or ');
      const look = first.at === panel ? `look at ${terms.panel} first` : `open ${words(first.at)} first`;
      return `${parts.join(', or ')}; ${look} (${share(first.probability)})`;
    },
    whyNext: ({ tells, state }) => {
      if (tells.kind === 'place') return 'narrows down where the cause sits';
      const name = (id: typeof tells.from): string => lower(terms.conditionName(id));
      return comma([
        `at ${tells.at}`,
        `tells ${name(tells.from)} from ${name(tells.to)}${tells.more > 0 ? ` and ${tells.more} more` : ''}`,
        ...(state?.loadsOff ? ['with everything on the circuit off'] : []),
      ]);
    },
    testAgain: 'this does not fit the others: test again',
  };
}
