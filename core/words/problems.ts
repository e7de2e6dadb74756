import type { Problem, Wrong, WrongCode } from '../circuit/index.ts';

/** Files are written in one English: what is wrong with them is said in it everywhere. */
const wrongWords: Readonly<Record<WrongCode, string>> = {
  missing: 'missing',
  'unknown-key': 'unknown key',
  malformed: 'not of the form that is expected',
  'panel-is-no-outlet': 'an outlet cannot be called "panel"',
  'one-size': 'expected either awg or mm2',
  'only-locked-out-leaves-a-pole': 'only a device that is lockedOut leaves a pole closed',
  'two-conductors': 'expected two different conductors',
  'one-site': 'expected either cable or at',
  'outlet-listed': 'an outlet of that name is listed already',
  'cable-listed': 'a cable of that name is listed already',
  'no-panel-or-outlet': 'no outlet of that name; expected "panel" or an outlet',
  'no-outlet-at-end': 'no outlet of that name; a cable ends at an outlet',
  'ends-where-it-begins': 'a cable cannot end where it begins',
  'no-outlet': 'no outlet of that name',
  'no-cable': 'no cable of that name',
  'device-listed': 'there is a device at this outlet already',
  'no-button': 'no protection device here whose button could be pressed',
  'no-device': 'no protection device there',
  'not-fed': 'no run of cables leads here from the panel (each from its "from" to its "to")',
  'more-than-one-ring': 'more than one ring; expected a tree or a single ring',
  'ring-not-at-panel': 'a ring must begin and end at the panel',
  'ring-of-two-legs': 'a ring is fed by one leg, but its outlets use two',
  'no-such-leg': 'its cable does not carry this leg',
  'faults-given': 'must be absent: faults are what is asked for',
  'no-circuit': 'expected a circuit file',
  'no-json': 'expected JSON',
  'space-at-an-end': 'expected no space at either end',
  'broken-characters': 'expected whole characters',
  'no-such-view': 'expected a view of that question',
  'odd-coordinates': 'expected x and y of every point',
  'each-pair-once': 'expected each of hn, hg and ng once',
  'no-picture': 'expected a PNG or JPEG picture',
  'no-value': 'expected one measured value at least',
};

/** "expected number above 0" */
export function wrongInWords(wrong: Wrong): string {
  switch (wrong.code) {
    case 'type':
      return `expected ${wrong.expected}`;
    case 'value':
      return `expected ${wrong.expected.map((value) => JSON.stringify(value)).join(' or ')}`;
    case 'least':
      return `expected ${wrong.of} ${wrong.inclusive ? 'of at least' : 'above'} ${wrong.bound}`;
    case 'most':
      return `expected ${wrong.of} ${wrong.inclusive ? 'of at most' : 'below'} ${wrong.bound}`;
    default:
      return wrongWords[wrong.code];
  }
}

/** A value as JSON; what is nested too deep for that is told by its kind. */
function asText(value: unknown): string {
  try {
    return JSON.stringify(value) ?? String(value);
  } catch {
    return Array.isArray(value) ? '[…]' : '{…}';
  }
}

const shown = (value: unknown): string => {
  if (value === undefined) return '';
  const text = asText(value);
  return ` (${text.length > 60 ? `${text.slice(0, 57)}…` : text})`;
};

/** "/cables/2/meters: expected number above 0 (-3)" */
export const problemInWords = ({ path, value, wrong }: Problem): string =>
  `${path === '' ? '/' : path}: ${wrongInWords(wrong)}${shown(value)}`;
