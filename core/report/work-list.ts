import { evidenceAt, type Finding, openFirstFor } from '../findings/index.ts';
import type { Lamps } from '../instruments/index.ts';
import { type House, type Receptacle, receptaclesOf } from '../log/index.ts';
import type { Report } from './report.ts';
import type { ReportLanguage } from './report-texts.ts';

/** What the electrician needs at one box. */
export interface WorkLine {
  readonly room: string;
  readonly receptacle: string;
  readonly id: string;
  /** Numbers of the findings it belongs to. */
  readonly findings: readonly number[];
  readonly lamps: Lamps | null;
  /** What other instruments showed, and what was seen. */
  readonly read: string;
  readonly cause: string;
  /** Null where nothing is opened. */
  readonly openFirst: string | null;
  readonly correction: string;
  readonly retest: string | null;
  /** The breaker, where that was found out, and it with what else hangs on it. */
  readonly breaker: string | null;
  readonly circuit: string | null;
}

const joined = (parts: readonly (string | null | undefined)[], by: string): string =>
  [...new Set(parts.filter((part) => part))].join(by);

const causeIn = (
  { proposal, headline, condition, isSuspected }: Finding,
  { conditions }: ReportLanguage,
): string =>
  proposal?.cause?.words ?? (condition === null || isSuspected ? headline : conditions[condition].name);

function openFirst({ proposal, condition }: Finding, house: House, words: ReportLanguage): string | null {
  if (proposal !== null) return proposal.cause?.where || proposal.openFirst;
  return condition === null ? words.readingFindings.openFirst : openFirstFor(condition, house, words);
}

/** Where to open first for several findings: no box is said only where none of them names one. */
function allToOpen(findings: readonly Finding[], house: House, words: ReportLanguage): string | null {
  const places = findings.flatMap((finding) => openFirst(finding, house, words) ?? []);
  const boxes = places.filter((place) => !words.report.isNoBox(place));
  return joined(boxes.length > 0 ? boxes : places, '; ') || null;
}

const retestOf = ({ proposal, condition }: Finding, { conditions }: ReportLanguage): string | null => {
  if (proposal !== null) return proposal.retest;
  return condition === null ? null : conditions[condition].retest;
};

/** What is to be done where no receptacle is: at a panel, a switch, a light; a line for each. */
function elsewhere(work: readonly Finding[], { words, house }: Report): readonly WorkLine[] {
  const byPlace = new Map<string, Finding[]>();
  for (const finding of work) {
    const { receptacles, proposal } = finding;
    const first = openFirst(finding, house, words);
    if (proposal === null || receptacles.length + proposal.receptacles.length > 0 || first === null) continue;
    const place = proposal.evidence[0]?.receptacle ?? first;
    byPlace.set(place, [...(byPlace.get(place) ?? []), finding]);
  }
  return [...byPlace].map(([place, here]) => ({
    room: words.report.elsewhere,
    receptacle: place,
    id: here.map(({ key }) => key).join(' '),
    lamps: null,
    read: joined(
      here.flatMap(({ proposal }) => proposal?.evidence.map((one) => one.words)),
      '; ',
    ),
    breaker: null,
    circuit: null,
    ...toDo(here, house, words),
  }));
}

/** What several findings at one box ask for. */
function toDo(here: readonly Finding[], house: House, words: ReportLanguage) {
  const said = (of: (finding: Finding) => string | null, by: string): string => joined(here.map(of), by);
  return {
    findings: here.map(({ number }) => number),
    cause: said((finding) => causeIn(finding, words), '; '),
    openFirst: allToOpen(here, house, words),
    correction: said(({ correction }) => correction, ' '),
    retest: said((finding) => retestOf(finding, words), ' ') || null,
  };
}

/** One line a box with a finding, in the order of the walk. What an owner may do is no work for an electrician. */
export function workListOf(report: Report): readonly WorkLine[] {
  const { words } = report;
  const work = report.findings.filter(({ by }) => by !== 'owner');
  const all = receptaclesOf(report.house);
  const receptacles = new Map(all.map((one) => [one.id, one]));
  const circuitOf = ({ id, breaker }: Receptacle): string | null => {
    if (breaker === null) return null;
    const others = all.filter((one) => one.breaker === breaker && one.id !== id).map(({ name }) => name);
    return words.report.circuit(breaker, others);
  };
  return [
    ...elsewhere(work, report),
    ...report.rooms.flatMap(({ name: room, lines }) =>
      lines.flatMap((line): readonly WorkLine[] => {
        const here = work.filter((finding) =>
          [...finding.receptacles, ...(finding.proposal?.receptacles ?? [])].some(({ id }) => id === line.id),
        );
        const receptacle = receptacles.get(line.id);
        if (here.length === 0 || receptacle === undefined) return [];
        return [
          {
            room,
            receptacle: line.name,
            id: line.id,
            lamps: line.lamps,
            read: joined(
              evidenceAt(receptacle, words).map((one) => one.words),
              '; ',
            ),
            breaker: receptacle.breaker,
            circuit: circuitOf(receptacle),
            ...toDo(here, report.house, words),
          },
        ];
      }),
    ),
  ];
}
