import { lookFacts, reasonWords } from '@fair-plug/core/conditions';
import type { JobEntry } from '@fair-plug/core/inspection';
import { inOrder } from '@fair-plug/core/inspection';
import { lampsInWords } from '@fair-plug/core/instruments';
import { instrumentWords, valuesOf } from '@fair-plug/core/judgement';
import { Button } from '@mantine/core';
import dayjs from 'dayjs';
import { useDevice, useKit } from '@/local/use-logs';
import { useNames } from '@/local/use-names';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

type Said = Exclude<JobEntry, { kind: 'withdrawn' }>;

function wordsOf(entry: Said): string {
  switch (entry.kind) {
    case 'lamps-read':
      return `Lamps: ${lampsInWords(entry.lamps)}`;
    case 'reading-taken':
      return `${instrumentWords[entry.shown.instrument].name}: ${valuesOf({ at: '', ...entry.shown })
        .map(([name, value]) => `${name} ${value}`)
        .join(', ')}`;
    case 'receptacle-described':
      return `Described as ${entry.name}`;
    case 'receptacle-fed':
      return entry.breaker === null ? 'Breaker not known' : `On breaker ${entry.breaker}`;
    case 'receptacle-merged':
      return 'Merged into another';
    case 'look-noted':
      return `${entry.seen ? '' : 'Not '}${lookFacts[entry.look].name.toLowerCase()}`;
    case 'not-reached':
      return entry.reason === null
        ? 'To be reached'
        : `Not reached: ${reasonWords[entry.reason].toLowerCase()}`;
    case 'ground-fault-tested':
      return `Ground-fault test, ${entry.by.replace('-', ' ')}: ${entry.result.replaceAll('-', ' ')}${
        entry.heldSeconds === undefined ? '' : `, held ${entry.heldSeconds} s`
      }`;
    case 'people-warned':
      return 'People were warned';
    case 'noted':
      return `Note: ${entry.text}`;
    case 'cover-off':
      return 'Seen with the cover off';
    case 'protection-noted':
      return 'Labels, reset or device';
    default:
      return entry.kind;
  }
}

/** All that was ever entered at the receptacle: when, by whom, with which tester; each can be taken back. */
export function HistorySheet({ walk, entries }: SheetProps) {
  const { nameOf } = useNames();
  const device = useDevice();
  const kit = useKit();
  if (walk.receptacle === null) return <p>Nothing was entered here yet.</p>;
  const { id, mergedFrom = [] } = walk.receptacle;
  const gone = new Set(entries.flatMap((entry) => (entry.kind === 'withdrawn' ? entry.entries : [])));
  const about = entries
    .filter(
      (entry): entry is Said & { readonly receptacle: string } =>
        'receptacle' in entry && (entry.receptacle === id || mergedFrom.includes(entry.receptacle)),
    )
    .sort(inOrder)
    .reverse();
  const testers = new Map(kit.kind === 'loaded' ? kit.testers.map((one) => [one.id, one.name]) : []);
  const who = (entry: JobEntry): string =>
    [
      nameOf(entry.author) ?? 'a colleague',
      entry.device === device ? 'this device' : 'another device',
      ...('tester' in entry && entry.tester !== undefined ? [testers.get(entry.tester) ?? 'a tester'] : []),
    ].join(' · ');
  return (
    <ol className={classes.history}>
      {about.map((entry) => (
        <li key={entry.id} data-withdrawn={gone.has(entry.id)}>
          <span>
            {wordsOf(entry)}
            <small>
              {dayjs(entry.at).format('D MMM HH:mm:ss')} · {who(entry)}
            </small>
          </span>
          {!gone.has(entry.id) && walk.canRecord && (
            <Button
              size="compact-sm"
              variant="default"
              onClick={() =>
                walk.tell(`Taken back: ${wordsOf(entry)}`, { kind: 'withdrawn', entries: [entry.id] })
              }
            >
              Take back
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
