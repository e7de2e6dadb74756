import { Button } from '@mantine/core';
import { IconCamera, IconPhotoPlus } from '@tabler/icons-react';
import { type ChangeEvent, useRef } from 'react';
import type { TakenPhotos } from '@/local/photos/use-take-photos';

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
  'no-room': 'this device has no room left for photos. Free some space and add it again',
};

/** What became of files that were chosen: "2 photos kept. x.heic was not taken: …" */
export function takenWords({ taken, refused }: TakenPhotos): string {
  const kept = taken === 0 ? '' : taken === 1 ? 'Photo kept.' : `${taken} photos kept.`;
  return [kept, ...refused.map(({ name, why }) => `${name} was not taken: ${reasons[why]}.`)]
    .filter((part) => part !== '')
    .join(' ');
}

export interface TakePhotosProps {
  readonly isDisabled: boolean;
  readonly onFiles: (files: readonly File[]) => void;
}

/** The camera, and files that are there already. */
export function TakePhotos({ isDisabled, onFiles }: TakePhotosProps) {
  const camera = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const choose = (event: ChangeEvent<HTMLInputElement>): void => {
    const chosen = filesOf(event);
    if (chosen.length > 0) onFiles(chosen);
  };
  return (
    <Button.Group>
      <Button
        variant="default"
        size="md"
        disabled={isDisabled}
        leftSection={<IconCamera size={20} aria-hidden />}
        onClick={() => camera.current?.click()}
      >
        Camera
      </Button>
      <Button
        variant="default"
        size="md"
        disabled={isDisabled}
        leftSection={<IconPhotoPlus size={20} aria-hidden />}
        onClick={() => files.current?.click()}
      >
        From files
      </Button>
      <input
        ref={camera}
        type="file"
        hidden
        accept={photoTypes}
        capture="environment"
        aria-label="Take a photo"
        onChange={choose}
      />
      <input
        ref={files}
        type="file"
        hidden
        multiple
        accept={photoTypes}
        aria-label="Add photos"
        onChange={choose}
      />
    </Button.Group>
  );
}
