import { IconCamera } from '@tabler/icons-react';
import { type ChangeEvent, memo, useRef, useState } from 'react';
import { filesOf, photoTypes, takenWords } from '@/components/photos/photo-files';
import { useTakeHere } from './use-take-here';
import type { Walk, WalkRecord } from './use-walk';

export interface CameraKeyProps extends Pick<WalkRecord, 'canRecord' | 'statement'> {
  readonly job: string;
  /** Of the receptacle in hand. */
  readonly name: string;
  readonly className: string | undefined;
  /** Beside the camera; left out where there is no room for it. */
  readonly words?: string;
}

/** What a photo taken now is of. */
export const photographed = (job: string, { here: { name }, record: { canRecord, statement } }: Walk) => ({
  job,
  name,
  canRecord,
  statement,
});

/** One tap to the camera and back: a photo of the receptacle in hand. */
export const CameraKey = memo(function CameraKey({
  job,
  name,
  canRecord,
  statement,
  className,
  words,
}: CameraKeyProps) {
  const take = useTakeHere(job, name, statement);
  const camera = useRef<HTMLInputElement>(null);
  const [refusal, setRefusal] = useState('');
  const choose = (event: ChangeEvent<HTMLInputElement>): void => {
    const files = filesOf(event);
    if (files.length === 0 || take === null) return;
    setRefusal('');
    take('receptacle', files).then(
      (taken) => setRefusal(taken.refused.length === 0 ? '' : takenWords(taken)),
      () => setRefusal('The photo was not kept: this device could not store it.'),
    );
  };
  return (
    <>
      <button
        type="button"
        className={className}
        disabled={take === null || !canRecord}
        aria-label={`Photo of ${name}`}
        onClick={() => camera.current?.click()}
      >
        <IconCamera size={22} aria-hidden /> {words}
      </button>
      <input ref={camera} type="file" hidden accept={photoTypes} capture="environment" onChange={choose} />
      {refusal !== '' && <p role="alert">{refusal}</p>}
    </>
  );
});
