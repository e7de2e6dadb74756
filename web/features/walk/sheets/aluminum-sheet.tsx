import { type AluminumPlace, aluminumPlaces } from '@fair-plug/core/knowledge';
import { Button, SegmentedControl } from '@mantine/core';
import { MetalEnds } from '@/components/metal-ends';
import { SavedNumber } from '@/components/saved-fields';
import { useWholeWords } from '@/components/whole-words';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

const foundAs = { seen: true, 'not-found': false, 'not-looked': null } as const;
type Answer = keyof typeof foundAs;

/** Where aluminum was seen, and where it was looked for and not found: what the conclusion rests on. */
export function AluminumSheet({ house, walk, onClose }: SheetProps) {
  const words = useWholeWords();
  const sought = house.parts?.aluminumSought ?? {};
  const say = (place: AluminumPlace, answer: Answer, jacketYear?: number): void =>
    walk.record.ofHouse(`${words.parts.aluminumPlaces[place]}: ${answer.replace('-', ' ')}`, {
      kind: 'aluminum-sought',
      place,
      found: foundAs[answer],
      ...(jacketYear === undefined ? {} : { jacketYear }),
    });
  return (
    <div className={classes.sheet}>
      <MetalEnds />
      {aluminumPlaces.map((place) => {
        const known = sought[place];
        const answer: Answer = known === undefined ? 'not-looked' : known.found ? 'seen' : 'not-found';
        return (
          <div key={place} className={classes.check}>
            <span>In {words.parts.aluminumPlaces[place]}</span>
            <SegmentedControl
              aria-label={`In ${words.parts.aluminumPlaces[place]}`}
              size="md"
              data={[
                { value: 'seen', label: 'Seen' },
                { value: 'not-found', label: 'Not found' },
                { value: 'not-looked', label: 'Not looked' },
              ]}
              value={answer}
              onChange={(to) => say(place, to as Answer)}
            />
            {known !== undefined && (
              <SavedNumber
                label="Year on the jacket"
                least={1700}
                most={2100}
                value={known.jacketYear ?? null}
                onSave={(year) => say(place, answer, year ?? undefined)}
              />
            )}
          </div>
        );
      })}
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}
