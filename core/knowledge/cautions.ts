/** Cautions of the work, in the order in which a report has them. */
export const cautionIds = [
  'contacts',
  'dark-is-not-dead',
  'stop',
  'box',
  'wet',
  'load-test',
  'ground-fault-test',
  'button-needs-ground',
  'breaker',
  'as-found',
  'limits',
] as const;
export type CautionId = (typeof cautionIds)[number];

/** The cautions that stand in every report, in the order in which they are read. */
export const standingCautions: readonly CautionId[] = [
  'contacts',
  'dark-is-not-dead',
  'stop',
  'box',
  'wet',
  'ground-fault-test',
  'limits',
];
