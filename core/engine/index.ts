export { blindSpots, referenceCircuit } from './blind-spots.ts';
export { causesOf } from './cause.ts';
export * from './contact-state.ts';
export { type DiagnosisFile, type DiagnosisWords, diagnosisOf } from './diagnosis-answer.ts';
export {
  type DiagnosisInput,
  diagnosisInputShape,
  diagnosisJsonSchemas,
  parseDiagnosisInput,
} from './diagnosis-file.ts';
export * from './diagnostician.ts';
export type { ReadingComparison } from './evidence-table.ts';
export { type LikelyGroup, likelyGroups, type Walked } from './grouping.ts';
export { type Localization, placeCode } from './localization.ts';
export { diagnoseLone, type LoneDiagnosis, type LoneExplanation } from './lone-outlet.ts';
export type { NextTest, Telling } from './next-test.ts';
export { type HouseFacts, houseRules, type PriorId, priors } from './priors.ts';
export { type RunLength, runLengths } from './run-lengths.ts';
export { type SearchLimits, usualLimits } from './search.ts';
export { type LostServiceNeutral, lostServiceNeutral } from './service-neutral.ts';
