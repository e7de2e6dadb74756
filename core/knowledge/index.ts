export {
  type AluminumRemedy,
  type AluminumRemedyId,
  acceptedRemedies,
  aluminumRemedies,
  aluminumRemedyIds,
} from './aluminum-remedies.ts';
export * from './ampacity.ts';
export * from './catalog.ts';
export * from './catalog-words.ts';
export * from './cautions.ts';
export * from './condition.ts';
export * from './conductors.ts';
export * from './correction-words.ts';
export * from './dimmers.ts';
export * from './eras.ts';
export * from './heat.ts';
export * from './house-parts.ts';
export * from './lamp-patterns.ts';
export * from './lampholders.ts';
export * from './observations.ts';
export * from './panel-facts.ts';
export * from './part-words.ts';
export * from './photos.ts';
export * from './practice.ts';
export * from './references.ts';
export * from './regions.ts';
export * from './schools.ts';
export * from './three-way.ts';
export * from './visible-defects.ts';
export * from './ways.ts';
