import { Button } from '@mantine/core';
import { IconCamera, IconPhotoPlus } from '@tabler/icons-react';
import { type ChangeEvent, useRef } from 'react';
import { filesOf, photoTypes } from './photo-files';

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
