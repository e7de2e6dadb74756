'use client';

import {
  Area,
  CartesianGrid,
  ComposedChart,
  Legend,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import classes from './run-chart.module.css';
import type { RunChartData } from './run-chart-rows';

const ink = { stroke: 'var(--ink)', fontSize: 12, tickLine: false } as const;
const margin = { top: 18, right: 56, bottom: 8, left: 12 } as const;
const paper = { background: 'var(--paper-raised)', borderColor: 'var(--line-strong)' } as const;
const volts = (value: unknown): string =>
  Array.isArray(value)
    ? `${Number(value[0]).toFixed(1)} to ${Number(value[1]).toFixed(1)} V`
    : `${Number(value).toFixed(1)} V`;

/** "0.9 Ω": two digits are all that readings tell. */
const ohms = (value: number): string => `${Number(value.toPrecision(2))} Ω`;
/** Shares of the supply that are lost where handbooks ask for a look, and for a repair (NEC 210.19 informational note: 3 and 5 %, from memory). */
const limits = [0.03, 0.05] as const;

const stepWords = (steps: RunChartData['steps']): string =>
  steps.length === 0
    ? 'No step that a poor connection would make.'
    : steps
        .map(
          ({ name, ohms: each, watts }) =>
            `A poor connection on the way to ${name}: about ${ohms(each)}, which would turn ${Math.round(watts)} W into heat at 12 A.`,
        )
        .join(' ');

/** Volts along a circuit from the panel outward, without a load and with one, in the band that the engine expects. */
export function RunChart({ rows, steps, supply }: RunChartData) {
  return (
    <figure className={classes.chart} aria-label="Volts along the circuit">
      <ResponsiveContainer width="100%" height={340}>
        <ComposedChart data={[...rows]} margin={margin}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis {...ink} dataKey="name" interval={0} angle={-18} textAnchor="end" height={56} />
          <YAxis
            {...ink}
            width={56}
            domain={[
              (low: number) => Math.max(0, Math.floor(Math.min(low, 0.94 * supply) - 1)),
              (high: number) => Math.ceil(Math.max(high, supply) + 1),
            ]}
            tickFormatter={(value) => `${Math.round(Number(value))} V`}
          />
          <Tooltip formatter={volts} contentStyle={paper} />
          <Legend verticalAlign="top" wrapperStyle={{ paddingBottom: 8 }} />
          <Area
            name="expected at rest"
            dataKey="restBand"
            stroke="none"
            fill="var(--line-strong)"
            fillOpacity={0.35}
            isAnimationActive={false}
          />
          <Area
            name="expected under load"
            dataKey="loadedBand"
            stroke="none"
            fill="var(--ink)"
            fillOpacity={0.16}
            isAnimationActive={false}
          />
          <Line
            name="read at rest"
            dataKey="rest"
            stroke="var(--ink)"
            strokeWidth={1.5}
            strokeDasharray="5 4"
            connectNulls
            isAnimationActive={false}
          />
          <Line
            name="read under load"
            dataKey="loaded"
            stroke="var(--ink)"
            strokeWidth={2.5}
            connectNulls
            isAnimationActive={false}
          />
          {limits.map((share) => (
            <ReferenceLine
              key={share}
              y={supply * (1 - share)}
              stroke="var(--ink-soft)"
              strokeDasharray="2 4"
              label={{ value: `−${100 * share} %`, position: 'right', fill: 'var(--ink-soft)', fontSize: 12 }}
            />
          ))}
          {steps.map(({ name, ohms: each, watts }) => (
            <ReferenceLine
              key={name}
              x={name}
              stroke="var(--ink)"
              strokeWidth={2}
              label={{
                value: `${ohms(each)}, ${Math.round(watts)} W at 12 A`,
                position: 'insideBottomLeft',
                fill: 'var(--ink)',
                fontSize: 12,
              }}
            />
          ))}
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption>{stepWords(steps)}</figcaption>
      <Figures rows={rows} />
    </figure>
  );
}

/** The chart in figures. */
function Figures({ rows }: Pick<RunChartData, 'rows'>) {
  return (
    <table className={classes.table}>
      <caption>The same in figures</caption>
      <thead>
        <tr>
          <th scope="col">Receptacle</th>
          <th scope="col">At rest</th>
          <th scope="col">Expected</th>
          <th scope="col">Under load</th>
          <th scope="col">Expected</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, rest, loaded, restBand, loadedBand }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>{rest === undefined ? '–' : volts(rest)}</td>
            <td>{volts(restBand)}</td>
            <td>{loaded === undefined ? '–' : volts(loaded)}</td>
            <td>{volts(loadedBand)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
