export {
  type AluminumRemedy,
  type AluminumRemedyId,
  acceptedRemedies,
  aluminumRemedies,
  aluminumRemedyIds,
} from './aluminum-remedies.ts';
export * from './correction-words.ts';
export * from './practice.ts';
export * from './references.ts';
export * from './schools.ts';
export * from './ways.ts';
