export * from './catalog.ts';
export * from './cautions.ts';
export * from './condition.ts';
export * from './lamp-patterns.ts';
