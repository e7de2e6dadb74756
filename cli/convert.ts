import { readFile, writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { assess, HouseJudge } from '@fair-plug/core/assessment';
import {
  csvOf,
  guessedMapping,
  type JobFile,
  parseJobText,
  readReceptacleList,
  rowsOf,
  statementsFor,
  type TableId,
  tableIds,
  tablesOf,
  workbookOf,
  writeJobFile,
} from '@fair-plug/core/exchange';
import { foldHouse, type JobEntry, type JobStatement } from '@fair-plug/core/log';
import { enUs, problemInWords, reportOn } from '@fair-plug/core/words';
import { v7 } from 'uuid';
import type { CommandResult } from './result.ts';

export const convertUsage = `fairplug convert FILE --to job|${tableIds.join('|')}|xlsx [--output FILE]
  A job file becomes a table as CSV, all tables as one workbook (xlsx, which needs --output), or the same job in its one
  order. A list of receptacles (CSV or XLSX) becomes a new job.`;

const refused = (message: string): CommandResult => ({ kind: 'refused', message });

/** Errors of a list beyond these help nobody. */
const shownErrors = 10;

/** A new job from a list of receptacles, or what is wrong with the list. */
async function jobOfList(file: Blob, now: Date): Promise<JobFile | string> {
  const read = await rowsOf(file);
  if (read.kind === 'refused') return enUs.listProblem(read.problem);
  const mapping = guessedMapping(read.heading);
  if (mapping.room === null || mapping.receptacle === null)
    return 'the heading names no column for the room and the receptacle';
  const { receptacles, errors } = readReceptacleList(read.rows, mapping);
  if (errors.length > 0)
    return errors
      .slice(0, shownErrors)
      .map(
        ({ row, field, value, problem }) =>
          `row ${row}, ${field} ${JSON.stringify(value)}: ${enUs.rowProblem(problem)}`,
      )
      .join('\n');
  const statements: readonly JobStatement[] = [
    { kind: 'job-described' },
    ...statementsFor(receptacles, foldHouse([]), v7),
  ];
  const [device, author] = [v7(), v7()];
  const at = now.toISOString();
  return {
    job: v7(),
    authors: {},
    links: [],
    // Ids made one after another keep the order of the list.
    entries: statements.map((one): JobEntry => ({ id: v7(), device, author, at, ...one })),
  };
}

/** All tables of a job, with the engine's last word on it. */
function tablesIn({ entries }: JobFile) {
  const house = foldHouse(entries);
  const judging = new HouseJudge().judging(house, []);
  let step = judging.next();
  while (!step.done) step = judging.next();
  return tablesOf(reportOn(assess(house, step.value)));
}

async function jobIn(bytes: Uint8Array<ArrayBuffer>): Promise<JobFile | string> {
  const blob = new Blob([bytes]);
  const head = (await blob.slice(0, 64).text()).replace(/^\uFEFF/, '').trimStart();
  if (!head.startsWith('{')) return jobOfList(blob, new Date());
  const parsed = parseJobText(await blob.text());
  return parsed.kind === 'problems' ? problemInWords(parsed.problems[0]) : parsed.value;
}

async function contentOf(job: JobFile, to: string): Promise<string | Uint8Array> {
  if (to === 'job') return writeJobFile(job);
  const tables = tablesIn(job);
  if (to !== 'xlsx') return csvOf(tables[to as TableId]);
  return new Uint8Array(await (await workbookOf(Object.values(tables))).arrayBuffer());
}

/** Job files into tables, tables into job files. Nothing is written where anything is wrong. */
export async function convert(args: readonly string[]): Promise<CommandResult> {
  let values: { to?: string | undefined; output?: string | undefined };
  let files: readonly string[];
  try {
    const parsed = parseArgs({
      args: [...args],
      options: { to: { type: 'string' }, output: { type: 'string' } },
      allowPositionals: true,
    });
    values = parsed.values;
    files = parsed.positionals;
  } catch (error) {
    return refused(`${error instanceof Error ? error.message : ''}\n${convertUsage}`);
  }
  const { to, output } = values;
  const [file] = files;
  if (
    file === undefined ||
    files.length > 1 ||
    to === undefined ||
    !['job', 'xlsx', ...tableIds].includes(to)
  )
    return refused(convertUsage);
  if (to === 'xlsx' && output === undefined) return refused('a workbook needs --output FILE');
  let bytes: Uint8Array<ArrayBuffer>;
  try {
    bytes = new Uint8Array(await readFile(file));
  } catch (error) {
    const reason = error instanceof Error && 'code' in error ? String(error.code) : 'unreadable';
    return refused(`${file} cannot be read (${reason})`);
  }
  const job = await jobIn(bytes);
  if (typeof job === 'string') return refused(`${file}: ${job}`);
  const content = await contentOf(job, to);
  if (output === undefined) return { kind: 'answered', text: String(content) };
  try {
    await writeFile(output, content);
  } catch (error) {
    const reason = error instanceof Error && 'code' in error ? String(error.code) : 'not writable';
    return refused(`${output} cannot be written (${reason})`);
  }
  return { kind: 'answered', text: '' };
}
