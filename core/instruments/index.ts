export * from './lamps.ts';
export * from './tester-layout.ts';
