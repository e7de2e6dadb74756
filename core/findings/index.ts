export * from './aluminum-signs.ts';
export * from './decided.ts';
export { evidenceAt } from './evidence.ts';
export * from './finding.ts';
export * from './no-defect.ts';
export { proposalsFor } from './proposals.ts';
export { isUngrounded } from './rules/grounds.ts';
export * from './vanished.ts';
