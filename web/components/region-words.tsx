'use client';

import type { Region } from '@fair-plug/core/knowledge';
import type { Spoken } from '@fair-plug/core/words';
import { spokenUs } from '@fair-plug/core/words/en-us/spoken.ts';
import { createContext, type ReactNode, Suspense, use, useContext } from 'react';

const RegionContext = createContext<Region>('north-america');
const WordsContext = createContext<Spoken>(spokenUs);

let british: Promise<Spoken> | null = null;

/** Loaded with the first house in Britain; one that cannot be had just now is asked for again. */
function spokenGb(): Promise<Spoken> {
  british ??= import('@fair-plug/core/words/en-gb/spoken.ts').then((one) => one.spokenGb);
  british.catch(() => {
    british = null;
  });
  return british;
}

interface RegionProps {
  readonly region: Region;
  readonly children: ReactNode;
}

/** Everything inside speaks as the house's region does; `waiting` stands there until its words are here. */
export const RegionWords = ({ waiting, ...props }: RegionProps & { readonly waiting: ReactNode }) => (
  <Suspense fallback={waiting}>
    <Speaking {...props} />
  </Suspense>
);

function Speaking({ region, children }: RegionProps) {
  const words = region === 'uk' ? use(spokenGb()) : spokenUs;
  return (
    <RegionContext value={region}>
      <WordsContext value={words}>{children}</WordsContext>
    </RegionContext>
  );
}

export const useRegion = (): Region => useContext(RegionContext);

/** The words of the region around, for where receptacles are read. */
export const useWords = (): Spoken => useContext(WordsContext);
