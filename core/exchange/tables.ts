import { houseTime, receptaclesOf } from '../log/index.ts';
import { type Report, workListOf } from '../report/index.ts';
import { wordsIn } from '../words/index.ts';

export type Cell = string | number | null;

/** A table for a spreadsheet. */
export interface Table {
  readonly name: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
}

/**
 * A text that no spreadsheet takes for a formula: one that begins like one gets an apostrophe in front (CWE-1236).
 */
export const harmless = (cell: Cell): Cell =>
  typeof cell === 'string' && /^\s*[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;

/** Every receptacle in the order of the walk, read or not. */
export function receptacleTable(report: Report): Table {
  const words = wordsIn(report.house.region);
  const known = new Map(receptaclesOf(report.house).map((one) => [one.id, one]));
  return {
    ...words.tables.receptacles,
    rows: report.rooms.flatMap((room) =>
      room.lines.map((line) => {
        const receptacle = known.get(line.id);
        return [
          room.name,
          line.name,
          receptacle?.type ? words.receptacleTypes[receptacle.type] : null,
          receptacle?.breaker ?? null,
          receptacle?.place ?? null,
          line.lamps === null ? null : words.lamps(line.lamps),
          line.verdict === null ? null : words.verdict(line.verdict).headline,
          line.findings.join(', ') || null,
          line.notReached === null ? null : words.notReached[line.notReached],
          receptacle?.protection.labels?.map((label) => words.labels[label]).join(', ') ?? null,
          line.readAt === null ? null : houseTime(report.house.timeZone ?? null, line.readAt),
          line.notes.join(' / ') || null,
          line.id,
        ];
      }),
    ),
  };
}

export const findingTable = (report: Report): Table => ({
  ...wordsIn(report.house.region).tables.findings,
  rows: report.findings.map((finding) => [
    finding.number,
    finding.urgency,
    finding.headline,
    finding.receptacles.map(({ name }) => name).join(', '),
    finding.what,
    finding.why,
    finding.correction,
    report.words.workers[finding.by],
    finding.proposal?.cause ? `${finding.proposal.cause.words}; ${finding.proposal.cause.where}` : null,
    finding.status,
    finding.flags.map((flag) => flag.words).join(' ') || null,
    finding.note,
  ]),
});

export const workTable = (report: Report): Table => ({
  ...wordsIn(report.house.region).tables.workList,
  rows: workListOf(report).map((line) => [
    line.room,
    line.receptacle,
    line.findings.join(', '),
    line.read,
    line.cause,
    line.openFirst,
    line.correction,
    line.retest,
    line.circuit,
  ]),
});

export const tablesOf = (report: Report) =>
  ({
    receptacles: receptacleTable(report),
    findings: findingTable(report),
    'work-list': workTable(report),
  }) as const;
export type TableId = keyof ReturnType<typeof tablesOf>;
export const tableIds = ['receptacles', 'findings', 'work-list'] as const satisfies readonly TableId[];
