import type { HeatClass } from './heat.ts';
import type {
  AdapterTab,
  AluminumPlace,
  BreakerKind,
  CheckState,
  HeavyLoad,
  LampKind,
  LegLayout,
  PanelCheck,
  PanelKind,
  PanelSkip,
  PointKind,
  PointSign,
  RemedyInPlace,
} from './house-parts.ts';
import type { GroupFault } from './three-way.ts';

type Of<K extends string> = Readonly<Record<K, string>>;

/** What a language calls what of a house is no receptacle. */
export interface PartWords {
  /** Of a panel without a name. */
  readonly panel: string;
  readonly panelKinds: Of<PanelKind>;
  readonly layouts: Of<LegLayout>;
  readonly checks: Of<PanelCheck | 'compound'>;
  readonly checkStates: Of<CheckState>;
  readonly panelSkips: Of<PanelSkip>;
  readonly breakerKinds: Of<BreakerKind>;
  /** "breaker 7" */
  readonly position: (number: string) => string;
  readonly groundWire: string;
  /** Before the receptacles of a switch. */
  readonly switchTurns: string;
  /** How a lampholder is measured. */
  readonly shellMeasured: string;
  /** Before where aluminum was looked for. */
  readonly metalSought: string;
  /** Of a box where a ground arrives, and of one where none does. */
  readonly groundSeen: string;
  readonly noGround: string;
  readonly aluminumPlaces: Of<AluminumPlace>;
  readonly remediesInPlace: Of<RemedyInPlace>;
  readonly pointKinds: Of<PointKind>;
  readonly pointSigns: Of<PointSign>;
  readonly lampKinds: Of<LampKind>;
  readonly heavyLoads: Of<HeavyLoad>;
  readonly adapterTabs: Of<AdapterTab>;
  readonly heat: Of<HeatClass>;
  readonly groupFaults: Of<GroupFault>;
  /** What the cover of a panel asks of whoever takes it off. */
  readonly panelCaution: string;
  /** Of bare metal before a thermal camera. */
  readonly bareMetal: string;
}
