export * from './csv.ts';
export * from './job-archive.ts';
export * from './job-file.ts';
export * from './receptacle-list.ts';
export * from './rows.ts';
export * from './tables.ts';
export { type Grid, type GridProblem, gridIn, gridOf } from './thermal-grid.ts';
export { workbookOf } from './xlsx.ts';
