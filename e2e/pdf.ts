import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

export interface ReadPdf {
  readonly pages: number;
  readonly title: string;
  /** All text in reading order, runs of white space as one space. */
  readonly text: string;
  readonly bookmarks: readonly string[];
  readonly tagged: boolean;
}

type Outline = readonly { readonly title: string; readonly items: Outline }[];
const titles = (outline: Outline): readonly string[] =>
  outline.flatMap((item) => [item.title, ...titles(item.items)]);

/** What another program than the one that made a PDF finds in it. */
export async function readPdf(bytes: Uint8Array): Promise<ReadPdf> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  let text = '';
  for (let number = 1; number <= document.numPages; number += 1) {
    const content = await (await document.getPage(number)).getTextContent();
    text += ` ${content.items.map((item) => ('str' in item ? item.str : '')).join(' ')}`;
  }
  const { info } = await document.getMetadata();
  const marked = await document.getMarkInfo();
  return {
    pages: document.numPages,
    title: 'Title' in info ? String(info.Title) : '',
    text: text.replace(/\s+/g, ' '),
    bookmarks: titles((await document.getOutline()) ?? []),
    tagged: marked?.Marked === true,
  };
}
