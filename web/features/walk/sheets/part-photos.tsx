import type { PhotoSubject } from '@fair-plug/core/knowledge';
import { type House, photosAbout } from '@fair-plug/core/log';
import { Photos } from '@/components/photos/photos';
import { useRecorder } from '@/local/use-recorder';
import classes from './sheets.module.css';

export interface PartPhotosProps {
  readonly job: string;
  readonly house: House;
  readonly of: PhotoSubject;
  readonly about: string;
  readonly name: string;
}

/** Photos of a panel, a breaker, a switch or a spot, one press further. */
export function PartPhotos({ job, house, of, about, name }: PartPhotosProps) {
  const record = useRecorder(job);
  const count = photosAbout(house, of, about).length;
  return (
    <details className={classes.part}>
      <summary>
        Photos of {name}
        {count > 0 && ` · ${count}`}
      </summary>
      <Photos job={job} house={house} of={of} about={about} record={record} />
    </details>
  );
}
