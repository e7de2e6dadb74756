import type { LampPattern } from '../instruments/lamps.ts';
import type { CautionId } from './cautions.ts';
import type { ConditionId, ConditionWords, Urgency } from './condition.ts';
import type { EraHint, EraId, EraLane, EraWords } from './eras.ts';
import type { FitId, PatternWords } from './lamp-patterns.ts';
import type {
  CloseOutItem,
  ConductorMetal,
  Danger,
  DeviceMarking,
  Insulation,
  JacketMark,
  Look,
  NotReachedReason,
  ProtectionLabel,
  ReceptacleType,
} from './observations.ts';
import type { Region, RegionWords } from './regions.ts';

type Of<K extends string, W = string> = Readonly<Record<K, W>>;

/** What a language says of what is seen or felt. */
export interface DefectWords {
  readonly name: string;
  readonly why: string;
  readonly correction: string;
}

/** What a language says of what the trade knows. */
export interface CatalogWords {
  readonly conditions: Of<ConditionId, ConditionWords>;
  readonly urgencies: Of<Urgency>;
  readonly cautions: Of<CautionId>;
  readonly looks: Of<Look, DefectWords>;
  readonly dangers: Of<Danger, { readonly name: string; readonly stop: string; readonly doThis: string }>;
  readonly patterns: Of<LampPattern, PatternWords>;
  /** Each state behind a pattern in a few words, where its conditions' names do not say enough. */
  readonly fits: Of<FitId>;
  /** Of a dim lamp: no pattern to trust. */
  readonly dim: Pick<ConditionWords, 'why' | 'correction'> & {
    readonly headline: string;
    readonly settle: string;
  };
  /** How a conductor's metal is called, and told by one who sees a cut end. */
  readonly metals: Of<ConductorMetal, { readonly name: string; readonly signs: string }>;
  readonly receptacleTypes: Of<ReceptacleType>;
  readonly notReached: Of<NotReachedReason>;
  readonly closeOut: Of<CloseOutItem>;
  readonly insulations: Of<Insulation>;
  readonly jackets: Of<JacketMark>;
  readonly markings: Of<DeviceMarking>;
  readonly labels: Of<ProtectionLabel>;
  readonly regions: Of<Region, RegionWords>;
  readonly eraLanes: Of<EraLane>;
  readonly eras: Of<EraId, EraWords>;
  readonly eraHint: (hint: EraHint) => string;
}
