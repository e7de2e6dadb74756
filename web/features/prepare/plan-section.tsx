import { type Coverage, chanceOfMissing, type House, sampleFor } from '@fair-plug/core/log';
import { SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { useWords } from '@/components/region-words';
import { SavedSlider } from '@/components/saved-fields';
import { whenUsed } from '@/components/when-used';
import type { Recorder } from '@/local/use-recorder';
import classes from './prepare.module.css';

// The chart is large and only looked at here.
const MissingChart = whenUsed(() => import('./missing-chart').then((one) => one.MissingChart));

const supposed = 3;
const wanted = 0.95;
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

export interface PlanSectionProps {
  readonly coverage: Coverage;
  readonly plan: House['plan'];
  readonly record: Recorder | null;
}

/** How many receptacles are to be tested, and what a sample would miss. */
export function PlanSection({ coverage, plan, record }: PlanSectionProps) {
  const words = useWords().screens.prepare;
  const { expected, tested, planned } = coverage;
  const sample = plan?.sample ?? null;
  const [sliding, setSliding] = useState<number | null>(null);
  const shown = sample === null ? expected : (sliding ?? sample);
  const enough = sampleFor(expected, supposed, wanted);
  const choose = (to: number | null): void => record?.({ kind: 'plan-chosen', sample: to });
  if (expected === 0)
    return (
      <section className={classes.section} aria-labelledby="plan">
        <h2 id="plan">How many to test</h2>
        <p className={classes.soft}>{words.noRooms}</p>
      </section>
    );
  return (
    <section className={classes.section} aria-labelledby="plan">
      <h2 id="plan">How many to test</h2>
      <div className={classes.plan}>
        <div>
          <SegmentedControl
            aria-label="Plan"
            disabled={record === null}
            data={[
              { value: 'all', label: 'All that can be reached' },
              { value: 'sample', label: 'A sample' },
            ]}
            value={sample === null ? 'all' : 'sample'}
            onChange={(to) => {
              setSliding(null);
              choose(to === 'all' ? null : Math.min(enough, expected));
            }}
          />
          {sample !== null && (
            <SavedSlider
              thumbLabel={words.inSample}
              min={1}
              max={expected}
              value={sample}
              disabled={record === null}
              onSlide={setSliding}
              onSave={choose}
            />
          )}
          <p>
            <strong>
              {sample === null ? expected : shown} of {expected}
            </strong>{' '}
            planned
            {sample === null ? '.' : `, ${words.devicesBesides} (${planned} in all so far).`} Tested so far:{' '}
            {tested}.
          </p>
          {expected >= supposed && (
            <p>
              Were {supposed} of the {expected} bad, all of them would be missed in{' '}
              <strong>
                {percent(chanceOfMissing(expected, supposed, sample === null ? expected : shown))}
              </strong>{' '}
              of samples this size. To find at least one of {supposed} with {100 * wanted} % confidence:{' '}
              {enough}.
            </p>
          )}
          <p className={classes.soft}>
            At random, from the hypergeometric distribution. Faults cluster along a circuit and receptacles of
            one circuit are no random sample: take it as a guide. Standards commonly ask for one a room at
            least.
          </p>
        </div>
        <div>
          <MissingChart expected={expected} tested={tested} planned={sample === null ? expected : shown} />
        </div>
      </div>
    </section>
  );
}
