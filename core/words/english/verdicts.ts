import type { AssessmentWords, StopReason, Verdict, VerdictWords } from '../../assessment/index.ts';
import type { LampPattern } from '../../instruments/index.ts';
import {
  type CatalogWords,
  type ConditionId,
  conditionIds,
  type Danger,
  type Look,
  looks,
} from '../../knowledge/index.ts';
import { lower } from './terms.ts';

type Catalog = Pick<CatalogWords, 'conditions' | 'patterns' | 'dim' | 'looks' | 'dangers'>;
type Phrased = Pick<VerdictWords, 'headline' | 'why' | 'correction'>;

/** What only one English says of verdicts. */
export interface VerdictPhrases {
  readonly twoSlot: Phrased;
  /** What dark contacts may still be: never called dead without saying so. */
  readonly dark: Readonly<Record<'open-hot' | 'protection-tripped', string>>;
}

const isLook = (code: string): code is Look => looks.some((look) => look === code);
const isCondition = (code: string): code is ConditionId => conditionIds.some((id) => id === code);

/** Verdicts by their codes. */
export function verdictWords(
  catalog: Catalog,
  { twoSlot, dark }: VerdictPhrases,
): Pick<AssessmentWords, 'verdict' | 'stop'> {
  const { conditions, patterns, dim, dangers } = catalog;
  const headlines: Partial<Record<ConditionId, string>> = { correct: 'Reads correct', ...dark };

  function byLamps(pattern: LampPattern | 'dim', readsAs: Verdict['readsAs']): Phrased {
    if (pattern === 'dim') return dim;
    const { headline, why, correction } = patterns[pattern];
    const reading = conditions[readsAs[0] ?? 'correct'];
    return { headline, why: why ?? reading.why, correction: correction ?? reading.correction };
  }

  /** `byLamps`: lamps were read there, and not another instrument alone. */
  function keptAway(seen: Danger | Look, byLamps: boolean): Phrased {
    const { name, why, correction } = isLook(seen)
      ? catalog.looks[seen]
      : { ...conditions['energized-ground'], name: 'metal joined to it is live' };
    const read = byLamps ? 'Lamps read correct' : 'Reads correct';
    return { headline: `${read}, but: ${lower(name)}`, why, correction };
  }

  function phrased({ code, readsAs, signature }: Verdict): Phrased {
    if (code === 'two-slot') return twoSlot;
    if (code === 'undetermined')
      return {
        headline: 'Undetermined: test again',
        why: 'As long as it is not known, it is treated as dangerous.',
        correction:
          'It is tested again before anything is concluded. Until then it is not used, and is treated as dangerous.',
      };
    if (isCondition(code)) {
      const { name, why, correction } = conditions[code];
      return { headline: headlines[code] ?? name, why, correction };
    }
    if (code.startsWith('may-hide-')) {
      const { name, why, correction } = conditions[code.slice('may-hide-'.length) as ConditionId];
      return { headline: `Reads correct, but may hide ${lower(name)}`, why, correction };
    }
    if (code.startsWith('kept-away-'))
      return keptAway(code.slice('kept-away-'.length) as Danger | Look, signature !== 'dim');
    return byLamps(code.slice('lamps-'.length) as LampPattern | 'dim', readsAs);
  }

  const stop = (reason: StopReason): string =>
    reason === 'all-lit' ? (patterns.all.stop ?? '') : dangers[reason].stop;

  return {
    stop,
    verdict: (verdict) => {
      const { signature, code } = verdict;
      const isByLamps = signature !== 'dim' && code === `lamps-${signature}`;
      return {
        ...phrased(verdict),
        settle:
          verdict.settle === null ? null : signature === 'dim' ? dim.settle : patterns[signature].settle,
        practice: isByLamps ? patterns[signature].practice : null,
        stop: verdict.stop === null ? null : stop(verdict.stop),
      };
    },
  };
}
