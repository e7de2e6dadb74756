'use client';

import { inWordsOf, type Region } from '@fair-plug/core/conditions';
import { createContext, type ReactNode, useCallback, useContext } from 'react';

const RegionContext = createContext<Region>('north-america');

/** Everything inside speaks as the house's region does. */
export function RegionWords({ region, children }: { readonly region: Region; readonly children: ReactNode }) {
  return <RegionContext value={region}>{children}</RegionContext>;
}

export const useRegion = (): Region => useContext(RegionContext);

/** Puts a text into the words of the region around. */
export function useWords(): (text: string) => string {
  const region = useRegion();
  return useCallback((text) => inWordsOf(region, text), [region]);
}

/** A text in the words of the region around. */
export function Words({ children }: { readonly children: string }) {
  return useWords()(children);
}
