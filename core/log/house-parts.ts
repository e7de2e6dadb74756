import type {
  AluminumPlace,
  BreakerKind,
  CheckState,
  ConductorSize,
  HeavyLoad,
  LampKind,
  LegLayout,
  PanelCheck,
  PanelKind,
  PanelSkip,
  PointKind,
  PointSign,
  TemperatureUnit,
} from '../knowledge/house-parts.ts';
import type { ConductorMetal } from '../knowledge/observations.ts';

/** A breaker as its panel's directory has it; what was not said is left out. */
export interface BreakerPosition {
  readonly id: string;
  readonly number?: string;
  readonly amps?: number | null;
  readonly poles?: number;
  readonly feeds?: string | null;
  readonly protects?: BreakerKind;
  readonly metal?: ConductorMetal;
  readonly size?: ConductorSize;
  readonly gone?: boolean;
}

export interface Panel {
  readonly id: string;
  readonly name?: string;
  readonly panelKind?: PanelKind;
  readonly rating?: number | null;
  readonly mainAmps?: number | null;
  readonly legs?: LegLayout;
  readonly madeIn?: number | null;
  readonly neutralBar?: ConductorMetal;
  /** When its cover was off; left out where it was not. */
  readonly openedAt?: string;
  readonly checks: Readonly<Partial<Record<PanelCheck | 'compound', CheckState>>>;
  readonly breakers: readonly BreakerPosition[];
  readonly gone?: boolean;
}

/** A switch, a group of switches for one light, a dimmer or a lampholder. */
export interface Point {
  readonly id: string;
  readonly room?: string;
  readonly name?: string;
  readonly pointKind?: PointKind;
  readonly switches?: number;
  readonly works?: boolean | null;
  readonly signs: readonly PointSign[];
  /** By the positions of the levers, whether the light was on. */
  readonly combinations: Readonly<Record<string, boolean>>;
  /** Receptacles that it turns on and off. */
  readonly receptacles: readonly string[];
  readonly dimmer: {
    readonly plate?: number | null;
    readonly unit?: TemperatureUnit;
    readonly watts?: number | null;
    readonly rated?: number | null;
    readonly sidesOff?: 0 | 1 | 2 | null;
    readonly ganged?: number | null;
    readonly lamps?: LampKind;
  };
  readonly shell: { readonly switchOn?: number | null; readonly switchOff?: number | null };
  readonly gone?: boolean;
}

/** Temperatures row by row. */
export interface ThermalPicture {
  readonly unit: TemperatureUnit;
  readonly columns: number;
  readonly temperatures: readonly number[];
}

/** A spot that was looked at for heat; degrees as they were typed. */
export interface HotSpot {
  readonly id: string;
  readonly where?: string;
  readonly unit?: TemperatureUnit;
  readonly degrees?: number | null;
  readonly ambient?: number | null;
  readonly similar?: number | null;
  readonly aboveRange?: boolean;
  readonly loadAmps?: number | null;
  readonly emissivity?: number | null;
  readonly bareMetal?: boolean;
  readonly picture?: ThermalPicture;
  readonly gone?: boolean;
}

export interface PlannedLoad {
  readonly load: HeavyLoad;
  readonly agreedBy?: string;
}

/** What of a house is not a receptacle; what nobody spoke of is left out. */
export interface HouseParts {
  readonly panels?: readonly Panel[];
  readonly panelSkipped?: PanelSkip;
  readonly points?: readonly Point[];
  readonly hotSpots?: readonly HotSpot[];
  readonly loadPlan?: readonly PlannedLoad[];
  readonly aluminumSought?: Readonly<
    Partial<Record<AluminumPlace, { readonly found: boolean; readonly jacketYear?: number }>>
  >;
}

interface WithParts {
  parts: HouseParts;
}

/** A list with one of its things changed, in the order in which they were first spoken of. */
function changedIn<T extends { readonly id: string }>(
  list: readonly T[] | undefined,
  empty: T,
  change: (before: T) => T,
): readonly T[] {
  const all = list ?? [];
  return all.some(({ id }) => id === empty.id)
    ? all.map((one) => (one.id === empty.id ? change(one) : one))
    : [...all, change(empty)];
}

export function withPanel(job: WithParts, id: string, change: (before: Panel) => Panel): void {
  const panels = changedIn<Panel>(job.parts.panels, { id, checks: {}, breakers: [] }, change);
  job.parts = { ...job.parts, panels };
}

export const withPosition = (
  job: WithParts,
  panel: string,
  id: string,
  change: (before: BreakerPosition) => BreakerPosition,
): void =>
  withPanel(job, panel, (before) => ({ ...before, breakers: changedIn(before.breakers, { id }, change) }));

export function withPoint(job: WithParts, id: string, change: (before: Point) => Point): void {
  const empty: Point = { id, signs: [], combinations: {}, receptacles: [], dimmer: {}, shell: {} };
  job.parts = { ...job.parts, points: changedIn(job.parts.points, empty, change) };
}

export function withSpot(job: WithParts, id: string, change: (before: HotSpot) => HotSpot): void {
  job.parts = { ...job.parts, hotSpots: changedIn<HotSpot>(job.parts.hotSpots, { id }, change) };
}

const there = <T extends { readonly gone?: boolean }>(all: readonly T[] | undefined): readonly T[] =>
  (all ?? []).filter(({ gone }) => gone !== true);

/** Panels of a house, each with the breakers that it has. */
export const panelsOf = ({ parts }: { readonly parts?: HouseParts }): readonly Panel[] =>
  there(parts?.panels).map((panel) => ({ ...panel, breakers: there(panel.breakers) }));
export const pointsOf = ({ parts }: { readonly parts?: HouseParts }): readonly Point[] =>
  there(parts?.points);
export const hotSpotsOf = ({ parts }: { readonly parts?: HouseParts }): readonly HotSpot[] =>
  there(parts?.hotSpots);

/**
 * What its panel brings in, of a breaker or, where none is named, of the house; null where nobody said, or two panels
 * differ. A breaker that stands in no directory may be on any of them.
 */
export function legsOf(house: { readonly parts?: HouseParts }, breaker?: string): LegLayout | null {
  const panels = panelsOf(house);
  const own = panels.filter(({ breakers }) => breakers.some(({ number }) => number === breaker));
  const said = new Set((own.length > 0 ? own : panels).map(({ legs }) => legs ?? null));
  const [legs = null] = said;
  return said.size === 1 ? legs : null;
}

/** What was measured of a dimmer; null where it was not. */
export const dimmerFigures = ({ dimmer }: Pick<Point, 'dimmer'>) => ({
  plate: dimmer.plate ?? null,
  unit: dimmer.unit ?? ('F' as const),
  watts: dimmer.watts ?? null,
  rated: dimmer.rated ?? null,
  sidesOff: dimmer.sidesOff ?? null,
  ganged: dimmer.ganged ?? null,
});
