import type { ContactState } from '@fair-plug/core/assessment';
import { type Contact, type Lamps, type Pair, pairs } from '@fair-plug/core/instruments';
import { memo } from 'react';
import { useWords } from '@/components/region-words';
import classes from './triangle.module.css';

type Point = readonly [number, number];

const corner: Readonly<Record<Contact, Point>> = { hot: [50, 9], neutral: [9, 80], ground: [91, 80] };

/** The edge of each lamp, in hundredths of the width. */
export const edgeOf: Readonly<Record<Pair, readonly [Point, Point]>> = {
  hn: [corner.hot, corner.neutral],
  hg: [corner.hot, corner.ground],
  ng: [corner.neutral, corner.ground],
};

/** The contacts as one looks at the receptacle: narrow slot, wide slot, round hole. */
const contactShape: Readonly<Record<Contact, string>> = {
  hot: 'M47.8 4h4.4v10h-4.4z',
  neutral: 'M6.6 73.5h4.8v13h-4.8z',
  ground: 'M86.5 85v-5a4.5 4.5 0 0 1 9 0v5z',
};

export type Corners = Readonly<Record<Contact, ContactState>>;

export interface TriangleProps {
  /** null: not read. */
  readonly lamps: Lamps | null;
  /** Contacts are filled only where the verdict says that they are live. */
  readonly corners?: Corners | undefined;
  /** Edge length in pixels; a large one shows the contacts too. */
  readonly size: number;
  /** Left out where text beside it says the same. */
  readonly label?: string | undefined;
}

/** A receptacle as a triangle of its three contacts; its edges are the lamps of any plug-in tester. */
export const Triangle = memo(function Triangle({ lamps, corners, size, label }: TriangleProps) {
  const words = useWords();
  const accessibleName = label ?? (lamps === null ? 'not read' : words.lamps(lamps));
  const isLarge = size >= 120;
  return (
    <svg
      className={classes.triangle}
      data-size={isLarge ? 'large' : 'mark'}
      viewBox="0 0 100 90"
      width={size}
      height={size * 0.9}
      role={label === '' ? 'presentation' : 'img'}
      aria-label={label === '' ? undefined : accessibleName}
    >
      {pairs.map((pair) => {
        const [[x1, y1], [x2, y2]] = edgeOf[pair];
        const state = lamps === null ? 'unread' : lamps[pair];
        return <line key={pair} data-state={state} x1={x1} y1={y1} x2={x2} y2={y2} />;
      })}
      {(Object.keys(corner) as Contact[]).map((contact) => {
        const live = corners?.[contact] === 'live';
        if (!isLarge && !live) return null;
        return <path key={contact} data-live={live} d={contactShape[contact]} />;
      })}
    </svg>
  );
});
