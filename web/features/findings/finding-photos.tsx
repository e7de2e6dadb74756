import type { Finding } from '@fair-plug/core/findings';
import type { House } from '@fair-plug/core/log';
import { isOfFinding, placeOfPhoto } from '@fair-plug/core/report';
import { useState } from 'react';
import { PhotoDetail } from '@/components/photos/photo-detail';
import { PhotoPicture } from '@/components/photos/photo-picture';
import { whereWords } from '@/components/photos/photos';
import { Sheet } from '@/components/sheet';
import { useWholeWords } from '@/components/whole-words';
import { usePhotoStates } from '@/local/photos/use-photo-state';
import type { Recorder } from '@/local/use-recorder';
import classes from './findings.module.css';

export interface FindingPhotosProps {
  readonly job: string;
  readonly house: House;
  readonly finding: Finding;
  /** null for readers. */
  readonly record: Recorder | null;
}

/** Photos of what a finding is about: small, and large when one is opened. */
export function FindingPhotos({ job, house, finding, record }: FindingPhotosProps) {
  const words = useWholeWords();
  const states = usePhotoStates(job);
  const [open, setOpen] = useState<string | null>(null);
  const photos = (house.photos ?? []).filter((photo) => isOfFinding(photo, finding));
  const shown = photos.find(({ id }) => id === open) ?? null;
  if (photos.length === 0) return null;
  return (
    <>
      <ul className={classes.photos} aria-label="Photos">
        {photos.map((photo) => (
          <li key={photo.id}>
            <button type="button" onClick={() => setOpen(photo.id)}>
              <PhotoPicture
                job={job}
                photo={photo}
                version="small"
                alternative={words.photos.alternative(photo, placeOfPhoto(house, photo))}
              />
              <small>{photo.caption ?? words.photos.of(placeOfPhoto(house, photo))}</small>
            </button>
          </li>
        ))}
      </ul>
      <Sheet opened={shown !== null} title="Photo" onClose={() => setOpen(null)}>
        {shown !== null && (
          <PhotoDetail
            job={job}
            house={house}
            photo={shown}
            where={whereWords(states.get(shown.hash))}
            record={record}
            onBack={() => setOpen(null)}
          />
        )}
      </Sheet>
    </>
  );
}
