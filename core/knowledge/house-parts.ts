/** What can be noted of a house besides its receptacles: panels, switches, dimmers, lampholders, spots that heat. */

export const panelKinds = ['main', 'sub'] as const;
export type PanelKind = (typeof panelKinds)[number];

/** How the legs of a panel stand to each other: one; two that add; two of three that do not. */
export const legLayouts = ['one-leg', 'split', 'three-phase'] as const;
export type LegLayout = (typeof legLayouts)[number];

/** Something that was looked for. */
export const checkStates = ['seen', 'not-seen', 'not-looked-for'] as const;
export type CheckState = (typeof checkStates)[number];

/** What is wrong at a panel where it is seen, the most pressing first. */
export const panelChecks = [
  'scorch',
  'neutral-loose',
  'rust',
  'no-bonding',
  'neutral-ground-joined',
  'no-handle-tie',
  'double-tap',
  'doubled-neutrals',
  'missing-knockouts',
  'no-clearance',
  'wrong-directory',
] as const;
export type PanelCheck = (typeof panelChecks)[number];
/** Those that can be seen with the cover on. */
export const checksFromOutside: ReadonlySet<PanelCheck> = new Set([
  'rust',
  'missing-knockouts',
  'no-clearance',
  'wrong-directory',
]);

/** Why no panel was looked at. */
export const panelSkips = ['locked', 'blocked', 'unsafe', 'refused', 'not-qualified', 'other'] as const;
export type PanelSkip = (typeof panelSkips)[number];

export const breakerKinds = ['plain', 'ground-fault', 'arc-fault', 'both'] as const;
export type BreakerKind = (typeof breakerKinds)[number];

/** Sizes of conductors, AWG, the thinnest first. */
export const conductorSizes = [
  '14',
  '12',
  '10',
  '8',
  '6',
  '4',
  '3',
  '2',
  '1',
  '1/0',
  '2/0',
  '3/0',
  '4/0',
] as const;
export type ConductorSize = (typeof conductorSizes)[number];

/** Where aluminum is looked for. */
export const aluminumPlaces = ['panel', 'receptacle-box', 'switch-box', 'attic', 'basement'] as const;
export type AluminumPlace = (typeof aluminumPlaces)[number];

/** What was done before to conductors of aluminum in a box. */
export const remediesInPlace = [
  'cold-weld',
  'set-screw',
  'twist-on',
  'co-alr',
  'plain-device',
  'taped',
] as const;
export type RemedyInPlace = (typeof remediesInPlace)[number];

/** What is switched, dimmed or lit. */
export const pointKinds = ['switch', 'three-way', 'dimmer', 'lampholder'] as const;
export type PointKind = (typeof pointKinds)[number];

/** What is seen, heard or felt at a switch or dimmer. */
export const pointSigns = ['dead', 'buzzing', 'crackling', 'warm'] as const;
export type PointSign = (typeof pointSigns)[number];

export const lampKinds = ['incandescent', 'led', 'low-voltage', 'fan'] as const;
export type LampKind = (typeof lampKinds)[number];

/** What is switched on together before a look for heat. */
export const heavyLoads = ['range', 'dryer', 'air-conditioning', 'water-heater'] as const;
export type HeavyLoad = (typeof heavyLoads)[number];

export const temperatureUnits = ['C', 'F'] as const;
export type TemperatureUnit = (typeof temperatureUnits)[number];

/** What the tab of an adapter was found to be. */
export const adapterTabs = ['grounded', 'not-grounded', 'not-tested'] as const;
export type AdapterTab = (typeof adapterTabs)[number];
