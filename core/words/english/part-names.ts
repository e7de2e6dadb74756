import type { HeatClass, PartWords } from '../../knowledge/index.ts';
import { capital } from './terms.ts';

/** What differs from one English to another where panels, switches and lights are named. */
export interface PartTerms {
  readonly panel: string;
  readonly breaker: string;
  /** Who mends it: "A licensed electrician". */
  readonly electrician: string;
  readonly hot: string;
  readonly ground: string;
  /** "a ground" */
  readonly aGround: string;
  readonly aluminum: string;
  readonly receptacle: string;
  readonly groundFault: string;
  readonly arcFault: string;
  readonly groundWire: string;
  readonly switchTurns: string;
  readonly shellMeasured: string;
  /** Where the classes of heat stand. */
  readonly heatClasses: string;
  /** Where a rule stands, after a sentence; empty where the region's code says it otherwise. */
  readonly rule: (
    id: 'ties' | 'terminals' | 'neutrals' | 'clearance' | 'bonding' | 'openings' | 'directory',
  ) => string;
}

/** What a hot spot's class is called. */
export const heat: Readonly<Record<HeatClass, string>> = {
  none: 'No rise to speak of',
  possible: 'Possible deficiency',
  probable: 'Probable deficiency',
  monitor: 'Monitor until corrected',
  major: 'Major deficiency',
};

/** Names, in one English. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a table, a line a name.
export function partWords(t: PartTerms): PartWords {
  return {
    panel: capital(t.panel),
    panelKinds: { main: `Main ${t.panel}`, sub: `Sub-${t.panel}` },
    layouts: {
      'one-leg': 'One leg',
      split: 'Two legs that add up',
      'three-phase': 'Two of three phases (208Y/120)',
    },
    checks: {
      scorch: 'Scorch or melted insulation',
      'neutral-loose': 'A loose neutral',
      rust: 'Rust or water',
      'no-bonding': `No bond between neutral and ${t.ground}`,
      'neutral-ground-joined': `Neutral and ${t.ground} joined`,
      'no-handle-tie': 'Shared neutral without a handle tie',
      'double-tap': `Two wires under a ${t.breaker}’s one screw`,
      'doubled-neutrals': 'Two neutrals under one screw',
      'missing-knockouts': 'Open knockouts',
      'no-clearance': 'No room to work before it',
      'wrong-directory': 'A directory that is wrong or missing',
      compound: `Antioxidant compound on its ${t.aluminum}`,
    },
    checkStates: { seen: 'Seen', 'not-seen': 'Not seen', 'not-looked-for': 'Not looked for' },
    panelSkips: {
      locked: 'Locked',
      blocked: 'Blocked',
      unsafe: 'Unsafe',
      refused: 'Refused',
      'not-qualified': 'Nobody qualified there',
      other: 'Other',
    },
    breakerKinds: { plain: 'Plain', 'ground-fault': t.groundFault, 'arc-fault': t.arcFault, both: 'Both' },
    position: (number) => `${t.breaker} ${number}`,
    groundWire: t.groundWire,
    switchTurns: t.switchTurns,
    shellMeasured: t.shellMeasured,
    metalSought: `${capital(t.aluminum)} looked for`,
    groundSeen: `${t.aGround} arrives`,
    noGround: `no ${t.ground} arrives`,
    aluminumPlaces: {
      panel: `the ${t.panel}`,
      'receptacle-box': `a ${t.receptacle}’s box`,
      'switch-box': 'a switch’s box',
      attic: 'a jacket in the attic',
      basement: 'a jacket in the basement',
    },
    remediesInPlace: {
      'cold-weld': 'Cold-weld crimp',
      'set-screw': 'Set-screw lug connector',
      'twist-on': `Twist-on listed for ${t.aluminum} to copper`,
      'co-alr': 'CO/ALR device',
      'plain-device': 'Plain or CU-AL device',
      taped: 'Twisted and taped',
    },
    pointKinds: {
      switch: 'Switch',
      'three-way': 'One light, several switches',
      dimmer: 'Dimmer',
      lampholder: 'Lampholder',
    },
    pointSigns: { dead: 'Does nothing', buzzing: 'Buzzes', crackling: 'Crackles', warm: 'Warm plate' },
    lampKinds: { incandescent: 'Incandescent', led: 'LED', 'low-voltage': 'Low voltage', fan: 'Fan' },
    heavyLoads: {
      range: 'Range',
      dryer: 'Dryer',
      'air-conditioning': 'Air conditioning',
      'water-heater': 'Water heater',
    },
    adapterTabs: {
      grounded: `Its tab holds ${t.ground}`,
      'not-grounded': `Its tab holds no ${t.ground}`,
      'not-tested': 'Its tab was not tested',
    },
    heat,
    groupFaults: {
      sound: 'works from everywhere',
      'missing-traveler': 'a traveler that is open',
      'exchanged-common': 'a common exchanged with a traveler',
      'stuck-switch': 'a switch that does not switch',
      'joined-travelers': 'travelers that touch',
      'no-feed': 'no feed, or a lamp that is out',
    },
    panelCaution: `Behind this cover everything before the main ${t.breaker} stays live, whatever is switched off. It comes off only by whoever is qualified and may, with one hand, dry, and nothing is touched or pulled. Leave it on where that is not so: say why, and what was not looked for.`,
    bareMetal:
      'Bare metal reads too cool (it shines little heat): the true temperature is higher. Look at insulation or tape beside it.',
  };
}
