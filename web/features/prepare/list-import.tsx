import type { ListField, Mapping, ReadList, Rows } from '@fair-plug/core/exchange';
import { Button, FileButton, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Sheet } from '@/components/sheet';
import { useWholeWords } from '@/components/whole-words';
import type { Recorder } from '@/local/use-recorder';
import classes from './list-import.module.css';

type Exchange = typeof import('@fair-plug/core/exchange');
type ReadRows = Extract<Rows, { kind: 'rows' }>;

interface Opened {
  readonly exchange: Exchange;
  readonly file: string;
  readonly rows: ReadRows;
}

export interface ListImportProps {
  readonly record: Recorder;
}

/** Receptacles from a spreadsheet: which column is what, a look at what would be taken, and what is wrong by row. */
export function ListImport({ record }: ListImportProps) {
  const words = useWholeWords();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const open = async (file: File | null): Promise<void> => {
    if (file === null) return;
    const exchange = await import('@fair-plug/core/exchange');
    const rows = await exchange.rowsOf(file);
    setFailed(rows.kind === 'refused' ? words.listProblem(rows.problem) : null);
    setOpened(rows.kind === 'refused' ? null : { exchange, file: file.name, rows });
  };
  return (
    <div className={classes.offer}>
      <FileButton accept=".csv,.txt,.xlsx" onChange={open}>
        {(props) => (
          <Button variant="default" {...props}>
            {words.screens.prepare.listTitle(null)} (CSV, XLSX)
          </Button>
        )}
      </FileButton>
      {failed !== null && <p role="alert">{failed} Nothing was stored.</p>}
      <Sheet
        opened={opened !== null}
        title={words.screens.prepare.listTitle(opened?.file ?? null)}
        size="xl"
        onClose={() => setOpened(null)}
      >
        {opened !== null && (
          <Preview
            opened={opened}
            onTake={(receptacles) => {
              record((standing) => opened.exchange.statementsFor(receptacles, standing.house, v7));
              setOpened(null);
            }}
          />
        )}
      </Sheet>
    </div>
  );
}

/** So many rows and errors are shown; the rest is counted. */
const shownRows = 8;

interface PreviewProps {
  readonly opened: Opened;
  readonly onTake: (receptacles: ReadList['receptacles']) => void;
}

function Preview({ opened, onTake }: PreviewProps) {
  const words = useWholeWords();
  const { exchange, rows } = opened;
  const [mapping, setMapping] = useState<Mapping>(() => exchange.guessedMapping(rows.heading));
  const isMapped = mapping.room !== null && mapping.receptacle !== null;
  const read: ReadList = isMapped
    ? exchange.readReceptacleList(rows.rows, mapping)
    : { receptacles: [], errors: [] };
  const columns = rows.heading.map((name, index) => ({
    value: String(index),
    label: name.trim() === '' ? `Column ${index + 1}` : name,
  }));
  const map = (field: ListField, value: string): void =>
    setMapping({ ...mapping, [field]: value === '' ? null : Number(value) });
  return (
    <div className={classes.preview}>
      <div className={classes.mapping}>
        {exchange.listFields.map((field) => (
          <NativeSelect
            key={field}
            label={words.listFields[field]}
            value={mapping[field] === null ? '' : String(mapping[field])}
            data={[{ value: '', label: 'not in the list' }, ...columns]}
            onChange={(event) => map(field, event.currentTarget.value)}
          />
        ))}
      </div>
      {!isMapped && <p role="status">{words.screens.prepare.sayColumns}</p>}
      {read.errors.length > 0 && (
        <div role="alert">
          <p>
            <strong>{read.errors.length} cells cannot be taken.</strong> Their rows are left out.
          </p>
          <ul>
            {read.errors.slice(0, shownRows).map(({ row, field, value, problem }) => (
              <li key={`${row} ${field}`}>
                Row {row}, {words.listFields[field].toLowerCase()}
                {value !== '' && ` “${value}”`}: {words.rowProblem(problem)}
              </li>
            ))}
          </ul>
          {read.errors.length > shownRows && <p>… and {read.errors.length - shownRows} more</p>}
        </div>
      )}
      {read.receptacles.length > 0 && (
        <table className={classes.rows}>
          <caption>
            {words.screens.receptacles(read.receptacles.length)} would be taken; those here by the same room
            and name stay one.
          </caption>
          <tbody>
            {read.receptacles.slice(0, shownRows).map(({ room, name, type, breaker, place, note }) => (
              <tr key={`${room} ${name}`}>
                <th scope="row">{room}</th>
                <td>{name}</td>
                <td>{type}</td>
                <td>{breaker !== null && `breaker ${breaker}${place === null ? '' : `, place ${place}`}`}</td>
                <td>{note}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Button disabled={read.receptacles.length === 0} onClick={() => onTake(read.receptacles)}>
        Take {words.screens.receptacles(read.receptacles.length)}
      </Button>
    </div>
  );
}
