export * from './csv.ts';
export * from './job-file.ts';
export * from './receptacle-list.ts';
export * from './rows.ts';
export * from './tables.ts';
export { workbookOf } from './xlsx.ts';
