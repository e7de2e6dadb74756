'use client';

import { missingCurve } from '@fair-plug/core/log';
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { useWords } from '@/components/region-words';
import classes from './missing-chart.module.css';

const mostFaulty = 12;
const percent = (share: unknown): string => `${(100 * Number(share)).toFixed(1)} %`;
const ink = { stroke: 'var(--ink)', fontSize: 12, tickLine: false } as const;

export interface MissingChartProps {
  readonly expected: number;
  readonly tested: number;
  readonly planned: number;
}

/** For so many bad receptacles in the house, the chance that none of them is among those tested: so far, and as planned. */
export function MissingChart({ expected, tested, planned }: MissingChartProps) {
  const words = useWords();
  const soFar = missingCurve(expected, tested, mostFaulty);
  const asPlanned = missingCurve(expected, planned, mostFaulty);
  const rows = soFar.map(({ faulty, chance }, index) => ({
    faulty,
    soFar: chance,
    planned: asPlanned[index]?.chance ?? 0,
  }));
  const described = rows
    .filter(({ faulty }) => faulty === 1 || faulty === 3 || faulty === 5)
    .map((row) => `${row.faulty} bad: ${percent(row.soFar)} so far`)
    .join(', ');
  return (
    <figure className={classes.chart} aria-label={`Chance of missing all the bad ones. ${described}`}>
      <ResponsiveContainer width="100%" height={250}>
        <LineChart data={rows} margin={{ top: 4, right: 12, bottom: 18, left: 0 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            {...ink}
            dataKey="faulty"
            label={{
              value: words.screens.report.badInTheHouse,
              position: 'insideBottom',
              offset: -10,
              fill: 'var(--ink-soft)',
              fontSize: 12,
            }}
          />
          <YAxis
            {...ink}
            width={48}
            domain={[0, 1]}
            tickFormatter={(share) => `${Math.round(100 * Number(share))} %`}
          />
          <Tooltip
            formatter={percent}
            labelFormatter={(faulty) => `${faulty} bad`}
            contentStyle={{ background: 'var(--paper-raised)', borderColor: 'var(--line-strong)' }}
          />
          <Legend verticalAlign="top" height={40} />
          <Line
            name={`missed, ${tested} tested so far`}
            dataKey="soFar"
            stroke="var(--ink)"
            strokeWidth={2.5}
            dot={{ r: 3 }}
            isAnimationActive={false}
          />
          <Line
            name={`missed, ${planned} planned`}
            dataKey="planned"
            stroke="var(--line-strong)"
            strokeWidth={2}
            strokeDasharray="5 4"
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
