/** What the engine's answers are made of: who reads an assessment needs no more of the engine. */
export { blindSpots, type ContactState, type ReadingComparison, shareInWords } from '../diagnosis/index.ts';
export * from './assessment.ts';
export { causeInWords } from './causes-in-words.ts';
export * from './circuits.ts';
export * from './house-judgement.ts';
export * from './instruments-in-words.ts';
export * from './judged.ts';
export * from './judgement-news.ts';
export * from './lamp-verdict.ts';
export { oddValues } from './odd-values.ts';
export * from './reading-words.ts';
export { type GroundFaultCode, groundFaultWords } from './receptacle-verdict.ts';
export { isJudgedAsRead, pressingDoubtOf, refinedVerdict } from './refined-verdict.ts';
