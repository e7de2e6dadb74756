import type { CatalogWords } from '../../knowledge/index.ts';

export const patterns: CatalogWords['patterns'] = {
  'hn-hg': {
    key: 'Correct',
    headline: 'Reads correct',
    settle:
      'A proved probe that stays silent at the earth rules out a live earth. A load test then tells a real earth from a jumper: with a real one, neutral to earth rises by about half the drop.',
    practice: null,
    stop: null,
  },
  'hn-ng': {
    key: 'Reversed',
    headline: 'Reads line and neutral reversed',
    settle:
      'The neutral hole alone sounding is a reversal. If the earth or the plate screw sounds, stop: it is live.',
    practice:
      'Some practitioners also meet this pattern with a loose neutral elsewhere on the circuit: read the neighbours before anything is opened.',
    stop: null,
  },
  'hg-ng': {
    key: 'Line/earth',
    headline: 'Reads line and earth reversed',
    why: 'Either the earth and every metal case plugged in are live, or, far more often, the neutral is open and something is switched on. Take the earth as live until a test tells.',
    correction:
      'Circuit off at once, and kept off; a registered electrician finds the open neutral, or the place where line and earth are exchanged, and corrects it.',
    settle:
      'Unplug or switch off everything on this circuit and read again. If the second lamp goes out, the neutral is open. If both stay lit, take the earth as live.',
    practice: null,
    stop: null,
  },
  hn: {
    key: 'No earth',
    headline: 'Reads open earth',
    settle:
      'The line hole sounding and the neutral one silent leaves only the earth open. The neutral hole sounding means it is reversed as well. Over a floating earth the probe may sound by induction.',
    practice: null,
    stop: null,
  },
  hg: {
    key: 'No neutral',
    headline: 'Reads open neutral',
    settle:
      'The line hole sounding with a silent earth leaves the neutral open. If the earth or the plate screw sounds, stop: it is live.',
    practice: null,
    stop: null,
  },
  ng: {
    key: 'No line',
    headline: 'Reads open line, with line on the neutral',
    settle:
      'The neutral hole sounding with a silent earth leaves line on the neutral. If the earth or the plate screw sounds, stop: it is live.',
    practice: null,
    stop: null,
  },
  none: {
    key: 'Dark',
    headline: 'No lamps: not proved dead',
    settle:
      'Prove the tester on a socket-outlet known to be live, then hold a proved probe to both holes. If either sounds, it is live.',
    practice: 'A tester that was dropped may show nothing at all.',
    stop: null,
  },
  all: {
    key: 'All lit',
    headline: 'All lamps lit: overvoltage',
    settle: null,
    practice: null,
    stop: 'Stop here. Touch nothing that is plugged in on this circuit: its metal may be live. Keep people away and have a registered electrician called now.',
  },
};

export const fits: CatalogWords['fits'] = {
  'wired-right': 'wired as it should be',
  'joined-in-box': 'neutral and earth joined in a box, the earth wire intact',
  'reversed-with-jumper': 'line and neutral exchanged, with a jumper that makes the earth live',
  'jumper-for-ground': 'a jumper from neutral where an earth should be',
  'neutral-ground-exchanged': 'neutral and earth on each other’s terminals',
  'touching-connection': 'a loose connection that still touches',
  'balanced-lost-neutral': 'a lost shared neutral whose two sides carry like loads for now',
  'hot-neutral-exchanged': 'line and neutral exchanged',
  'hot-to-ground-jumper':
    'line and earth both live with a good neutral: a jumper from line where no earth arrives',
  'hot-ground-exchanged': 'a true exchange of line and earth, almost never met',
  'low-leg': 'one side of a lost shared neutral: more than its voltage stands on the other',
  'open-neutral-loaded': 'open neutral with something switched on here or downstream: far more common',
  'reversed-open-hot-loaded': 'open line, line on the neutral, and a load switched on',
  'ground-missing': 'the earth is broken, or there never was one',
  'hidden-reversal': 'a reversal that the missing earth hides',
  'open-neutral-unloaded': 'the neutral is broken here or upstream, with nothing switched on',
  'live-ground-open-neutral': 'live earth and an open neutral',
  'hot-on-neutral': 'the neutral hole is live and the line one is open',
  'live-ground-open-hot': 'live earth and an open line',
  'off-or-broken': 'breaker or switch off, or line broken',
  'slots-live': 'open neutral where there is no earth: the holes are live',
  'tripped-upstream': 'an RCD upstream has tripped',
  'shared-neutral-lost': 'the neutral shared by two phases is lost',
  'across-two-legs': 'two phases stand across this socket-outlet',
  'leg-on-ground-and-hot': 'two phases reach it, one on the earth and one on the line hole',
  'leg-on-ground-and-neutral': 'two phases reach it, one on the earth and one on the neutral hole',
  'low-voltage': 'a poor connection that lets the voltage sag',
  'unequal-legs': 'a lost shared neutral: the voltage divides as the loads do',
};

export const dim: CatalogWords['dim'] = {
  headline: 'A lamp is dim: no pattern to trust',
  why: 'A dim lamp means a voltage well off normal across that pair; the lamps cannot say which fault it is.',
  correction:
    'Measure the three pairs, then have a registered electrician look for the poor connection or the lost neutral.',
  settle:
    'Measure the three pairs. A voltage far from normal across line and neutral points to a poor connection or to a lost shared neutral.',
};
