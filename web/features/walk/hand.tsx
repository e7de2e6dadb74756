import type { Tester } from '@fair-plug/core/inspection';
import { Button } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import Link from 'next/link';
import { TesterLamps } from '@/components/tester-lamps';
import { TriangleInput } from '@/components/triangle-input';
import classes from './hand.module.css';
import { PatternKeys } from './pattern-keys';
import type { Walk } from './use-walk';
import { mainAction } from './use-walk-keys';

export interface HandProps {
  readonly walk: Walk;
  readonly tester: Tester | null;
  readonly onHelp: () => void;
}

function mainWords({ isDraft, isRead, verdict, isNew }: Walk): string {
  if (isDraft && verdict !== null) return `Record: ${verdict.headline.toLowerCase()}`;
  if (isRead && !isNew) return 'Next';
  return 'Correct – next';
}

/** The receptacle in hand: its triangle and lamps as the input, and the keys that record. */
export function Hand({ walk, tester, onHelp }: HandProps) {
  const isPhone = useMediaQuery('(max-width: 48em)', false);
  return (
    <section className={classes.hand} aria-label="Receptacle in hand">
      <header className={classes.title}>
        <h2 className={classes.name}>{walk.name}</h2>
        <p className={classes.status} role="status">
          {walk.isDraft ? 'Not recorded yet' : walk.said || (walk.isRead ? 'Recorded' : 'Not read')}
        </p>
      </header>
      <div className={classes.face}>
        <TriangleInput
          lamps={walk.lamps}
          corners={walk.verdict?.contacts}
          size={isPhone ? 156 : 250}
          onEdge={walk.toggle}
        />
        <div className={classes.tester}>
          {tester === null ? (
            <Link href="/kit" className={classes.setUp}>
              Set up your tester
            </Link>
          ) : (
            <>
              <TesterLamps layout={tester.layout} lamps={walk.lamps} onLamp={walk.toggle} />
              <span>{tester.name}</span>
            </>
          )}
        </div>
      </div>
      <div className={classes.keys}>
        <PatternKeys lamps={walk.isDraft ? null : walk.lamps} onPattern={walk.recordPattern} />
        <div className={classes.actions}>
          <Button
            className={classes.main ?? ''}
            size="lg"
            disabled={!walk.canRecord}
            onClick={mainAction(walk)}
            rightSection={<kbd className={classes.kbd}>{walk.isDraft || walk.isRead ? 'Enter' : '1'}</kbd>}
          >
            {mainWords(walk)}
          </Button>
          <Button
            variant="default"
            size="lg"
            onClick={walk.undo}
            aria-keyshortcuts="U"
            rightSection={<kbd className={classes.kbd}>U</kbd>}
          >
            Undo
          </Button>
        </div>
        <button type="button" className={classes.help} onClick={onHelp}>
          <kbd>?</kbd> all keys
        </button>
      </div>
    </section>
  );
}
