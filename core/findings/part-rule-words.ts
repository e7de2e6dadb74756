import type {
  AluminumPlace,
  GroupFault,
  HeatClass,
  HeatJudged,
  PanelCheck,
  PointKind,
  PointSign,
  RemedyInPlace,
  ShellJudged,
  TemperatureUnit,
} from '../knowledge/index.ts';
import type { RuleText } from './rule-text.ts';

/** What a language says of findings on what is no receptacle. */
export interface PartRuleWords {
  readonly panelDefect: (check: PanelCheck) => RuleText;
  readonly noCompound: RuleText;
  readonly newCopper: (built: { readonly year: number }) => RuleText;
  readonly hotSpot: (spot: {
    readonly where: string;
    readonly heat: HeatClass;
    readonly measured: string;
    readonly bareMetal: boolean;
  }) => RuleText;
  /** A hot spot's figures, in a sentence, in the scale in which they were typed. */
  readonly hotSpotMeasured: (
    spot: Pick<HeatJudged, 'bySimilar' | 'byAmbient'> & {
      readonly degrees: number | null;
      readonly unit: TemperatureUnit;
      readonly aboveRange: boolean;
      readonly amps: number | null;
    },
  ) => string;
  readonly pointSigns: (point: { readonly name: string; readonly signs: readonly PointSign[] }) => RuleText;
  readonly group: (point: {
    readonly name: string;
    /** What fits what was tried; none where nothing single does. */
    readonly fits: readonly GroupFault[];
    /** Positions of the levers that are not as they would be. */
    readonly failing: readonly string[];
  }) => RuleText;
  readonly dimmerWarm: (dimmer: {
    readonly name: string;
    readonly isReferred: boolean;
    readonly plate: number;
    readonly unit: TemperatureUnit;
  }) => RuleText;
  /** Watts. */
  readonly dimmerOverloaded: (dimmer: {
    readonly name: string;
    readonly connected: number;
    readonly allowed: number;
    readonly rated: number;
  }) => RuleText;
  readonly shell: (lampholder: {
    readonly name: string;
    readonly found: Exclude<ShellJudged, 'sound'>;
  }) => RuleText;
  readonly nicked: RuleText;
  /** What the conclusion on aluminum rests on besides. */
  readonly aluminumLooked: (looked: {
    readonly notFound: readonly AluminumPlace[];
    readonly notLooked: readonly AluminumPlace[];
    readonly repaired: readonly { readonly remedy: RemedyInPlace; readonly names: readonly string[] }[];
  }) => string;
  /** Where it was seen, as the head of a line. */
  readonly seenAt: (place: AluminumPlace) => string;
  readonly jacketYear: (year: number) => string;
  /** Of a panel, and of points, that nobody named. */
  readonly panelName: string;
  readonly pointName: (kind: PointKind) => string;
  /** "breaker 7" */
  readonly position: (number: string) => string;
}
