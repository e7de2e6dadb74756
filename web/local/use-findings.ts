import type { Assessment } from '@fair-plug/core/assessment';
import type { Finding } from '@fair-plug/core/findings';
import { findingsOf } from '@fair-plug/core/words';
import { useMemo } from 'react';
import { useFirmSettings } from './use-firm-settings';

/** The findings of a house with what was decided on them. */
export function useFindings(assessment: Assessment): readonly Finding[] {
  const { practice } = useFirmSettings();
  return useMemo(() => findingsOf(assessment, practice), [assessment, practice]);
}
