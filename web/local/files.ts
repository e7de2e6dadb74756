/** Hands a file to the browser's downloads. */
export function saveFile(name: string, content: Blob | string, type = 'application/json'): void {
  const blob = typeof content === 'string' ? new Blob([content], { type }) : content;
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** A file's name from words: nothing in it that a file system refuses. */
export const fileName = (words: string, ending: string): string =>
  `${words.replace(/[^\p{L}\p{N} ,.-]+/gu, ' ').trim()}.${ending}`;
