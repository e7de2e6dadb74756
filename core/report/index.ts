export * from './fill-in.ts';
export * from './owner-page.ts';
export * from './report.ts';
export * from './summary.ts';
export * from './survey.ts';
export * from './texts/index.ts';
export * from './work-list.ts';
