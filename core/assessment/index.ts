/** What the engine's answers are made of: who reads an assessment needs no more of the engine. */

export {
  blindSpots,
  type ContactState,
  type HazardId,
  hazards,
  type InstrumentFault,
  placeCode,
  type ReadingComparison,
  type Wrong,
} from '../engine/index.ts';
export * from './assessment.ts';
export * from './assessment-words.ts';
export * from './circuits.ts';
export { hazardAt, mayBeUsed } from './hazard-at.ts';
export * from './house-judgement.ts';
export { faultSeen, seenFault } from './inspected-on.ts';
export * from './judged.ts';
export * from './judgement-changes.ts';
export * from './lamp-verdict.ts';
export { type OddValue, oddValues } from './odd-values.ts';
export * from './open-first.ts';
export { type WrongBefore, wrongBefore } from './read-wrong-before.ts';
export { type GroundFaultCode, groundFaultResult } from './receptacle-verdict.ts';
export { isJudgedAsRead, pressingDoubtOf, refinedVerdict } from './refined-verdict.ts';
export * from './sent-house.ts';
export * from './suspects.ts';
export { type Pace, usualPace } from './work.ts';
