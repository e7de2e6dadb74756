import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { type KeptMessage, keptMessage } from '../contract/answers.ts';

export interface Message {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** What sends mail. The one that ships puts messages into a folder, from which an operator's own program may take them. */
export interface Mailer {
  send(message: Message): Promise<void>;
}

export class FolderMailer implements Mailer {
  constructor(private readonly folder: string) {}

  async send(message: Message): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    const at = new Date().toISOString();
    const name = `${at.replaceAll(':', '-')}-${randomUUID()}.json`;
    await writeFile(join(this.folder, name), JSON.stringify({ at, ...message }, null, 2), { mode: 0o600 });
  }

  /** The messages there, the newest first. */
  async messages(): Promise<readonly KeptMessage[]> {
    const names = await readdir(this.folder).catch(() => []);
    const texts = await Promise.all(
      names
        .filter((name) => name.endsWith('.json'))
        .sort()
        .reverse()
        .slice(0, 50)
        .map((name) => readFile(join(this.folder, name), 'utf8')),
    );
    return texts.map((text) => keptMessage().parse(JSON.parse(text)));
  }
}

/** The application's mailer. */
export function mailer(): FolderMailer {
  const folder = process.env.FAIRPLUG_OUTBOX;
  if (!folder) throw new Error('FAIRPLUG_OUTBOX is not set');
  return new FolderMailer(folder);
}
