import type { ChangeEvent } from 'react';
import type { TakenPhotos } from '@/local/photos/take-photos';

/** What browsers make a picture of by themselves. */
export const photoTypes = 'image/jpeg,image/png,image/webp';

/** Files that somebody chose, and the field ready for the same ones again. */
export function filesOf(event: ChangeEvent<HTMLInputElement>): readonly File[] {
  const files = [...(event.currentTarget.files ?? [])];
  event.currentTarget.value = '';
  return files;
}

const reasons: Readonly<Record<TakenPhotos['refused'][number]['why'], string>> = {
  'not-decoded':
    'this browser cannot read it. Save it as a JPEG, or set the camera to its most compatible format, and add it again; the file itself is untouched',
  'too-large': 'it has more than 52 million pixels. Take it with a smaller size, or make it smaller',
  'too-many': 'no more than 30 are taken at a time. Add it again',
  'no-room': 'this device has no room left for photos. Free some space and add it again',
};

/** What became of files that were chosen: "2 photos kept. x.heic was not taken: …" */
export function takenWords({ taken, refused }: TakenPhotos): string {
  const kept = taken === 0 ? '' : taken === 1 ? 'Photo kept.' : `${taken} photos kept.`;
  return [kept, ...refused.map(({ name, why }) => `${name} was not taken: ${reasons[why]}.`)]
    .filter((part) => part !== '')
    .join(' ');
}
