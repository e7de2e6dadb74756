import type { Region } from './regions.ts';

/** The trade's words where they differ: North American word for word, the longer before what it holds. */
const britishWords: readonly (readonly [string, string])[] = [
  ['ground-fault receptacle', 'socket-outlet with its own RCD'],
  ['ground-fault device', 'RCD'],
  ['ground-fault', 'RCD'],
  ['bootleg ground', 'false earth'],
  ['receptacle', 'socket-outlet'],
  ['grounded', 'earthed'],
  ['grounding', 'earthing'],
  ['ungrounded', 'unearthed'],
  ['ground', 'earth'],
  ['hot', 'line'],
  ['panel', 'consumer unit'],
  ['electrical code', 'wiring regulations'],
  ['narrow slot', 'line hole'],
  ['wide slot', 'neutral hole'],
  ['slot', 'hole'],
  ['three-prong', 'three-pin'],
  ['prong', 'pin'],
  ['licensed electrician', 'registered electrician'],
  ['aluminum', 'aluminium'],
  ['utility', 'network operator'],
  ['subdivision', 'estate'],
  ['gauge', 'size'],
];

/** "narrow slot sounding and the wide one silent": holes are told apart by what they are for. */
const phrases: readonly (readonly [RegExp, string])[] = [
  [/\bthe wide one\b/gi, 'the neutral one'],
  [/\bthe narrow one\b/gi, 'the line one'],
  [/\bthe authority having jurisdiction\b/gi, 'whoever enforces them'],
  [/ \((NEC|UL) [^)]*(\([^)]*\)[^)]*)*, from memory\)/g, ''],
  [/H–N/g, 'L–N'],
  [/H–G/g, 'L–E'],
  [/N–G/g, 'N–E'],
  [/\bH (?=\d|sounds|silent|lit|dim|off)/g, 'L '],
  [/\bG (?=\d|sounds|silent|lit|dim|off)/g, 'E '],
  [/\bthe local code\b/gi, 'BS 7671'],
  [/\blocal code\b/gi, 'BS 7671'],
  [/\bGFCI Protected\b/g, 'RCD protected'],
];

const casedAs = (model: string, word: string): string =>
  model[0] !== undefined && model[0] !== model[0].toLowerCase()
    ? `${word[0]?.toUpperCase() ?? ''}${word.slice(1)}`
    : word;

const pattern = new RegExp(`\\b(${britishWords.map(([word]) => word).join('|')})(s?)\\b`, 'gi');
const british = new Map(britishWords);

/** "socket-outlets with their own RCD": what is many ends where the word for it does. */
const many = (word: string): string =>
  word.startsWith('socket-outlet with')
    ? word.replace('socket-outlet with its', 'socket-outlets with their')
    : `${word}s`;

function toBritish(text: string): string {
  const phrased = phrases.reduce((said, [american, word]) => said.replace(american, word), text);
  return phrased
    .replace(pattern, (whole, word: string, plural: string) => {
      const found = british.get(word.toLowerCase()) ?? word;
      return casedAs(whole, plural === '' ? found : many(found));
    })
    .replace(/\b([Aa]) (?=(RCD|earth|unearthed|estate|aluminium)\b)/g, '$1n ')
    .replace(/\b([Aa])n (?=(line|socket-outlet|consumer|network|registered)\b)/g, '$1 ');
}

/** A text in a region's own words. */
export const inWordsOf = (region: Region, text: string): string =>
  region === 'north-america' ? text : toBritish(text);
