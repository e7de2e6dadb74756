import type { HouseJudgement } from '@fair-plug/core/assessment';
import { decidedFindings, type Finding, proposalsFor } from '@fair-plug/core/findings';
import type { House } from '@fair-plug/core/inspection';
import { useMemo } from 'react';
import { useFirmSettings } from './use-firm-settings';

/** The findings of a house with what was decided on them. */
export function useFindings(house: House, judgement: HouseJudgement | null): readonly Finding[] {
  const { practice } = useFirmSettings();
  return useMemo(
    () => decidedFindings(house, proposalsFor(house, judgement, practice)),
    [house, judgement, practice],
  );
}
