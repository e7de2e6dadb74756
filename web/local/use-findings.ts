import { decidedFindings, type Finding, proposalsFor } from '@fair-plug/core/findings';
import { type FirmSettings, type House, usualFirm } from '@fair-plug/core/inspection';
import type { HouseJudgement } from '@fair-plug/core/judgement';
import { useDeferredValue, useMemo } from 'react';
import { useKit } from './use-logs';

/** How the firm decides, words and heads its reports; the usual while its kit is being read. */
export function useFirmSettings(): FirmSettings {
  const kit = useKit();
  return kit.kind === 'loaded' ? kit.firm : usualFirm;
}

/** The findings of a house with what was decided on them. They may lag a moment behind: nothing else waits for them. */
export function useFindings(house: House, judgement: HouseJudgement | null): readonly Finding[] {
  const { practice } = useFirmSettings();
  const settled = useDeferredValue(house);
  const judged = useDeferredValue(judgement);
  return useMemo(
    () => decidedFindings(settled, proposalsFor(settled, judged, practice)),
    [settled, judged, practice],
  );
}
