import type { photoSizes } from '@fair-plug/core/knowledge';
import type { House, Photo } from '@fair-plug/core/log';
import { placeOfPhoto } from '@fair-plug/core/report';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { ChoiceKeys } from '@/components/choice-keys';
import { useHouseTime } from '@/components/house-time';
import { whenUsed } from '@/components/when-used';
import { useWholeWords } from '@/components/whole-words';
import type { Recorder } from '@/local/use-recorder';
import { PhotoPicture } from './photo-picture';
import classes from './photos.module.css';
import { SavedPhrase } from './saved-phrase';

const PhotoEditor = whenUsed(() => import('./photo-editor').then((one) => one.PhotoEditor));

const sizeWords = {
  usual: 'The first of its finding',
  large: 'Large',
  small: 'Small',
  'left-out': 'Left out',
} as const;
const sizes = ['usual', 'large', 'small', 'left-out'] as const satisfies readonly (
  | (typeof photoSizes)[number]
  | 'usual'
)[];

export interface PhotoDetailProps {
  readonly job: string;
  readonly house: House;
  readonly photo: Photo;
  /** Where it is. */
  readonly where: string;
  /** null for readers. */
  readonly record: Recorder | null;
  readonly onBack: () => void;
}

/** One photo: what it shows, how it stands in the report, what is drawn on it. */
export function PhotoDetail({ job, house, photo, where, record, onBack }: PhotoDetailProps) {
  const words = useWholeWords();
  const time = useHouseTime();
  const [isMarking, setMarking] = useState(false);
  const { id, size = null } = photo;
  const place = placeOfPhoto(house, photo);
  if (isMarking && record !== null)
    return <PhotoEditor job={job} photo={photo} record={record} onDone={() => setMarking(false)} />;
  const takeBack = (): void => {
    record?.(({ entries }) => [
      {
        kind: 'withdrawn',
        entries: entries.flatMap((entry) =>
          entry.kind === 'photo-taken' && entry.photo === id ? [entry.id] : [],
        ),
      },
    ]);
    onBack();
  };
  return (
    <section className={classes.photos} aria-label="Photo">
      <PhotoPicture
        job={job}
        photo={photo}
        version="whole"
        alternative={words.photos.alternative(photo, place)}
      />
      <p className={classes.soft}>
        {words.photos.of(place)} · {time(photo.takenAt, 'D MMM YYYY HH:mm')} · {where}
      </p>
      {record !== null && (
        <>
          <SavedPhrase
            label="Caption"
            longest={300}
            value={photo.caption ?? null}
            onSave={(caption) => record({ kind: 'photo-described', photo: id, caption })}
          />
          {(photo.of === 'receptacle' || photo.of === 'box') && photo.about !== undefined && (
            <ChoiceKeys
              legend="It shows"
              choices={[
                ['receptacle', place.name ?? 'It'],
                ['box', 'Inside its box'],
              ]}
              chosen={(one) => one === photo.of}
              onChoose={(of) => record({ kind: 'photo-described', photo: id, of, about: photo.about })}
            />
          )}
          <ChoiceKeys
            legend="In the report"
            choices={sizes.map((one) => [one, sizeWords[one]] as const)}
            chosen={(one) => one === (size ?? 'usual')}
            onChoose={(one) =>
              record({ kind: 'photo-described', photo: id, size: one === 'usual' ? null : one })
            }
          />
        </>
      )}
      <div className={classes.buttons}>
        <Button variant="default" onClick={onBack} data-autofocus>
          All photos
        </Button>
        {record !== null && (
          <>
            <Button variant="default" onClick={() => setMarking(true)}>
              Mark or blur …
            </Button>
            <Button variant="subtle" onClick={takeBack}>
              Take back
            </Button>
          </>
        )}
      </div>
    </section>
  );
}
