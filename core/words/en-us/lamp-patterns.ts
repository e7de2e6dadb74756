import type { CatalogWords } from '../../knowledge/index.ts';

export const patterns: CatalogWords['patterns'] = {
  'hn-hg': {
    key: 'Correct',
    headline: 'Reads correct',
    settle:
      'A proved probe that stays silent at the ground rules out a live ground. A load test then tells a real ground from a jumper: with a real one, neutral to ground rises by about half the drop.',
    practice: null,
    stop: null,
  },
  'hn-ng': {
    key: 'Reversed',
    headline: 'Reads hot and neutral reversed',
    settle:
      'The wide slot alone sounding is a reversal. If the ground or the plate screw sounds, stop: it is live.',
    practice:
      'Some practitioners also meet this pattern with a loose neutral elsewhere on the circuit: read the neighbours before anything is opened.',
    stop: null,
  },
  'hg-ng': {
    key: 'Hot/ground',
    headline: 'Reads hot and ground reversed',
    why: 'Either the ground and every metal case plugged in are live, or, far more often, the neutral is open and something is switched on. Take the ground as live until a test tells.',
    correction:
      'Breaker off at once, and kept off; a licensed electrician finds the open neutral, or the place where hot and ground are exchanged, and corrects it.',
    settle:
      'Unplug or switch off everything on this circuit and read again. If the second lamp goes out, the neutral is open. If both stay lit, take the ground as live.',
    practice: null,
    stop: null,
  },
  hn: {
    key: 'No ground',
    headline: 'Reads open ground',
    settle:
      'The narrow slot sounding and the wide one silent leaves only the ground open. The wide slot sounding means it is reversed as well. Over a floating ground the probe may sound by induction.',
    practice: null,
    stop: null,
  },
  hg: {
    key: 'No neutral',
    headline: 'Reads open neutral',
    settle:
      'The narrow slot sounding with a silent ground leaves the neutral open. If the ground or the plate screw sounds, stop: it is live.',
    practice: null,
    stop: null,
  },
  ng: {
    key: 'No hot',
    headline: 'Reads open hot, with hot on the neutral',
    settle:
      'The wide slot sounding with a silent ground leaves hot on the neutral. If the ground or the plate screw sounds, stop: it is live.',
    practice: null,
    stop: null,
  },
  none: {
    key: 'Dark',
    headline: 'No lamps: not proved dead',
    settle:
      'Prove the tester on a receptacle known to be live, then hold a proved probe to both slots. If either sounds, it is live.',
    practice: 'A tester that was dropped may show nothing at all.',
    stop: null,
  },
  all: {
    key: 'All lit',
    headline: 'All lamps lit: overvoltage',
    settle: null,
    practice: null,
    stop: 'Stop here. Touch nothing that is plugged in on this circuit: its metal may be live. Keep people away and have a licensed electrician called now.',
  },
};

export const fits: CatalogWords['fits'] = {
  'wired-right': 'wired as it should be',
  'joined-in-box': 'neutral and ground joined in a box, the ground wire intact',
  'reversed-with-jumper': 'hot and neutral exchanged, with a jumper that makes the ground live',
  'jumper-for-ground': 'a jumper from neutral where a ground should be',
  'neutral-ground-exchanged': 'neutral and ground on each other’s terminals',
  'touching-connection': 'a loose connection that still touches',
  'balanced-lost-neutral': 'a lost shared neutral whose two sides carry like loads for now',
  'hot-neutral-exchanged': 'hot and neutral exchanged',
  'hot-to-ground-jumper':
    'hot and ground both live with a good neutral: a jumper from hot where no ground arrives',
  'hot-ground-exchanged': 'a true exchange of hot and ground, almost never met',
  'low-leg': 'the lightly loaded side of a lost shared neutral: up to twice the voltage stands on the other',
  'open-neutral-loaded': 'open neutral with something switched on here or downstream: far more common',
  'reversed-open-hot-loaded': 'open hot, hot on the neutral, and a load switched on',
  'ground-missing': 'the ground is broken, or there never was one',
  'hidden-reversal': 'a reversal that the missing ground hides',
  'open-neutral-unloaded': 'the neutral is broken here or upstream, with nothing switched on',
  'live-ground-open-neutral': 'live ground and an open neutral',
  'hot-on-neutral': 'the wide slot is live and the narrow one is open',
  'live-ground-open-hot': 'live ground and an open hot',
  'off-or-broken': 'breaker or switch off, or hot broken',
  'slots-live': 'open neutral where there is no ground: the slots are live',
  'tripped-upstream': 'a ground-fault device upstream has tripped',
  'shared-neutral-lost': 'the neutral shared by two legs is lost',
  'across-two-legs': 'two legs stand across this receptacle',
  'leg-on-ground-and-hot': 'two legs reach it, one on the ground and one on the narrow slot',
  'leg-on-ground-and-neutral': 'two legs reach it, one on the ground and one on the wide slot',
  'low-voltage': 'a poor connection that lets the voltage sag',
  'unequal-legs': 'a lost shared neutral: the voltage divides as the loads do',
};

export const dim: CatalogWords['dim'] = {
  headline: 'A lamp is dim: no pattern to trust',
  why: 'A dim lamp means a voltage well off normal across that pair; the lamps cannot say which fault it is.',
  correction:
    'Measure the three pairs, then have a licensed electrician look for the poor connection or the lost neutral.',
  settle:
    'Measure the three pairs. A voltage far from normal across hot and neutral points to a poor connection or to a lost shared neutral.',
};
