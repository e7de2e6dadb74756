'use client';

import { lampsOf } from '@fair-plug/core/instruments';
import type { Tester } from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import dayjs from 'dayjs';
import { Loading } from '@/components/loading';
import { Page } from '@/components/page';
import { useChooseTester, useChosenTester } from '@/local/use-chosen-tester';
import { useKit } from '@/local/use-logs';
import { Bag } from './bag';
import { Calibrations } from './calibrations';
import classes from './kit-screen.module.css';
import { ShownPattern } from './shown-pattern';
import { TesterSetUp } from './tester-set-up';

const standingOf = ({ rating, lastProof }: Tester): string =>
  [
    rating ?? 'rating not entered',
    lastProof === null
      ? 'never checked'
      : `${lastProof.passed ? 'checked' : 'failed its function check'} ${dayjs(lastProof.at).format('D MMM YYYY, HH:mm')}`,
  ].join(' · ');

/** The plug-in testers of the firm, and the one used on this device. */
export function KitScreen() {
  const loaded = useKit();
  const [isSettingUp, { open, close }] = useDisclosure(false);
  return (
    <Page title="Kit" action={!isSettingUp && <Button onClick={open}>Set up a tester</Button>}>
      {isSettingUp && <TesterSetUp onDone={close} />}
      {loaded.kind === 'loaded' ? (
        <TesterList testers={loaded.testers} />
      ) : (
        <Loading error={loaded.kind === 'failed' ? loaded.error : undefined} />
      )}
      {!isSettingUp && <Bag />}
      {!isSettingUp && loaded.kind === 'loaded' && <Calibrations testers={loaded.testers} />}
    </Page>
  );
}

function TesterList({ testers }: { readonly testers: readonly Tester[] }) {
  const chosen = useChosenTester();
  const choose = useChooseTester();
  if (testers.length === 0)
    return <p>No tester yet. Set one up to see and tap its lamps in the order in which they sit on it.</p>;
  return (
    <ul className={classes.testers}>
      {testers.map((tester) => {
        const inUse = tester.id === chosen?.id;
        return (
          <li key={tester.id} className={classes.tester}>
            <div className={classes.named}>
              <h2>{tester.name}</h2>
              <p>{standingOf(tester)}</p>
            </div>
            <div className={classes.patterns}>
              <ShownPattern title="Correct" layout={tester.layout} lamps={lampsOf('hn-hg')} />
              <ShownPattern title="Open ground" layout={tester.layout} lamps={lampsOf('hn')} />
            </div>
            {inUse ? (
              <strong>In use here</strong>
            ) : (
              <Button variant="default" onClick={() => choose(tester.id)}>
                Use this one
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
