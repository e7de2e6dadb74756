import type { PhotoSubject } from '@fair-plug/core/knowledge';
import { photosAbout } from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { ChoiceKeys } from '@/components/choice-keys';
import { Photos } from '@/components/photos/photos';
import { useRecorder } from '@/local/use-recorder';
import { useTakeHere } from '../use-take-here';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** Photos of the receptacle in hand, of its box, of its room, of the house. */
export function PhotosSheet({ job, house, walk, onClose }: SheetProps) {
  const record = useRecorder(job);
  const takeHere = useTakeHere(job, walk.here.name, walk.record.statement);
  const [of, setOf] = useState<PhotoSubject>('receptacle');
  const { room, receptacle, name } = walk.here;
  const subjects = [
    ['receptacle', name],
    ['box', 'Inside its box'],
    ['room', room?.name ?? ''],
    ['house', 'The house'],
  ] as const satisfies readonly (readonly [PhotoSubject, string])[];
  const aboutOf = (subject: PhotoSubject): string | undefined =>
    subject === 'house' ? undefined : subject === 'room' ? room?.id : receptacle?.id;
  const isAtPlace = of === 'receptacle' || of === 'box';
  return (
    <div className={classes.sheet}>
      <ChoiceKeys
        legend="Photos of"
        choices={subjects.map(([subject, words]) => {
          const about = aboutOf(subject);
          const count =
            subject === 'house' || about !== undefined ? photosAbout(house, subject, about).length : 0;
          return [subject, count === 0 ? words : `${words} · ${count}`];
        })}
        chosen={(subject) => subject === of}
        onChoose={setOf}
      />
      <Photos
        key={of}
        job={job}
        house={house}
        of={of}
        about={isAtPlace && receptacle === null ? 'not there yet' : aboutOf(of)}
        record={record}
        {...(isAtPlace && takeHere !== null
          ? { onFiles: (files: readonly File[]) => takeHere(of, files) }
          : {})}
      />
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}
