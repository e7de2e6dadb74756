import { readFile } from 'node:fs/promises';

export type Input =
  | { readonly kind: 'read'; readonly value: unknown }
  | { readonly kind: 'unreadable'; readonly message: string };

async function textOf(stream: AsyncIterable<Uint8Array | string>): Promise<string> {
  const decoder = new TextDecoder();
  let text = '';
  for await (const chunk of stream)
    text += typeof chunk === 'string' ? chunk : decoder.decode(chunk, { stream: true });
  return text + decoder.decode();
}

/** The JSON value of a file, or of standard input where the file is "-". */
export async function readJson(file: string, stdin: AsyncIterable<Uint8Array | string>): Promise<Input> {
  const name = file === '-' ? 'standard input' : file;
  let text: string;
  try {
    text = file === '-' ? await textOf(stdin) : await readFile(file, 'utf8');
  } catch (error) {
    const reason = error instanceof Error && 'code' in error ? String(error.code) : 'unreadable';
    return { kind: 'unreadable', message: `${name} cannot be read (${reason})` };
  }
  try {
    return { kind: 'read', value: JSON.parse(text.replace(/^\uFEFF/, '')) };
  } catch (error) {
    const reason = error instanceof Error ? error.message : '';
    return { kind: 'unreadable', message: `${name} is not JSON: ${reason}` };
  }
}
