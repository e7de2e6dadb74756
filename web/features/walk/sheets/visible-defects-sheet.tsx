import { defectFacts, looks } from '@fair-plug/core/knowledge';
import { type House, whereIs } from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { ChoiceKeys } from '@/components/choice-keys';
import { useWords } from '@/components/region-words';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** What is seen, felt or heard: each key is an entry at once. */
export function VisibleDefectsSheet({ walk, onClose }: SheetProps) {
  const words = useWords();
  const seen = walk.here.receptacle?.looks ?? [];
  return (
    <div className={classes.sheet}>
      <ChoiceKeys
        legend="Seen, felt or heard here"
        isNumbered
        choices={looks.map((look) => [look, words.looks[look].name] as const)}
        chosen={(look) => seen.includes(look)}
        onChoose={(look) => {
          const isSeenIn = (house: House, id: string): boolean =>
            whereIs(house, id)?.receptacle.looks.includes(look) ?? false;
          walk.record.statement(
            (receptacle, house) => [
              { kind: 'look-noted', receptacle, look, seen: !isSeenIn(house, receptacle) },
            ],
            (house, receptacle) =>
              `${walk.here.name}: ${isSeenIn(house, receptacle) ? '' : 'not '}${words.looks[look].name.toLowerCase()}`,
          );
        }}
      />
      {seen.map((look) => (
        <p key={look} className={defectFacts[look].danger === null ? classes.caution : classes.strong}>
          {`${words.looks[look].name}: ${words.looks[look].why} ${words.looks[look].correction}`}
        </p>
      ))}
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}
