export * from './en-us/entry-words.ts';
