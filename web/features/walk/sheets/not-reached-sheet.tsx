import { notReachedReasons } from '@fair-plug/core/knowledge';
import { ChoiceKeys } from '@/components/choice-keys';
import { useWords } from '@/components/region-words';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** Why it was not reached: one key, and the walk goes on. */
export function NotReachedSheet({ walk, onClose }: SheetProps) {
  const words = useWords();
  const current = walk.here.receptacle?.notReached ?? null;
  const choose = (reason: (typeof notReachedReasons)[number]): void => {
    const isBack = reason === current;
    walk.record.statement(
      (receptacle) => [{ kind: 'not-reached', receptacle, reason: isBack ? null : reason }],
      isBack
        ? `${walk.here.name}: to be reached`
        : `Not reached: ${walk.here.name}, ${words.notReached[reason].toLowerCase()}`,
      !isBack,
    );
    onClose();
  };
  return (
    <div className={classes.sheet}>
      <ChoiceKeys
        legend="Why"
        isNumbered
        choices={notReachedReasons.map((reason) => [reason, words.notReached[reason]] as const)}
        chosen={(reason) => reason === current}
        onChoose={choose}
      />
      <p className={classes.soft}>It stands in the report by name, with this reason.</p>
    </div>
  );
}
