import type { Urgency } from './condition.ts';
import type { Danger, Look } from './observations.ts';

/** What a look means by itself, whatever the testers show. */
export interface LookFacts {
  readonly name: string;
  /** null: no defect, and must not be reported as one. */
  readonly urgency: Urgency | null;
  readonly why: string;
  readonly correction: string;
  /** Why people must be kept away, where they must. */
  readonly danger: Danger | null;
}

const replace = 'A licensed electrician replaces it and looks at its connections.';

export const lookFacts: Readonly<Record<Look, LookFacts>> = {
  scorch: {
    name: 'Scorched',
    urgency: 'act-now',
    why: 'Something burned here: a connection that heats will heat again.',
    correction:
      'Breaker off and kept off; a licensed electrician opens it, cuts back to sound wire and replaces the device.',
    danger: 'scorch',
  },
  heat: {
    name: 'Warm or hot',
    urgency: 'act-now',
    why: 'A plate that is warm with little on it has a poor connection behind it.',
    correction: 'Unplug what is on it; a licensed electrician looks at every connection in the box.',
    danger: 'scorch',
  },
  buzzing: {
    name: 'Buzzing or crackling',
    urgency: 'act-now',
    why: 'An arc makes that sound.',
    correction: 'Breaker off; a licensed electrician finds the loose connection before it is used again.',
    danger: 'buzzing',
  },
  wet: {
    name: 'Wet',
    urgency: 'act-now',
    why: 'Water joins contacts that must stay apart, and the person who touches it.',
    correction:
      'Do not use or test it; a licensed electrician dries or replaces it once the water is stopped.',
    danger: 'wet',
  },
  cracked: {
    name: 'Cracked or broken',
    urgency: 'repair',
    why: 'Live parts can be reached, or soon will be.',
    correction: replace,
    danger: null,
  },
  loose: {
    name: 'Loose, or plugs fall out',
    urgency: 'repair',
    why: 'Worn contacts heat; a loose device works its wires loose.',
    correction: replace,
    danger: null,
  },
  'missing-plate': {
    name: 'Plate missing',
    urgency: 'repair',
    why: 'A finger or a toy reaches the live screws.',
    correction: 'A plate is fitted; a licensed electrician does it where the box is damaged.',
    danger: null,
  },
  painted: {
    name: 'Painted over',
    urgency: 'note',
    why: 'Paint in the slots keeps contacts apart and hides cracks.',
    correction: replace,
    danger: null,
  },
  'hole-up': {
    name: 'Ground hole up',
    urgency: null,
    why: 'Either way up is right: this is no defect.',
    correction: 'Nothing to do.',
    danger: null,
  },
};

export const dangerWords: Readonly<Record<Danger, { readonly stop: string; readonly doThis: string }>> = {
  'live-ground': {
    stop: 'Stop. Metal joined to this ground may be live.',
    doThis: 'Touch no plate, screw or plugged-in case; keep people away; breaker off where you have leave.',
  },
  overvoltage: {
    stop: 'Stop. Voltage may be far above normal.',
    doThis: 'No plug in or out; keep people away; breaker off where you have leave.',
  },
  scorch: {
    stop: 'Stop testing here. It has burned or is heating.',
    doThis: 'No load on it, nothing plugged in; keep people away; breaker off where you have leave.',
  },
  wet: {
    stop: 'Stop. Water and live contacts.',
    doThis: 'Touch nothing; keep people away; the electrician cuts the power from a dry place.',
  },
  buzzing: {
    stop: 'Stop. It is arcing.',
    doThis: 'No plug in or out; keep people away; breaker off where you have leave.',
  },
};
