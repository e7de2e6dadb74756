'use client';

import { useCallback } from 'react';
import { Loading } from '@/components/loading';
import { Page } from '@/components/page';
import { useLocal } from '@/local/local-store';
import { type KitPart, useKeep, useKit } from '@/local/use-logs';
import { LetterheadSection } from './letterhead-section';
import { PhotosSection } from './photos-section';
import { PracticeSection } from './practice-section';
import { ReferencesSection } from './references-section';
import { WordingsSection } from './wordings-section';

/** How the firm heads, words and decides its reports. */
export function SettingsScreen() {
  const kit = useKit();
  const keep = useKeep();
  const { identity } = useLocal();
  const record = useCallback((...parts: readonly KitPart[]) => void keep?.inKit(...parts), [keep]);
  const settle = identity.firm.role === 'owner' && keep !== null ? record : null;
  return (
    <Page title="Settings" action={null}>
      {kit.kind === 'loaded' ? (
        <>
          {settle === null && <p>An owner of the firm settles these; they hold for every report of yours.</p>}
          <LetterheadSection firm={kit.firm} settle={settle} />
          <PracticeSection firm={kit.firm} settle={settle} />
          <WordingsSection firm={kit.firm} settle={settle} />
          <PhotosSection firm={kit.firm} settle={settle} />
          <ReferencesSection firm={kit.firm} settle={settle} />
        </>
      ) : (
        <Loading error={kit.kind === 'failed' ? kit.error : undefined} />
      )}
    </Page>
  );
}
