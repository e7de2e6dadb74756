import { type Assessment, type JudgedCircuit, readingsOf } from '@fair-plug/core/assessment';
import { shownUnder } from '@fair-plug/core/assessment/what-if.ts';
import { type InstrumentId, type Test, usualLoadAmps } from '@fair-plug/core/instruments';
import { regions } from '@fair-plug/core/knowledge';

/** Volts at one receptacle, as read and as the engine has them; left out where nothing was read. */
export interface ChartRow {
  readonly name: string;
  readonly rest?: number;
  readonly loaded?: number;
  /** From and to, over all that is worth naming, and how far the supply wanders. */
  readonly restBand: readonly [low: number, high: number];
  readonly loadedBand: readonly [low: number, high: number];
}

/** A poor connection on the way to a receptacle, with what it does under a load. */
export interface ChartStep {
  readonly name: string;
  readonly ohms: number;
  /** Watts that it turns into heat at the usual load. */
  readonly watts: number;
}

export interface RunChartData {
  readonly rows: readonly ChartRow[];
  readonly steps: readonly ChartStep[];
  /** Volts at the panel, as fitted. */
  readonly supply: number;
}

/** Volts by which the supply stands higher or lower from one reading to the next (common practice). */
const wander = 1;
/** Share by which the load's current may differ from what it is taken for: many use an appliance. */
const loadShare = 0.15;

/** Joule: what a resistance turns into heat at a current. */
const heatOf = (ohms: number): number => ohms * usualLoadAmps ** 2;

/** Volts along a circuit, without a load and with one, beside what the engine has them to be. */
export function runChartData(
  { house, receptacles }: Assessment,
  { circuit, explanations, receptacles: ids }: JudgedCircuit,
): RunChartData | null {
  const [leading] = explanations;
  if (leading === undefined) return null;
  const { nominalVolts } = regions[house.region];
  const tests = (instrument: InstrumentId) => ids.map((at) => ({ at, instrument }) as Test);
  const supposed = explanations.filter(({ isShared, instruments }) => !isShared && instruments.length === 0);
  /** Hot to neutral at every receptacle under each explanation. */
  const voltsWith = (instrument: 'meter' | 'loaded') =>
    supposed.map((one) =>
      shownUnder(circuit, one, tests(instrument), nominalVolts).map((shown) =>
        'hn' in shown && typeof shown.hn === 'number' ? shown.hn : Number.NaN,
      ),
    );
  const [atRest, underLoad] = [voltsWith('meter'), voltsWith('loaded')];
  const bandOf = (volts: readonly number[]): readonly [number, number] =>
    volts.length === 0
      ? [Number.NaN, Number.NaN]
      : // A magnitude: never below nought.
        [Math.max(0, Math.min(...volts) - wander), Math.max(0, Math.max(...volts)) + wander];
  const rest = ids.map((_, position) => bandOf(atRest.map((volts) => volts[position] ?? Number.NaN)));
  const loaded = ids.map((_, position) =>
    bandOf(
      underLoad.flatMap((volts, one) => {
        const [before = Number.NaN, under = Number.NaN] = [atRest[one]?.[position], volts[position]];
        return [1 - loadShare, 1 + loadShare].map((share) => before - share * (before - under));
      }),
    ),
  );
  const nameOf = (id: string): string => receptacles.get(id)?.receptacle.name ?? '';
  const rows = ids.map((id, position): ChartRow => {
    const receptacle = receptacles.get(id)?.receptacle;
    const read = receptacle === undefined ? [] : readingsOf(receptacle);
    const voltsOf = (instrument: 'meter' | 'loaded') =>
      read.findLast((one) => one.instrument === instrument && one.hn !== undefined);
    const [resting, loadTested] = [voltsOf('meter'), voltsOf('loaded')];
    return {
      name: nameOf(id),
      ...(resting?.instrument === 'meter' && resting.hn !== undefined ? { rest: resting.hn } : {}),
      ...(loadTested?.instrument === 'loaded' && loadTested.hn !== undefined
        ? { loaded: loadTested.hn }
        : {}),
      restBand: rest[position] ?? [Number.NaN, Number.NaN],
      loadedBand: loaded[position] ?? [Number.NaN, Number.NaN],
    };
  });
  const steps = leading.faults.flatMap((fault): ChartStep[] => {
    if (fault.kind !== 'resistance') return [];
    const at = fault.at ?? ('cable' in fault ? fault.cable?.slice('to '.length) : undefined);
    return at === undefined ? [] : [{ name: nameOf(at), ohms: fault.ohms, watts: heatOf(fault.ohms) }];
  });
  return { rows, steps, supply: leading.scales.own * nominalVolts };
}
