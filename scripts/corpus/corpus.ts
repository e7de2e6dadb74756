import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, constants } from 'node:zlib';
import type { InstrumentId } from '@fair-plug/core/instruments';
import type { JobEntry, KitEntry } from '@fair-plug/core/log';
import type { Outcome } from './outcome.ts';

/** A random house as it was written, and what was made of it then. */
export interface KeptHouse {
  readonly seed: number;
  readonly kit: readonly InstrumentId[];
  readonly entries: readonly JobEntry[];
  readonly outcome: Pick<Outcome, 'judgement' | 'findings'>;
  /** SHA-256 of the folded house. */
  readonly house: string;
  /** Judged within a few milliseconds: looked at by every run of the tests. */
  readonly isQuick: boolean;
  /** Faults that were mended since it was written, by which its outcome is another one now: see docs/decisions/corpus.md. */
  readonly changedBy?: readonly string[];
}

/** A job file of the corpus, with all that followed from it when it was written. */
export interface KeptJob {
  readonly name: string;
  readonly kit: readonly InstrumentId[];
  /** As it was saved. */
  readonly file: string;
  readonly outcome: Outcome;
  readonly changedBy?: readonly string[];
}

export interface KeptKit {
  readonly entries: readonly KitEntry[];
  readonly folded: unknown;
}

/** All that a browser kept, as it lay there. */
export interface KeptStore {
  readonly databases: readonly {
    readonly name: string;
    readonly version: number;
    readonly stores: readonly {
      readonly name: string;
      readonly keyPath: string | string[] | null;
      readonly autoIncrement: boolean;
      readonly indexes: readonly {
        readonly name: string;
        readonly keyPath: string | string[];
        readonly multiEntry: boolean;
        readonly unique: boolean;
      }[];
      readonly rows: readonly unknown[];
    }[];
  }[];
  readonly local: Readonly<Record<string, string>>;
}

export interface Corpus {
  readonly houses: readonly KeptHouse[];
  readonly jobs: readonly KeptJob[];
  readonly kit: KeptKit;
  readonly store: KeptStore;
}

const folder = import.meta.dirname;

export const partOf = <K extends keyof Corpus>(part: K): Corpus[K] =>
  JSON.parse(brotliDecompressSync(readFileSync(join(folder, `${part}.json.br`))).toString());

/** Packs a part as tightly as can be; answers its size in bytes, and packed. */
export function keepPart<K extends keyof Corpus>(part: K, value: Corpus[K]): readonly [number, number] {
  const text = Buffer.from(JSON.stringify(value));
  const packed = brotliCompressSync(text, {
    params: { [constants.BROTLI_PARAM_LGWIN]: 24, [constants.BROTLI_PARAM_SIZE_HINT]: text.length },
  });
  writeFileSync(join(folder, `${part}.json.br`), packed);
  return [text.length, packed.length];
}
