export * from './fill-in.ts';
export * from './owner-page.ts';
export * from './owner-texts.ts';
export * from './report.ts';
export * from './report-texts.ts';
export * from './summary.ts';
export * from './survey.ts';
export * from './work-list.ts';
