import { Button } from '@mantine/core';
import type { Walk } from './use-walk';
import classes from './verdict-panel.module.css';

/** Both halves are asked for once a visit; and the lower one by itself where they differ. */
export function Halves({
  walk,
  asksForHalves,
  onTakeApart,
}: {
  readonly walk: Walk;
  readonly asksForHalves: boolean;
  readonly onTakeApart: () => void;
}) {
  const { receptacle } = walk.here;
  const { isRead, isDraft, danger } = walk.shown;
  const { canRecord } = walk.record;
  if (receptacle === null || !isRead || isDraft || !canRecord || danger !== null) return null;
  if (receptacle.halfOf !== null || receptacle.type === 'single-socket') return null;
  if (receptacle.halves?.alike === false)
    return (
      <section className={classes.halves} aria-label="Both halves">
        <p className={classes.caution}>Its halves differ: read the lower one by itself.</p>
        <Button size="md" variant="default" onClick={onTakeApart}>
          Take the halves apart
        </Button>
      </section>
    );
  if (!asksForHalves || receptacle.halves !== undefined) return null;
  const record = (alike: boolean): void =>
    walk.record.statement(
      (at) => [{ kind: 'halves-tried', receptacle: at, alike }],
      `${walk.here.name}: ${alike ? 'both halves alike' : 'its halves differ'}`,
    );
  return (
    <section className={classes.halves} aria-label="Both halves">
      <p>Try both halves. How does the other one read?</p>
      <div className={classes.pair}>
        <Button size="md" variant="default" onClick={() => record(true)}>
          Alike
        </Button>
        <Button size="md" variant="default" onClick={() => record(false)}>
          Otherwise
        </Button>
      </div>
    </section>
  );
}
