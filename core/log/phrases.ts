/** Words that a firm uses often, offered while somebody types. */
export interface Phrase {
  readonly id: string;
  readonly text: string;
}

/** A phrase on offer, and all that would stand in the field with it. */
export interface OfferedPhrase {
  readonly id: string;
  readonly phrase: string;
  readonly text: string;
}

/** No more are offered at a time. */
const most = 4;

/** How much of the end of a text is the beginning of a phrase, word by word: so many characters; 0 where none is. */
function begunAt(typed: string, phrase: string): number {
  const [text, wanted] = [typed.toLowerCase(), phrase.toLowerCase()];
  for (let length = Math.min(text.length, wanted.length); length > 0; length -= 1) {
    const before = text[text.length - length - 1];
    const isAtWord = before === undefined || /[\s.,;:–-]/.test(before);
    if (isAtWord && wanted.startsWith(text.slice(text.length - length))) return length;
  }
  return 0;
}

/** Phrases that go on from what was typed last; before anything was typed, the first of them. */
export function phrasesFor(phrases: readonly Phrase[], typed: string): readonly OfferedPhrase[] {
  const end = typed.trimEnd();
  return phrases
    .flatMap(({ id, text: phrase }): readonly OfferedPhrase[] => {
      if (end === '') return [{ id, phrase, text: phrase }];
      const begun = begunAt(end, phrase);
      if (begun === 0 || begun === phrase.length) return [];
      return [{ id, phrase, text: end.slice(0, end.length - begun) + phrase }];
    })
    .slice(0, most);
}
