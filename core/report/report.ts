import type { Assessment } from '../assessment/index.ts';
import { type Finding, findingsOf, type NoDefect, noDefects } from '../findings/index.ts';
import type { Practice } from '../knowledge/index.ts';
import {
  type CautionId,
  type ConditionId,
  cautionIds,
  conditionIds,
  conditions,
  standingCautions,
} from '../knowledge/index.ts';
import { chanceOfMissing, type House, halvesTriedIn, receptaclesOf } from '../log/index.ts';
import { type ReportedCircuit, reportedCircuits } from './circuits.ts';
import { type ReportedPhotos, reportedPhotos } from './photos.ts';
import type { MethodFacts, ReportLanguage } from './report-texts.ts';
import { type Survey, type SurveyLine, surveyOf } from './survey.ts';

export interface ReportLine extends SurveyLine {
  /** Numbers of the findings it belongs to. */
  readonly findings: readonly number[];
  /** Why somebody refused to report what it reads; null where nobody did. */
  readonly refused: string | null;
}

/** A cause on a circuit, with everything that it explains. */
export interface ReportedCause {
  readonly breaker: string;
  readonly words: string;
  readonly where: string;
  readonly receptacles: readonly string[];
}

export interface Report extends Survey<ReportLine> {
  /** Those that are reported, numbered in their order. */
  readonly findings: readonly Finding[];
  /** Every finding, refused and merged ones too. */
  readonly decided: readonly Finding[];
  readonly notTested: readonly string[];
  /** What "reads correct" leaves open, said once for the house; empty while nothing reads correct. */
  readonly notSeen: readonly ConditionId[];
  /** Breakers whose readings fit together so badly that not every explanation was tried. */
  readonly cutShort: readonly string[];
  /** Instruments that the likeliest explanation of what was read holds not to work, with where they were used. */
  readonly instrumentDoubts: readonly { readonly words: string; readonly receptacles: readonly string[] }[];
  readonly cautions: readonly string[];
  readonly causes: readonly ReportedCause[];
  /** Left out where no two receptacles are on one. */
  readonly circuits?: readonly ReportedCircuit[];
  /** Had so many been faulty, the chance that a random sample of this size held none of them. */
  readonly missing: readonly { readonly faulty: number; readonly chance: number }[];
  /** What is no defect. */
  readonly noDefect: readonly NoDefect[];
  /** Left out where none was taken. */
  readonly photos?: ReportedPhotos;
  readonly practice: Practice;
  /** What it is written with. */
  readonly words: ReportLanguage;
}

/** Numbers of faulty receptacles that the chance of missing is said for. */
const supposedFaulty = [1, 3, 5] as const;

function causesIn({ house, circuits }: Assessment, words: ReportLanguage): readonly ReportedCause[] {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const nameOf = (id: string): string => names.get(id) ?? id;
  return circuits.flatMap(({ breaker, causes }) =>
    causes
      .filter(({ receptacles }) => receptacles.length > 0)
      .map(({ faults, place, receptacles }) => ({
        breaker,
        words: words.cause(faults),
        where: place === null ? '' : words.place(place, nameOf),
        receptacles: receptacles.map(nameOf),
      })),
  );
}

/** Instruments that are held not to work, each once, by what was read where. */
function instrumentDoubts(
  { house, receptacles }: Assessment,
  words: ReportLanguage,
): Report['instrumentDoubts'] {
  const by = new Map<string, string[]>();
  for (const { id, name } of receptaclesOf(house))
    for (const fault of receptacles.get(id)?.judged?.explanations[0]?.instruments ?? [])
      by.set(words.instrumentFault(fault), [...(by.get(words.instrumentFault(fault)) ?? []), name]);
  return [...by].map(([said, names]) => ({ words: said, receptacles: names }));
}

/** What stands at the end of every report, and what its findings need besides, each once. */
function cautionsFor(findings: readonly Finding[]): readonly CautionId[] {
  const needed = new Set<CautionId>(standingCautions);
  for (const { condition } of findings)
    if (condition !== null) for (const id of conditions[condition].cautions) needed.add(id);
  return cautionIds.filter((id) => needed.has(id));
}

/** Receptacles that read correct and stand in a finding for what that may hide count among those in doubt. */
function countsWith({ rooms, summary }: Survey, findings: readonly Finding[]): Survey['summary'] {
  const suspected = new Set(
    findings
      .filter(({ proposal }) => proposal?.isSuspected)
      .flatMap(({ receptacles }) => receptacles.map(({ id }) => id)),
  );
  const hiding = rooms
    .flatMap(({ lines }) => lines)
    .filter(({ id, verdict }) => verdict?.plain && suspected.has(id));
  return {
    ...summary,
    readCorrect: summary.readCorrect - hiding.length,
    withFinding: summary.withFinding + hiding.length,
  };
}

/** How the house was inspected, as far as the log holds it. */
export function methodFacts(house: House): MethodFacts {
  const switched = house.wentDead.flatMap(({ by }) => (by.kind === 'breaker' ? [by.breaker] : []));
  return {
    coversOff: receptaclesOf(house).filter(({ coverOff }) => coverOff !== null).length,
    halves: halvesTriedIn(house),
    breakers: [...new Set(switched)],
    leaveFrom: house.leaveFrom,
    hasLeave: house.breakerLeave === true,
  };
}

/**
 * The report on a house as a data model, for screen, print, PDF and files alike. Receptacles of one cause share one
 * finding; untested ones are named, never passed over, and a refused finding leaves its reason at each of them.
 */
export function reportOn(assessment: Assessment, practice: Practice, words: ReportLanguage): Report {
  const { house, notSeen } = assessment;
  const survey = surveyOf(assessment);
  const decided = findingsOf(assessment, practice, words);
  const findings = decided.filter(({ number }) => number > 0);
  const numbersAt = new Map<string, number[]>();
  const refusedAt = new Map<string, string>();
  for (const { number, receptacles, proposal, status, reason } of decided) {
    const there = [...receptacles, ...(proposal?.receptacles ?? [])];
    for (const { id } of there) {
      if (status === 'refused') refusedAt.set(id, reason ?? '');
      if (number > 0) numbersAt.set(id, [...new Set([...(numbersAt.get(id) ?? []), number])]);
    }
  }
  const { coverage } = survey;
  const circuits = reportedCircuits(assessment, words);
  const summary = countsWith(survey, findings);
  return {
    ...survey,
    summary,
    rooms: survey.rooms.map((room) => ({
      ...room,
      lines: room.lines.map((line) => ({
        ...line,
        findings: numbersAt.get(line.id) ?? [],
        refused: refusedAt.get(line.id) ?? null,
      })),
    })),
    findings,
    decided,
    notTested: [...coverage.notReached.map(({ name }) => name), ...coverage.left],
    notSeen: summary.readCorrect === 0 ? [] : conditionIds.filter((id) => notSeen.includes(id)),
    cutShort: assessment.circuits.filter(({ stoppedEarly }) => stoppedEarly).map(({ breaker }) => breaker),
    instrumentDoubts: instrumentDoubts(assessment, words),
    cautions: cautionsFor(findings).map((id) => words.cautions[id]),
    causes: causesIn(assessment, words),
    ...(circuits.length === 0 ? {} : { circuits }),
    missing: supposedFaulty
      .filter((faulty) => coverage.tested > 0 && faulty <= coverage.expected - coverage.tested)
      .map((faulty) => ({ faulty, chance: chanceOfMissing(coverage.expected, faulty, coverage.tested) })),
    noDefect: noDefects(house, practice, words),
    ...(house.photos === undefined ? {} : { photos: reportedPhotos(house, findings) }),
    practice,
    words,
  };
}
