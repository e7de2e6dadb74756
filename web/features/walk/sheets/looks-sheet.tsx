import { lookFacts, looks } from '@fair-plug/core/conditions';
import { type House, whereIs } from '@fair-plug/core/inspection';
import { Button } from '@mantine/core';
import { ChoiceKeys } from '@/components/choice-keys';
import { Words } from '@/components/region-words';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** What is seen, felt or heard: each key is an entry at once. */
export function LooksSheet({ walk, onClose }: SheetProps) {
  const seen = walk.receptacle?.looks ?? [];
  return (
    <div className={classes.sheet}>
      <ChoiceKeys
        legend="Seen, felt or heard here"
        isNumbered
        choices={looks.map((look) => [look, lookFacts[look].name] as const)}
        chosen={(look) => seen.includes(look)}
        onChoose={(look) => {
          const isSeenIn = (house: House, id: string): boolean =>
            whereIs(house, id)?.receptacle.looks.includes(look) ?? false;
          walk.say(
            (receptacle, house) => [
              { kind: 'look-noted', receptacle, look, seen: !isSeenIn(house, receptacle) },
            ],
            (house, receptacle) =>
              `${walk.name}: ${isSeenIn(house, receptacle) ? '' : 'not '}${lookFacts[look].name.toLowerCase()}`,
          );
        }}
      />
      {seen.map((look) => (
        <p key={look} className={lookFacts[look].danger === null ? classes.caution : classes.strong}>
          <Words>{`${lookFacts[look].name}: ${lookFacts[look].why} ${lookFacts[look].correction}`}</Words>
        </p>
      ))}
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}
