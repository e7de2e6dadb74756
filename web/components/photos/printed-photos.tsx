import type { PrintedPhoto } from '@fair-plug/core/report';
import { createContext, useContext, useState } from 'react';
import { useHouseTime } from '@/components/house-time';
import { useWholeWords } from '@/components/whole-words';
import { useLocal } from '@/local/local-store';
import { PhotoPicture } from './photo-picture';
import classes from './printed-photos.module.css';

/** The job whose photos are printed; null: there are no pictures to be had, as in a test of what is said. */
export const PrintedJob = createContext<string | null>(null);

/** Photos as they leave the firm: the server burns in what is blurred and draws what is drawn. */
export function PrintedPhotos({ photos }: { readonly photos: readonly PrintedPhoto[] }) {
  const words = useWholeWords();
  const time = useHouseTime();
  const job = useContext(PrintedJob);
  if (photos.length === 0) return null;
  return (
    <div className={classes.photos}>
      {photos.map((printed) => {
        const { photo, place, size } = printed;
        const where = words.photos.of(place);
        return (
          <figure key={photo.id} className={classes.photo} data-size={size}>
            {job !== null && (
              <Leaving job={job} printed={printed} alternative={words.photos.alternative(photo, place)} />
            )}
            <figcaption>
              {photo.caption !== null && photo.caption !== undefined && <strong>{photo.caption} </strong>}
              {where}, {time(photo.takenAt, 'D MMM YYYY HH:mm')}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}

interface LeavingProps {
  readonly job: string;
  readonly printed: PrintedPhoto;
  readonly alternative: string;
}

/** From the server; on screen without one, as this device has it. */
function Leaving({ job, printed: { photo, size }, alternative }: LeavingProps) {
  const { api } = useLocal();
  const [isAway, setAway] = useState(false);
  const { id, width, height } = photo;
  if (isAway)
    return (
      <div className="screen-only">
        <PhotoPicture job={job} photo={photo} version="whole" alternative={alternative} />
      </div>
    );
  return (
    // biome-ignore lint/performance/noImgElement: made by the server for this page, nothing to optimize
    <img
      // What is drawn on it is part of the address: drawn anew, it is fetched anew.
      src={`${api.leavingAddress(job, id, size)}&marks=${photo.marks.length}`}
      alt={alternative}
      width={width}
      height={height}
      onError={() => setAway(true)}
    />
  );
}
