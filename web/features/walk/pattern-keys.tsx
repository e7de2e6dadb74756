import { type LampPattern, type Lamps, lampPatterns, lampsOf, patternsOf } from '@fair-plug/core/instruments';
import { memo, type ReactNode } from 'react';
import { useWords } from '@/components/region-words';
import { Triangle } from '@/components/triangle';
import classes from './pattern-keys.module.css';
import { pressOnce } from './press-once';

export interface PatternKeysProps {
  /** The recorded reading, whose key is marked. */
  readonly lamps: Lamps | null;
  /** `at`: the time stamp of the press. */
  readonly onPattern: (pattern: LampPattern, at: number) => void;
  /** What has a larger key of its own just now; null: none. */
  readonly without: LampPattern | null;
  /** On a phone they give way to what comes after a reading. */
  readonly isFolded: boolean;
  /** A last key, of what is shown where no lamps are read. */
  readonly children?: ReactNode;
}

/** One key a pattern: pressed, it is recorded. */
export const PatternKeys = memo(function PatternKeys({
  lamps,
  onPattern,
  without,
  isFolded,
  children,
}: PatternKeysProps) {
  const shown = lamps === null ? [] : patternsOf(lamps);
  return (
    <fieldset className={classes.keys} data-folded={isFolded}>
      <legend className={classes.legend}>What the lamps show</legend>
      {lampPatterns.map(
        (pattern, index) =>
          pattern !== without && (
            <PatternKey
              key={pattern}
              pattern={pattern}
              hotkey={String(index + 1)}
              isPressed={shown.length === 1 && shown[0] === pattern}
              onPattern={onPattern}
            />
          ),
      )}
      {children}
    </fieldset>
  );
});

interface PatternKeyProps extends Pick<PatternKeysProps, 'onPattern'> {
  readonly pattern: LampPattern;
  readonly hotkey: string;
  readonly isPressed: boolean;
}

const PatternKey = memo(function PatternKey({ pattern, hotkey, isPressed, onPattern }: PatternKeyProps) {
  const words = useWords();
  return (
    <button
      type="button"
      className={classes.key}
      aria-pressed={isPressed}
      aria-keyshortcuts={hotkey}
      title={words.lamps(lampsOf(pattern))}
      onClick={(event) => onPattern(pattern, event.timeStamp)}
      onKeyDown={pressOnce}
    >
      <Triangle lamps={lampsOf(pattern)} size={24} label="" />
      <span>{words.patterns[pattern].key}</span>
      <kbd>{hotkey}</kbd>
    </button>
  );
});
