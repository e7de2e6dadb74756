import { closeOutItems } from '@fair-plug/core/knowledge';
import { leftUndone } from '@fair-plug/core/log';
import { Checkbox } from '@mantine/core';
import { FunctionChecks } from '@/components/function-checks';
import { useWords } from '@/components/region-words';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** Before the house is left: everything as it was found, the testers proved again, and what is left undone. */
export function CloseOutSheet({ job, house, walk }: SheetProps) {
  const words = useWords();
  const { powerNotBack, toProve, untested } = leftUndone(house);
  return (
    <div className={classes.sheet}>
      {powerNotBack.length > 0 && (
        <p className={classes.strong} role="alert">
          Power is not said to be back: {powerNotBack.map(words.supplyPoint).join(', ')}.
        </p>
      )}
      {closeOutItems.map((item) => (
        <Checkbox
          key={item}
          size="md"
          label={words.closeOut[item]}
          checked={house.left.includes(item)}
          disabled={!walk.record.canRecord}
          onChange={() =>
            walk.record.ofHouse(words.closeOut[item], ({ house: standing }) => [
              { kind: 'left-as-found', item, done: !standing.left.includes(item) },
            ])
          }
        />
      ))}
      <p className={classes.caution}>
        {words.cautions['as-found']}
        {house.breakersFoundOff !== null && ` Found off: ${house.breakersFoundOff}.`}
        {house.keepPowered.length > 0 && ` Must have power: ${house.keepPowered.join(', ')}.`}
      </p>
      <section className={classes.part} aria-label="Testers again">
        <h3>{words.screens.walk.testersAgain}</h3>
        {toProve.length > 0 && (
          <p>
            Still to prove:{' '}
            {toProve.map(({ instrument }) => words.instruments[instrument].name.toLowerCase()).join(', ')}.
          </p>
        )}
        <FunctionChecks job={job} house={house} />
      </section>
      <section className={classes.part} aria-label="Left undone">
        <h3>Left undone</h3>
        <p>
          {untested.length === 0
            ? words.screens.walk.allRead
            : `Neither read nor given a reason: ${untested.join(', ')}.`}
        </p>
      </section>
    </div>
  );
}
