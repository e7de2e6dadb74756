import { createHash } from 'node:crypto';
import { v7 } from 'uuid';

export const beganAt = Date.parse('2026-11-23T07:30:00.000Z');

/** An id that is the same on every machine: made from what it names. */
export function idFor(what: string, msecs = beganAt): string {
  const random = createHash('sha256').update(what).digest().subarray(0, 16);
  return v7({ msecs, random, seq: random.readUInt32BE(8) >>> 1 });
}

/** The demo firm's owner, who wrote all its entries. */
export const author = idFor('person');
