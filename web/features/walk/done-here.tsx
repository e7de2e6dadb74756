import { inOrder, type JobEntry, type Receptacle, withdrawnIn } from '@fair-plug/core/log';
import { type DoneKind, doneKinds, doneLine, doneTable } from '@fair-plug/core/words/english/done-lines.ts';
import { useMemo } from 'react';
import { useHouseTime } from '@/components/house-time';
import { PhotoPicture } from '@/components/photos/photo-picture';
import { useWords } from '@/components/region-words';
import classes from './done-here.module.css';
import type { SheetId } from './words';

type Done = Extract<JobEntry, { kind: DoneKind }>;

const isDone = (entry: JobEntry): entry is Done => (doneKinds as readonly string[]).includes(entry.kind);

/** Where it is looked at again. */
const sheetOf: Readonly<Partial<Record<Done['kind'], SheetId>>> = {
  'ground-fault-tested': 'ground-fault',
  'look-noted': 'visible-defects',
  'cover-off': 'cover-off',
  noted: 'note',
  'photo-taken': 'photos',
};

export interface DoneHereProps {
  readonly job: string;
  readonly receptacle: Receptacle;
  readonly entries: readonly JobEntry[];
  readonly photos: readonly Parameters<typeof PhotoPicture>[0]['photo'][];
  readonly onSheet: (sheet: SheetId) => void;
}

/** What was done at a receptacle, as far as it stands, in the order in which it was done. */
export function DoneHere({ job, receptacle, entries, photos, onSheet }: DoneHereProps) {
  const words = useWords();
  const lines = useMemo(() => doneTable(words, words.screens.walk.groundFaultTest), [words]);
  const time = useHouseTime();
  const { id, mergedFrom = [] } = receptacle;
  const own = [id, ...mergedFrom].join(' ');
  const done = useMemo(() => {
    const ids = new Set(own.split(' '));
    const { gone } = withdrawnIn(entries);
    const isHere = (entry: Done): boolean =>
      entry.kind === 'photo-taken'
        ? (entry.of === 'receptacle' || entry.of === 'box') && ids.has(entry.about ?? '')
        : ids.has(entry.receptacle);
    return entries
      .filter((entry): entry is Done => isDone(entry) && isHere(entry) && !gone.has(entry.id))
      .sort(inOrder);
  }, [entries, own]);
  if (done.length === 0) return null;
  return (
    <section className={classes.done} aria-label="Done here">
      <h4 className={classes.label}>Done here</h4>
      <ol>
        {done.map((entry) => {
          const photo =
            entry.kind === 'photo-taken' ? photos.find((one) => one.id === entry.photo) : undefined;
          const sheet = sheetOf[entry.kind];
          const line = photo?.caption ?? doneLine(lines, entry);
          return (
            <li key={entry.id}>
              <time dateTime={entry.at}>{time(entry.at, 'HH:mm')}</time>
              {sheet === undefined ? (
                <span>{line}</span>
              ) : (
                <button type="button" onClick={() => onSheet(sheet)}>
                  {photo !== undefined && (
                    <span className={classes.photo}>
                      <PhotoPicture job={job} photo={photo} version="small" alternative="" />
                    </span>
                  )}
                  {line}
                </button>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
