export * from './report.ts';
export * from './summary.ts';
