import {
  type HouseJudgement,
  type JudgedCircuit,
  type JudgedReceptacle,
  placeCode,
  type Verdict,
} from '@fair-plug/core/assessment';
import type { Finding } from '@fair-plug/core/findings';
import { conditions } from '@fair-plug/core/knowledge';
import { type House, type JobEntry, receptaclesOf } from '@fair-plug/core/log';
import type { Report } from '@fair-plug/core/report';
import { type Words, wordsIn } from '@fair-plug/core/words';

/*
 * What follows from a log in the shapes that it had when the corpus was written, so that everything said in it can be
 * held against what is said now: readings were two lists, and verdicts, causes and conditions held their words.
 */

/** A house as it was folded when plain lamps and what other instruments showed were two lists of two kinds of entries. */
export function houseAsBefore(house: House, entries: readonly JobEntry[]): unknown {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const rooms = house.rooms.map(({ receptacles, ...room }) => ({
    ...room,
    receptacles: receptacles.map(({ readings, ...receptacle }) => {
      const read = readings.map(({ id }) => byId.get(id));
      const { id, name, ...rest } = receptacle;
      return {
        id,
        name,
        readings: read.filter((entry) => entry?.kind === 'lamps-read'),
        taken: read.filter((entry) => entry?.kind === 'reading-taken'),
        ...rest,
      };
    }),
  }));
  const { address, ...rest } = Object.fromEntries(
    // At its place: houses are held against each other with their fields in order.
    Object.entries(house).map(([name, value]) => [name === 'findingEntries' ? 'findingsSaid' : name, value]),
  );
  return { address: address ?? 'Address not entered', ...rest, rooms };
}

const circuitAsBefore = (
  { causes, breakers: _b, circuit: _c, explanations: _e, suspects: _s, ...circuit }: JudgedCircuit,
  house: House,
  words: Words,
) => {
  const names = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  return {
    ...circuit,
    causes: causes.map(({ faults, place, ...cause }) => ({
      ...cause,
      words: words.cause(faults),
      where: place === null ? '' : words.place(place, (id) => names.get(id) ?? id),
      place: place === null ? null : placeCode(place),
    })),
  };
};

/** Of a receptacle that stands alone it was said of "here". */
function whyAsBefore(next: NonNullable<JudgedReceptacle['next']>, isAlone: boolean, words: Words): string {
  const { tells } = next;
  return words.whyNext(
    isAlone && tells.kind === 'condition' ? { ...next, tells: { ...tells, at: 'here' } } : next,
  );
}

/** What the engine says of a receptacle, without words but for why a test is worth doing. */
function receptacleAsBefore(
  // Circuits say themselves where they were cut short.
  { explanations, table, next, isCutShort: _cut, ...rest }: JudgedReceptacle,
  isAlone: boolean,
  words: Words,
) {
  const { tells: _, ...test } = next ?? { tells: null };
  return {
    ...rest,
    next: next === null ? null : { ...test, why: whyAsBefore(next, isAlone, words) },
    explanations: explanations.map(({ condition, probability }) => ({ condition, probability })),
    table: table.map(({ reading: _taken, ...compared }) => compared),
  };
}

export function judgementAsBefore(judgement: HouseJudgement, house: House): unknown {
  const words = wordsIn(house.region);
  const { receptacles, circuits, ...rest } = judgement;
  const onCircuit = new Set(circuits.flatMap((one) => one.receptacles));
  return {
    ...rest,
    circuits: circuits.map((one) => circuitAsBefore(one, house, words)),
    receptacles: [...receptacles.values()].map((one) =>
      receptacleAsBefore(one, !onCircuit.has(one.id), words),
    ),
  };
}

function verdictAsBefore(verdict: Verdict | null, words: Words): unknown {
  if (verdict === null) return null;
  const { settle, alsoFits, ...rest } = verdict;
  const { settle: why, ...worded } = words.verdict(verdict);
  return {
    ...rest,
    ...worded,
    next: settle === null ? null : { test: settle, why },
    alsoFits: alsoFits.map(({ id, ...fit }) => ({ ...fit, how: words.fits[id] })),
  };
}

const findingAsBefore = ({ proposal, ...finding }: Finding, words: Words) => ({
  ...finding,
  proposal: proposal && { ...proposal, verdict: verdictAsBefore(proposal.verdict, words) },
});

export function reportAsBefore(report: Report, entries: readonly JobEntry[]): unknown {
  const words = wordsIn(report.house.region);
  const { words: _, cutShort: _cut, circuits: _strips, ...said } = report;
  const { house, rooms, findings, decided, notSeen, noDefect, ...rest } = said;
  return {
    ...rest,
    house: houseAsBefore(house, entries),
    rooms: rooms.map(({ lines, ...room }) => ({
      ...room,
      lines: lines.map(({ verdict, ...line }) => ({ ...line, verdict: verdictAsBefore(verdict, words) })),
    })),
    findings: findings.map((one) => findingAsBefore(one, words)),
    decided: decided.map((one) => findingAsBefore(one, words)),
    notSeen: notSeen.map((id) => {
      const { forbids: _since, ...condition } = conditions[id];
      return { ...condition, ...words.conditions[id] };
    }),
    noDefect: noDefect.map(({ key, ...one }) => ({
      key: key.replace(/^(neutral|upgrade)-/, '$1 '),
      ...one,
    })),
  };
}
