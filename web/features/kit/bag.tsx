'use client';

import { type InstrumentId, instrumentIds, isOfDevice } from '@fair-plug/core/instruments';

import { Checkbox } from '@mantine/core';
import { BlindSpots } from '@/components/blind-spots';
import { useWords } from '@/components/region-words';
import { useBag } from '@/local/use-bag';
import classes from './bag.module.css';

/** What is in the bag besides the plug-in tester, and what all of it together cannot see. */
export function Bag() {
  const words = useWords();
  const { bag, setBag } = useBag();
  const toggle = (id: InstrumentId, isIn: boolean): void =>
    setBag((before) => instrumentIds.filter((one) => (one === id ? isIn : before.includes(one))));
  return (
    <section className={classes.bag} aria-labelledby="bag">
      <h2 id="bag">In the bag</h2>
      <p className={classes.soft}>The next test is chosen among these. Kept on this device.</p>
      <div className={classes.instruments}>
        {instrumentIds
          .filter((id) => !isOfDevice(id))
          .map((id) => (
            <Checkbox
              key={id}
              size="md"
              label={words.instruments[id].name}
              checked={bag.includes(id)}
              disabled={id === 'lamps'}
              onChange={(event) => toggle(id, event.currentTarget.checked)}
            />
          ))}
      </div>
      <h3>What this kit cannot see</h3>
      <p className={classes.soft}>
        On a receptacle that reads correct with everything above, each of these may still hold.
      </p>
      <BlindSpots bag={bag} />
    </section>
  );
}
