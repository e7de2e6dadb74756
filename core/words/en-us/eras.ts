import type { CatalogWords, EraWords } from '../../knowledge/index.ts';

const practice = 'common practice';

/** A rule binds work done from its year on. */
const rule = (what: string, where: string): EraWords => ({
  name: where,
  lookFor: `${what} protection: ${where}.`,
  source: 'NEC editions, from memory',
});
const groundFault = (where: string): EraWords => rule('Ground-fault', where);
const arcFault = (where: string): EraWords => rule('Arc-fault', where);

export const eraLanes: CatalogWords['eraLanes'] = {
  wiring: 'Wiring',
  ground: 'Grounds',
  metal: 'Aluminum',
  'ground-fault': 'Ground-fault rules',
  'arc-fault': 'Arc-fault rules',
};

export const eras: CatalogWords['eras'] = {
  'knob-and-tube': {
    name: 'Knob and tube',
    lookFor:
      'Single conductors on porcelain, no ground anywhere: three-slot receptacles on it promise what is not there.',
    source: practice,
  },
  'rubber-and-cloth': {
    name: 'Rubber and cloth insulation',
    lookFor:
      'Insulation gone brittle, and all of it grey: reversals at random, because nobody could tell hot from neutral. Silver wire in it may be tinned copper.',
    source: practice,
  },
  'push-in': {
    name: 'Push-in terminals',
    lookFor:
      'Spring clamps behind receptacles loosen: voltage drop, flicker, everything beyond one box dead.',
    source: practice,
  },
  'two-wire': {
    name: 'Two-wire cable, no ground',
    lookFor:
      'Two-slot receptacles are original and allowed. Three-slot ones that read correct need a look: a jumper, or a raceway that nobody sees.',
    source: `${practice}: to about 1962–65`,
  },
  'thin-ground': {
    name: 'Ground a size smaller',
    lookFor: 'Thin grounds under clamps and box screws: open grounds from loose joints.',
    source: practice,
  },
  grounded: {
    name: 'Ground in every cable',
    lookFor: 'A missing ground is an accident here: a loose or forgotten wire, here or toward the panel.',
    source: practice,
  },
  aluminum: {
    name: 'Aluminum branch wiring',
    lookFor:
      'Silver conductors right through the cut, a size fatter than copper, AL on the jacket. Connections loosen and heat: scorch, warm plates, flicker. New copper at the panel proves nothing.',
    source: 'CPSC 516: 1965–1973 (from memory); to the late 1970s by common practice',
  },
  'ground-fault-1973': groundFault('outdoors and at pools'),
  'ground-fault-1975': groundFault('bathrooms'),
  'ground-fault-1978': groundFault('garages'),
  'ground-fault-1987': groundFault('kitchen counter near the sink'),
  'ground-fault-1990': groundFault('crawl spaces, unfinished basements'),
  'ground-fault-1993': groundFault('wet-bar sinks'),
  'ground-fault-1996': groundFault('all kitchen counters'),
  'ground-fault-2005': groundFault('laundry and utility sinks'),
  'ground-fault-2011': groundFault('other sinks'),
  'ground-fault-2014': groundFault('laundry areas, dishwashers'),
  'ground-fault-2020': groundFault('all basements, 250 V receptacles'),
  'ground-fault-2023': groundFault('all kitchen receptacles'),
  'arc-fault-2002': arcFault('bedrooms'),
  'arc-fault-2008': arcFault('living areas; receptacles tamper-resistant'),
  'arc-fault-2014': arcFault('kitchens, laundry'),
};

export const eraHint: CatalogWords['eraHint'] = (hint) => {
  switch (hint.kind) {
    case 'year-unknown':
      return 'The year built tells most of what to expect: enter it as soon as it is known.';
    case 'grounds-came-later':
      return 'A house from before grounds, made over later: where old cable meets new receptacles, look for jumpers from neutral to ground behind “reads correct”.';
    case 'altered':
      return `${hint.what ?? 'Altered'} (${hint.year}): other circuits, other hands. Its neighbours in the old part share boxes with it – test on both sides of the seam.`;
    case 'recent':
      return 'A recent year is no alibi: reversed wires and loose terminals are met in houses one year old.';
    case 'oldest-first':
      return 'Look at the oldest receptacles first: upstairs bedrooms and baths are changed last.';
  }
};
