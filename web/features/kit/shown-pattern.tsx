import { type Lamps, lampsAsShown, type TesterLayout } from '@fair-plug/core/instruments';
import { LampFace } from '@/components/tester-lamps';
import classes from './kit-screen.module.css';

/** A pattern as a tester shows it. */
export function ShownPattern({
  title,
  layout,
  lamps,
}: {
  readonly title: string;
  readonly layout: TesterLayout;
  readonly lamps: Lamps;
}) {
  const shown = lampsAsShown(layout, lamps);
  const words = layout.map(({ colour }, index) => `${colour} ${shown[index]}`).join(', ');
  return (
    <figure className={classes.shown}>
      <div role="img" aria-label={words} className={classes.row}>
        {layout.map(({ pair, colour }, index) => (
          <LampFace key={pair} colour={colour} state={shown[index] ?? 'off'} />
        ))}
      </div>
      <figcaption>{title}</figcaption>
    </figure>
  );
}
