import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** A secret of the data folder, made when first asked for, in a file that its owner alone can read. */
export function secretIn(data, name) {
  const file = join(data, name);
  if (!existsSync(file)) {
    mkdirSync(data, { recursive: true });
    writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 });
  }
  chmodSync(file, 0o600);
  return readFileSync(file, 'utf8').trim();
}
