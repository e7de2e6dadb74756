import { createHash } from 'node:crypto';
import { assess, HouseJudge, type HouseJudgement } from '@fair-plug/core/assessment';
import type { Finding } from '@fair-plug/core/findings';
import type { InstrumentId } from '@fair-plug/core/instruments';
import { type Practice, usualPractice } from '@fair-plug/core/knowledge';
import { foldHouse, type House, type JobEntry } from '@fair-plug/core/log';
import { findingsOf, reportOn } from '@fair-plug/core/words';
import { houseAsBefore, judgementAsBefore, reportAsBefore } from './as-before.ts';
import { brokenLaws } from './laws.ts';

/** A house judged to the end, by a judge that has seen no other. */
export function judgedWhole(house: House, kit: readonly InstrumentId[]): HouseJudgement {
  const run = new HouseJudge().judging(house, kit);
  let step = run.next();
  while (!step.done) step = run.next();
  return step.value;
}

/** What a value comes to in a file: maps and sets as lists, numbers to four digits, nothing that is undefined. */
export const plain = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, one: unknown) => {
      if (one instanceof Map) return [...one];
      if (one instanceof Set) return [...one];
      if (typeof one === 'number' && !Number.isInteger(one)) return Number(one.toPrecision(4));
      return one;
    }) ?? 'null',
  );

const found = ({ proposal, ...finding }: Finding) => ({
  ...finding,
  proposal: proposal && {
    key: proposal.key,
    probability: proposal.probability,
    notRuledOut: proposal.notRuledOut,
  },
});

export interface Outcome {
  readonly house: unknown;
  readonly judgement: unknown;
  readonly findings: readonly unknown[];
  readonly report: unknown;
}

/** An outcome, and what it says that contradicts itself. */
export interface HeldOutcome extends Outcome {
  readonly broken: readonly string[];
}

/** Everything that follows from a log, as plain data: the house, what is made of it, what is found and reported. */
export function outcomeOf(
  entries: readonly JobEntry[],
  kit: readonly InstrumentId[],
  practice: Practice = usualPractice,
): HeldOutcome {
  const house = foldHouse(entries);
  const judgement = judgedWhole(house, kit);
  const assessment = assess(house, judgement);
  const findings = findingsOf(assessment, practice);
  const report = reportOn(assessment, practice);
  const outcome = plain({
    house: houseAsBefore(house, entries),
    judgement: judgementAsBefore(judgement, house),
    findings: findings.map(found),
    report: reportAsBefore(report, entries),
  }) as Outcome;
  return { ...outcome, broken: brokenLaws(assessment, report) };
}

/** SHA-256 of a value as it stands in a file. */
export const digestOf = (value: unknown): string =>
  createHash('sha256')
    .update(JSON.stringify(plain(value)))
    .digest('hex');

interface Decided {
  readonly key: string;
  readonly status: string;
  readonly reason: string | null;
  readonly edits: object;
  readonly note: string | null;
  readonly into: string | null;
  readonly merged: readonly string[];
  readonly isOwn: boolean;
  readonly flags: readonly { readonly kind: string }[];
  readonly receptacles: readonly { readonly id: string }[];
}

const decision = ({
  key,
  status,
  reason,
  edits,
  note,
  into,
  merged,
  receptacles,
  flags,
  isOwn,
}: Decided) => ({
  key,
  status,
  reason,
  edits,
  note,
  into,
  merged: merged.toSorted(),
  isOwn,
  receptacles: receptacles.map(({ id }) => id),
  flags: flags.map(({ kind }) => kind),
});

const isDecided = ({ status, edits, merged, into, isOwn }: Decided): boolean =>
  status !== 'open' || Object.keys(edits).length > 0 || merged.length > 0 || into !== null || isOwn;

/** What somebody decided and does not stand any more as it was decided, on the same finding and with the same flags. */
export function lostDecisions(before: readonly unknown[], now: readonly unknown[]): readonly string[] {
  const found = new Map((now as readonly Decided[]).map((one) => [one.key, decision(one)]));
  return (before as readonly Decided[]).filter(isDecided).flatMap((one) => {
    const was = JSON.stringify(decision(one));
    const is = JSON.stringify(found.get(one.key) ?? null);
    return was === is ? [] : [`${was} is now ${is}`];
  });
}
