import { type JudgedCause, seenFault } from '@fair-plug/core/assessment';
import { type JobStatement, panelBox } from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { useWords } from '@/components/region-words';
import classes from './behind-cover-form.module.css';

export interface BehindCoverFormProps {
  readonly breaker: string;
  readonly cause: Pick<JudgedCause, 'faults' | 'place'>;
  readonly nameOf: (id: string) => string;
  readonly onKeep: (entry: JobStatement) => void;
}

/** What was found in a box that was opened for a cause: taken as given from then on. */
export function BehindCoverForm({ breaker, cause, nameOf, onKeep }: BehindCoverFormProps) {
  const words = useWords();
  const boxes = cause.place?.boxes ?? [];
  const keep = (box: string, found: boolean) => () =>
    onKeep({
      kind: 'looked-behind-cover',
      breaker,
      box: box === 'panel' ? panelBox : box,
      faults: cause.faults.map(seenFault),
      found,
    });
  return (
    <div className={classes.form}>
      <p className={classes.caution}>{words.cautions.box}</p>
      <p>
        Only what a qualified person saw, in a box that was proved dead. Looked for:{' '}
        <strong>{words.cause(cause.faults)}</strong>. What is said here is taken as given, and the rest of the
        circuit is judged anew.
      </p>
      {boxes.map(({ at, probability }) => {
        const name = at === 'panel' ? words.screens.walk.panel : nameOf(at);
        return (
          <fieldset key={at} className={classes.box}>
            <legend>
              {name} <span className={classes.soft}>{words.share(probability)}</span>
            </legend>
            <Button onClick={keep(at, true)} aria-label={`Found in the box of ${name}`}>
              Found here
            </Button>
            <Button
              variant="default"
              onClick={keep(at, false)}
              aria-label={`Not found in the box of ${name}`}
            >
              Not found here
            </Button>
          </fieldset>
        );
      })}
    </div>
  );
}
