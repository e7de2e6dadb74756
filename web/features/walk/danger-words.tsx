import type { Danger } from '@fair-plug/core/knowledge';
import { useEffect, useRef } from 'react';
import { useHouseTime } from '@/components/house-time';
import { useWords } from '@/components/region-words';
import type { Walk } from './use-walk';
import classes from './verdict-panel.module.css';

/** Stop, what to do, and that people were told. */
export function DangerWords({ danger, walk }: { readonly danger: Danger; readonly walk: Walk }) {
  const words = useWords();
  const time = useHouseTime();
  const { stop, doThis } = words.dangers[danger];
  const section = useRef<HTMLElement>(null);
  const { verdict, isDraft, judged } = walk.shown;
  const isJudged = judged !== null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what stands above it grows or shrinks with these
  useEffect(() => {
    section.current?.scrollIntoView({ block: 'nearest' });
  }, [danger, verdict, isDraft, isJudged]);
  const warned = walk.here.receptacle?.warnings.findLast((one) => one.danger === danger);
  return (
    <section ref={section} className={classes.stop} aria-label="Danger" role="alert">
      <p>{walk.shown.verdict?.stop == null ? stop : words.stop(walk.shown.verdict.stop)}</p>
      <p className={classes.doThis}>{doThis}</p>
      {warned === undefined ? (
        <button
          type="button"
          className={classes.warned}
          disabled={!walk.record.canRecord}
          onClick={() =>
            walk.record.statement(
              (receptacle) => [{ kind: 'people-warned', receptacle, danger }],
              `${walk.here.name}: people warned`,
            )
          }
        >
          People were warned
        </button>
      ) : (
        <p className={classes.doThis}>People were warned at {time(warned.at, 'HH:mm')}.</p>
      )}
    </section>
  );
}
