import type { Urgency } from './condition.ts';
import type { HeatClass } from './heat.ts';
import type { PanelCheck, PanelKind } from './house-parts.ts';

/** How pressing it is where it is seen at a panel, and at which kind of panel it is as it should be. */
export const panelFacts: Readonly<
  Record<PanelCheck, { readonly urgency: Urgency; readonly soundAt?: PanelKind }>
> = {
  scorch: { urgency: 'act-now' },
  'neutral-loose': { urgency: 'act-now' },
  rust: { urgency: 'repair' },
  // The bonding sits in the main panel alone, and there neutral and ground are one.
  'no-bonding': { urgency: 'repair', soundAt: 'sub' },
  'neutral-ground-joined': { urgency: 'repair', soundAt: 'main' },
  'no-handle-tie': { urgency: 'repair' },
  'double-tap': { urgency: 'repair' },
  'doubled-neutrals': { urgency: 'repair' },
  'missing-knockouts': { urgency: 'repair' },
  'no-clearance': { urgency: 'note' },
  'wrong-directory': { urgency: 'note' },
};

/** How pressing a hot spot of a class is; null: no finding. */
export const heatUrgency: Readonly<Record<HeatClass, Urgency | null>> = {
  none: null,
  possible: 'note',
  probable: 'repair',
  monitor: 'repair',
  major: 'act-now',
};
