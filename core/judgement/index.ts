export { causeInWords } from './causes-in-words.ts';
export * from './circuits.ts';
export * from './house-judgement.ts';
export * from './instruments-in-words.ts';
export * from './judgement-news.ts';
export { oddValues } from './odd-values.ts';
export * from './reading-words.ts';
export * from './receptacle-verdict.ts';
export { isJudgedAsRead, pressingDoubtOf, refinedVerdict } from './refined-verdict.ts';
