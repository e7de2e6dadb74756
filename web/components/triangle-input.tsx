import type { ContactState } from '@fair-plug/core/assessment';
import type { Contact, Lamps, Pair } from '@fair-plug/core/instruments';
import { type CSSProperties, memo } from 'react';
import { useWords } from './region-words';
import { Triangle } from './triangle';
import classes from './triangle-input.module.css';

const edges: readonly { readonly pair: Pair; readonly name: string; readonly hotkey: string }[] = [
  { pair: 'hn', name: 'Hot–neutral', hotkey: 'J' },
  { pair: 'ng', name: 'Neutral–ground', hotkey: 'K' },
  { pair: 'hg', name: 'Hot–ground', hotkey: 'L' },
];

export interface TriangleInputProps {
  readonly lamps: Lamps | null;
  readonly corners?: Readonly<Record<Contact, ContactState>> | undefined;
  readonly size: number;
  readonly onEdge: (pair: Pair) => void;
}

/** The large triangle in hand: each edge is a button that changes its lamp. */
export const TriangleInput = memo(function TriangleInput({
  lamps,
  corners,
  size,
  onEdge,
}: TriangleInputProps) {
  const words = useWords();
  return (
    <div className={classes.face} style={{ '--size': `${size}px` } as CSSProperties}>
      <span className={classes.hot}>{words('Hot')}</span>
      <Triangle lamps={lamps} corners={corners} size={size} />
      <span className={classes.neutral}>Neutral</span>
      <span className={classes.ground}>{words('Ground')}</span>
      {edges.map(({ pair, name, hotkey }) => (
        <button
          key={pair}
          type="button"
          className={classes.edge}
          data-pair={pair}
          aria-label={`${words(name)} lamp: ${lamps?.[pair] ?? 'not read'}`}
          aria-keyshortcuts={hotkey}
          onClick={() => onEdge(pair)}
        >
          <kbd>{hotkey}</kbd>
        </button>
      ))}
    </div>
  );
});
