import type { Lamps, TesterLayout } from '@fair-plug/core/instruments';
import { TesterLampRow } from '@/components/tester-lamps';
import classes from './kit-screen.module.css';

/** A pattern as a tester shows it, with its name. */
export function ShownPattern({
  title,
  layout,
  lamps,
}: {
  readonly title: string;
  readonly layout: TesterLayout;
  readonly lamps: Lamps;
}) {
  return (
    <figure className={classes.shown}>
      <TesterLampRow layout={layout} lamps={lamps} />
      <figcaption>{title}</figcaption>
    </figure>
  );
}
