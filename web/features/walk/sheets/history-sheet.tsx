import { inOrder, type JobEntry, withdrawnIn } from '@fair-plug/core/log';
import { describedAnew, entryLine, type Words } from '@fair-plug/core/words';
import { Button } from '@mantine/core';
import { useHouseTime } from '@/components/house-time';
import { useWholeWords } from '@/components/whole-words';
import { useLocal } from '@/local/local-store';
import { useDevice } from '@/local/use-device';
import { useKit } from '@/local/use-logs';
import { useNames } from '@/local/use-names';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

type Said = Exclude<JobEntry, { kind: 'withdrawn' }>;

/** What each entry says; of a description, what it says that the one before it did not. */
function linesOf(inTurn: readonly Said[], words: Words): ReadonlyMap<string, string> {
  let before: Extract<Said, { kind: 'receptacle-described' }> | null = null;
  return new Map(
    inTurn.map((entry): [string, string] => {
      if (entry.kind !== 'receptacle-described') return [entry.id, entryLine(words.entries, entry)];
      const line =
        before === null
          ? entryLine(words.entries, entry)
          : (describedAnew(words, entry, before) ?? 'Described the same once more');
      before = { ...before, ...entry };
      return [entry.id, line];
    }),
  );
}

/** All that was ever entered at the receptacle: when, by whom, with which tester; each can be taken back, and put back. */
export function HistorySheet({ walk, house, entries }: SheetProps) {
  const words = useWholeWords();
  const { nameOf } = useNames();
  const device = useDevice();
  const kit = useKit();
  const { identity } = useLocal();
  const time = useHouseTime();
  if (walk.here.receptacle === null) return <p>Nothing was entered here yet.</p>;
  const { id, mergedFrom = [] } = walk.here.receptacle;
  const { gone, by } = withdrawnIn(entries);
  const withdrawalsOf = (entry: JobEntry) => by.filter((one) => one.entries.includes(entry.id));
  // What somebody else entered is theirs to take back, or an owner's.
  const mayTakeBack = (all: readonly { readonly author: string }[]): boolean =>
    walk.record.canRecord &&
    (identity.firm.role === 'owner' || all.every(({ author }) => author === identity.person.id));
  const about = entries
    .filter(
      (entry): entry is Said =>
        ('receptacle' in entry && (entry.receptacle === id || mergedFrom.includes(entry.receptacle))) ||
        (entry.kind === 'lost-power' && (entry.outlet === id || mergedFrom.includes(entry.outlet))),
    )
    .sort(inOrder);
  const lines = linesOf(about, words);
  const testers = new Map(kit.kind === 'loaded' ? kit.testers.map((one) => [one.id, one.name]) : []);
  const who = (entry: JobEntry): string =>
    [
      nameOf(entry.author) ?? house.authors?.[entry.author] ?? 'a colleague',
      entry.device === device ? 'this device' : 'another device',
      ...('tester' in entry && entry.tester !== undefined ? [testers.get(entry.tester) ?? 'a tester'] : []),
    ].join(' · ');
  return (
    <ol className={classes.history}>
      {about.toReversed().map((entry) => (
        <li key={entry.id} data-withdrawn={gone.has(entry.id)}>
          <span>
            {lines.get(entry.id)}
            <small>
              {time(entry.at, 'D MMM HH:mm:ss')} · {who(entry)}
            </small>
          </span>
          {mayTakeBack(gone.has(entry.id) ? withdrawalsOf(entry) : [entry]) && (
            <Button
              size="compact-sm"
              variant="default"
              onClick={() =>
                walk.record.ofHouse(
                  `${gone.has(entry.id) ? 'Put back' : 'Taken back'}: ${lines.get(entry.id)}`,
                  {
                    kind: 'withdrawn',
                    entries: gone.has(entry.id) ? withdrawalsOf(entry).map(({ id }) => id) : [entry.id],
                  },
                )
              }
            >
              {gone.has(entry.id) ? 'Put back' : 'Take back'}
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
