export * from './counted.ts';
export * from './en-us/entry-words.ts';
export * from './en-us/vanished-words.ts';
