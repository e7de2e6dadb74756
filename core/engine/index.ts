export { blindSpots, referenceCircuit } from './answer/blind-spots.ts';
export { type DiagnosisFile, type DiagnosisWords, diagnosisOf } from './answer/diagnosis-answer.ts';
export {
  type DiagnosisInput,
  diagnosisInputShape,
  diagnosisJsonSchemas,
  parseDiagnosisInput,
} from './answer/diagnosis-file.ts';
export * from './answer/diagnostician.ts';
export type { ReadingComparison } from './answer/evidence-table.ts';
export { type LikelyGroup, likelyGroups, type Walked } from './answer/grouping.ts';
export { type Localization, placeCode } from './answer/localization.ts';
export { diagnoseAlone, type LoneDiagnosis, type LoneExplanation } from './answer/lone-outlet.ts';
export { type RunLength, runLengths } from './answer/run-lengths.ts';
export { forbids, type HazardId, hasBadSplice, hazardOf, hazards } from './answer/safe-test.ts';
export { searchTime } from './answer/search-time.ts';
export { type LostServiceNeutral, lostServiceNeutral } from './answer/service-neutral.ts';
export { type UnqualifiedWork, unqualifiedWork } from './answer/unqualified-work.ts';
export type { Known, Taken } from './answer/wiring.ts';
export type { NextTest, Telling } from './answer/worth.ts';
export type { Wrong } from './evidence/slips.ts';
export { causesOf } from './model/cause.ts';
export * from './model/contact-state.ts';
export type { Inspected } from './model/inspected.ts';
export type { InstrumentFault } from './model/instrument-fault.ts';
export { type HouseFacts, houseRules, type PriorId, priors } from './model/priors.ts';
export { evenly, type Scales, scaleAt } from './model/scales.ts';
export { type SearchLimits, usualLimits } from './search/search.ts';
