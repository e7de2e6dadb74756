'use client';

import type { Region } from '@fair-plug/core/conditions';
import { type Words, wordsIn } from '@fair-plug/core/words';
import { createContext, type ReactNode, useContext } from 'react';

const RegionContext = createContext<Region>('north-america');

/** Everything inside speaks as the house's region does. */
export function RegionWords({ region, children }: { readonly region: Region; readonly children: ReactNode }) {
  return <RegionContext value={region}>{children}</RegionContext>;
}

export const useRegion = (): Region => useContext(RegionContext);

/** The words of the region around. */
export const useWords = (): Words => wordsIn(useRegion());
