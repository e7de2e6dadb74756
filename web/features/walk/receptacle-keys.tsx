import { Button } from '@mantine/core';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { useWords } from '@/components/region-words';
import { useDrawn } from '@/components/use-drawn';
import { CameraKey, photographed } from './camera-key';
import classes from './current-receptacle.module.css';
import { PatternKeys } from './pattern-keys';
import { pressOnce } from './press-once';
import type { Walk } from './use-walk';
import { mainAction } from './use-walk-keys';
import { type SheetId, sheetWords } from './words';

export interface ReceptacleKeysProps {
  readonly job: string;
  readonly walk: Walk;
  readonly onHelp: () => void;
  readonly onSheet: (sheet: SheetId) => void;
  /** Opens the next test that is worth doing, or any reading. */
  readonly onTest: () => void;
  /** null: there is no other room. */
  readonly onNextRoom: (() => void) | null;
}

/** What is pressed at every receptacle: the lamps, and the way on; once they are read, what may come after. */
export function ReceptacleKeys({ job, walk, onHelp, onSheet, onTest, onNextRoom }: ReceptacleKeysProps) {
  const words = useWords();
  const { shown, record, here } = walk;
  const [again, setAgain] = useState<string | null>(null);
  const place = `${here.currentPlace?.room} ${here.currentPlace?.receptacle}`;
  const main = mainAction(walk, words);
  const isIn = shown.isRead && !shown.isDraft;
  const { canRecord } = record;
  // The verdict is drawn first: a danger changes the way on at once, and the keys of the patterns a moment later.
  const isToRead = useDeferredValue(main.key === '1');
  const notReached = useMemo(
    () =>
      isToRead && (
        <button
          type="button"
          className={classes.patternKey}
          disabled={!canRecord}
          onClick={() => onSheet('not-reached')}
          aria-keyshortcuts={sheetWords['not-reached'].key}
        >
          <span>Not reached</span>
          <kbd>{sheetWords['not-reached'].key}</kbd>
        </button>
      ),
    [isToRead, canRecord, onSheet],
  );
  const doMain = useDrawn((at: number) => main.act(at));
  const goToNextRoom = useDrawn(() => onNextRoom?.());
  return (
    <div className={classes.keys}>
      {isIn && (
        <div className={classes.after}>
          <button type="button" className={classes.afterKey} onClick={onTest}>
            {shown.next === null ? 'Enter a reading' : 'Next test'}
          </button>
          <CameraKey {...photographed(job, walk)} className={classes.afterKey} words="Photo" />
          <button
            type="button"
            className={classes.afterKey}
            disabled={!record.canRecord}
            onClick={() => onSheet('note')}
          >
            Note
          </button>
          <button
            type="button"
            className={classes.afterKey}
            aria-pressed={again === place}
            onClick={() => setAgain(again === place ? null : place)}
          >
            Read again
          </button>
        </div>
      )}
      <PatternKeys
        lamps={shown.isDraft ? null : shown.lamps}
        onPattern={record.pattern}
        without={isToRead ? 'hn-hg' : null}
        isFolded={isIn && again !== place}
      >
        {notReached}
      </PatternKeys>
      <div className={classes.actions}>
        <MainKey words={main.words} hint={main.key} isOff={!canRecord} onPress={doMain} />
        {onNextRoom !== null && (
          <SideKey words="Next room" hint="↓" shortcut="ArrowDown" onPress={goToNextRoom} />
        )}
        <SideKey words="Undo" hint="U" shortcut="U" onPress={record.undo} />
      </div>
      <button type="button" className={classes.help} onClick={onHelp}>
        <kbd>?</kbd> all keys
      </button>
    </div>
  );
}

interface MainKeyProps {
  readonly words: string;
  readonly hint: string;
  readonly isOff: boolean;
  /** `at`: the time stamp of the press. */
  readonly onPress: (at: number) => void;
}

const MainKey = memo(function MainKey({ words, hint, isOff, onPress }: MainKeyProps) {
  return (
    <Button
      className={classes.main ?? ''}
      size="lg"
      disabled={isOff}
      onClick={(event) => onPress(event.timeStamp)}
      onKeyDown={pressOnce}
      rightSection={<kbd className={classes.kbd}>{hint}</kbd>}
    >
      {words}
    </Button>
  );
});

interface SideKeyProps extends Pick<MainKeyProps, 'words' | 'hint'> {
  readonly shortcut: string;
  readonly onPress: () => void;
}

const SideKey = memo(function SideKey({ words, hint, shortcut, onPress }: SideKeyProps) {
  return (
    <Button
      variant="default"
      size="lg"
      onClick={onPress}
      aria-keyshortcuts={shortcut}
      rightSection={<kbd className={classes.kbd}>{hint}</kbd>}
    >
      {words}
    </Button>
  );
});
