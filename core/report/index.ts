export * from './report.ts';
