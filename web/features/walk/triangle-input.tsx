import type { ContactState } from '@fair-plug/core/assessment';
import type { Contact, Lamps, Pair } from '@fair-plug/core/instruments';
import { type CSSProperties, memo } from 'react';
import { useWords } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import classes from './triangle-input.module.css';

const edges: readonly { readonly pair: Pair; readonly hotkey: string }[] = [
  { pair: 'hn', hotkey: 'J' },
  { pair: 'ng', hotkey: 'K' },
  { pair: 'hg', hotkey: 'L' },
];

export interface TriangleInputProps {
  readonly lamps: Lamps | null;
  readonly corners?: Readonly<Record<Contact, ContactState>> | undefined;
  readonly size: number;
  readonly onEdge: (pair: Pair) => void;
}

/** The large triangle of the current receptacle: each edge is a button that changes its lamp. */
export const TriangleInput = memo(function TriangleInput({
  lamps,
  corners,
  size,
  onEdge,
}: TriangleInputProps) {
  const { contacts, pairs } = useWords().screens;
  return (
    <div className={classes.face} style={{ '--size': `${size}px` } as CSSProperties}>
      <span className={classes.hot}>{contacts.hot}</span>
      <Triangle lamps={lamps} corners={corners} size={size} />
      <span className={classes.neutral}>{contacts.neutral}</span>
      <span className={classes.ground}>{contacts.ground}</span>
      {edges.map(({ pair, hotkey }) => (
        <button
          key={pair}
          type="button"
          className={classes.edge}
          data-pair={pair}
          aria-label={`${pairs[pair]} lamp: ${lamps?.[pair] ?? 'not read'}`}
          aria-keyshortcuts={hotkey}
          onClick={() => onEdge(pair)}
        >
          <kbd>{hotkey}</kbd>
        </button>
      ))}
    </div>
  );
});
