import type { Urgency } from './condition.ts';
import type { Danger, Look } from './observations.ts';

/** What a look means by itself, whatever the testers show. */
export interface DefectFacts {
  /** null: no defect, and must not be reported as one. */
  readonly urgency: Urgency | null;
  /** Why people must be kept away, where they must. */
  readonly danger: Danger | null;
}

export const defectFacts: Readonly<Record<Look, DefectFacts>> = {
  scorch: { urgency: 'act-now', danger: 'scorch' },
  heat: { urgency: 'act-now', danger: 'scorch' },
  buzzing: { urgency: 'act-now', danger: 'buzzing' },
  wet: { urgency: 'act-now', danger: 'wet' },
  cracked: { urgency: 'repair', danger: null },
  loose: { urgency: 'repair', danger: null },
  'missing-plate': { urgency: 'repair', danger: null },
  'open-junction-box': { urgency: 'repair', danger: null },
  'splice-outside-box': { urgency: 'repair', danger: null },
  'extension-cord': { urgency: 'repair', danger: null },
  painted: { urgency: 'note', danger: null },
  'hole-up': { urgency: null, danger: null },
};
