import type { PhotoSubject } from '@fair-plug/core/knowledge';
import { type House, type Photo, photosAbout } from '@fair-plug/core/log';
import { placeOfPhoto } from '@fair-plug/core/report';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { useWholeWords } from '@/components/whole-words';
import type { TakenPhotos } from '@/local/photos/take-photos';
import { type PhotoWhere, usePhotoStates } from '@/local/photos/use-photo-state';
import { useTakePhotos } from '@/local/photos/use-take-photos';
import type { Recorder } from '@/local/use-recorder';
import { type Move, moved, SortableList, SortableRow } from '../sortable-list';
import { PhotoDetail } from './photo-detail';
import { takenWords } from './photo-files';
import { PhotoPicture } from './photo-picture';
import classes from './photos.module.css';
import { SpaceLeft } from './space-left';
import { TakePhotos } from './take-photos';

export interface PhotosProps {
  readonly job: string;
  readonly house: House;
  readonly of: PhotoSubject;
  /** The id of what they are of; left out for the house. */
  readonly about?: string | undefined;
  /** null for readers. */
  readonly record: Recorder | null;
  /** Takes them in place of this list: where what they are of is to be described first. */
  readonly onFiles?: (files: readonly File[]) => Promise<TakenPhotos>;
}

/** Where a photo is, in words: one of three, or why the server refuses it. */
export function whereWords(where: PhotoWhere | undefined): string {
  switch (where?.kind) {
    case 'here':
      return '◐ saved here, to send';
    case 'sending':
      return `◔ sending, ${Math.round(100 * where.share)} %`;
    case 'refused':
      return `▲ refused: ${where.why}`;
    default:
      return '● on the server';
  }
}

/** Photos of one thing: to take, to look at, to describe, to put in order. */
export function Photos({ job, house, of, about, record, onFiles }: PhotosProps) {
  const take = useTakePhotos(job);
  const states = usePhotoStates(job);
  const [isBusy, setBusy] = useState(false);
  const [notice, setNotice] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const photos = photosAbout(house, of, about);
  const shown = photos.find(({ id }) => id === open) ?? null;
  const add = async (files: readonly File[]): Promise<void> => {
    if (take === null) return;
    setBusy(true);
    setNotice(`Making ${files.length === 1 ? 'the photo' : `${files.length} photos`} ready …`);
    try {
      const subject = { of, ...(about === undefined ? {} : { about }) };
      setNotice(takenWords(await (onFiles ?? ((chosen) => take(subject, chosen)))(files)));
    } catch {
      setNotice('Not kept: this device could not store it. Free some space and add it again.');
    } finally {
      setBusy(false);
    }
  };
  if (shown !== null)
    return (
      <PhotoDetail
        job={job}
        house={house}
        photo={shown}
        where={whereWords(states.get(shown.hash))}
        record={record}
        onBack={() => setOpen(null)}
      />
    );
  return (
    <section className={classes.photos} aria-label="Photos">
      {take !== null && <TakePhotos isDisabled={isBusy} onFiles={(files) => void add(files)} />}
      <p role="status" className={classes.soft}>
        {notice}
      </p>
      <SpaceLeft />
      <PhotoList {...{ job, house, of, about, record, photos }} onOpen={setOpen} />
    </section>
  );
}

interface PhotoListProps extends Omit<PhotosProps, 'onFiles'> {
  readonly photos: readonly Photo[];
  readonly onOpen: (id: string) => void;
}

function PhotoList({ job, house, of, about, record, photos, onOpen }: PhotoListProps) {
  const words = useWholeWords();
  const states = usePhotoStates(job);
  const nameOf = (photo: Photo): string => photo.caption ?? words.photos.of(placeOfPhoto(house, photo));
  const move = (to: Move): void =>
    record?.(({ house: standing }) => [
      {
        kind: 'photos-ordered',
        photos: moved(
          photosAbout(standing, of, about).map(({ id }) => id),
          to,
        ),
      },
    ]);
  if (photos.length === 0) return null;
  return (
    <SortableList
      id={`photos ${of} ${about ?? ''}`}
      thing="photo"
      items={photos.map((photo) => ({ id: photo.id, name: nameOf(photo) }))}
      isFixed={record === null || photos.length < 2}
      onMove={move}
    >
      <ol className={classes.list}>
        {photos.map((photo, index) => (
          <SortableRow
            key={photo.id}
            id={photo.id}
            name={nameOf(photo)}
            isFixed={record === null || photos.length < 2}
            className={classes.row}
          >
            <Button
              variant="subtle"
              className={classes.open ?? ''}
              aria-label={`Photo ${index + 1}: ${nameOf(photo)}`}
              onClick={() => onOpen(photo.id)}
            >
              <PhotoPicture job={job} photo={photo} version="small" alternative="" />
            </Button>
            <span>
              {photo.caption ?? <em>No caption</em>}
              <small>{whereWords(states.get(photo.hash))}</small>
            </span>
          </SortableRow>
        ))}
      </ol>
    </SortableList>
  );
}
