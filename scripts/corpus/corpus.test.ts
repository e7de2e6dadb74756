import { parseJobText } from '@fair-plug/core/exchange';
import { foldHouse, foldKit, jobEntrySchema, kitEntrySchema } from '@fair-plug/core/log';
import { describe, expect, test } from 'vitest';
import { houseAsBefore } from './as-before.ts';
import { partOf } from './corpus.ts';
import { digestOf, outcomeOf, plain } from './outcome.ts';

const houses = partOf('houses');
/** The rest are held against what was by `npm run harness`. */
const quick = houses.filter(({ isQuick }) => isQuick).filter((_, index) => index % 4 === 0);
const jobs = partOf('jobs');
const kit = partOf('kit');

interface Said {
  readonly headline: string;
  readonly what: string;
  readonly why: string;
  readonly urgency: string;
  readonly status: string;
  readonly edits: object;
  readonly proposal: { readonly probability: number | null } | null;
}

type Options = readonly (
  | { readonly shape: { readonly kind: { readonly value: string } } }
  | { readonly options: Options }
)[];
const kindsOf = (options: Options): readonly string[] =>
  options.flatMap((option) => ('options' in option ? kindsOf(option.options) : [option.shape.kind.value]));

describe('what an earlier build wrote', () => {
  test.each(jobs)('the job file of $name opens, and all that follows from it is as it was', (kept) => {
    const opened = parseJobText(kept.file);
    if (opened.kind === 'problems') throw new Error(JSON.stringify(opened.problems));
    const { broken, ...outcome } = outcomeOf(opened.value.entries, kept.kit);
    expect(broken).toEqual([]);
    expect(outcome).toEqual(kept.outcome);
  });

  test('two hundred random houses fold as they did', () => {
    expect(houses).toHaveLength(200);
    for (const { seed, entries, house } of houses) {
      expect(digestOf(houseAsBefore(foldHouse(entries), entries)), `random house ${seed}`).toBe(house);
    }
  });

  test.each(quick)(
    'random house $seed: what is found and decided is as it was, and contradicts itself nowhere',
    ({ entries, kit: own, outcome }) => {
      const { judgement, findings, broken } = outcomeOf(entries, own);
      expect(broken).toEqual([]);
      expect(findings).toEqual(outcome.findings);
      for (const statements of findings as readonly Said[]) {
        const { headline, what, why, urgency, proposal, status, edits } = statements;
        // Words that somebody took over or entered are theirs.
        if (status !== 'open' || proposal === null || Object.keys(edits).length > 0) continue;
        expect(what, headline).not.toBe(why);
        if (urgency !== 'note') expect(why, headline).not.toMatch(/^Nothing needs to be done/);
        if (headline.startsWith('Undetermined')) expect(proposal.probability, headline).toBeNull();
      }
      expect(judgement).toEqual(outcome.judgement);
    },
  );

  test('the kit folds as it did', () => {
    expect(plain(foldKit(kit.entries))).toEqual(kit.folded);
  });
});

/** Kinds of entries that came later: nothing that an earlier build wrote holds one. */
const since = [
  'alteration-noted',
  'aluminum-sought',
  'author-named',
  'branch-taken',
  'breaker-described',
  'circuit-described',
  'combination-tried',
  'dimmer-measured',
  'halves-tried',
  'hot-spot-measured',
  'photo-described',
  'phrase-saved',
  'photo-keeping-chosen',
  'photo-marked',
  'photo-taken',
  'photos-ordered',
  'kept-powered',
  'label-noted',
  'labels-looked-for',
  'lampholder-measured',
  'load-planned',
  'looked-behind-cover',
  'lost-power',
  'panel-checked',
  'panel-described',
  'panel-opened',
  'panel-skipped',
  'point-described',
  'point-sign-noted',
  'power-restored',
  'reference-checked',
  'room-moved',
  'set-apart',
  'switch-linked',
  'tester-calibrated',
  'tester-dropped',
  'thermal-picture-read',
];

test('what is kept holds every kind of entry that there was, and every decision', () => {
  const before = (options: Options) => kindsOf(options).filter((kind) => !since.includes(kind));
  const entries = [...houses, ...jobs.map(({ file }) => JSON.parse(file))].flatMap((one) => one.entries);
  expect(new Set(entries.map(({ kind }) => kind))).toEqual(new Set(before(jobEntrySchema().options)));
  expect(new Set(kit.entries.map(({ kind }) => kind))).toEqual(new Set(before(kitEntrySchema().options)));
  const decisions = entries.flatMap(({ kind, decision }) => (kind === 'finding-decided' ? [decision] : []));
  expect(new Set(decisions)).toEqual(new Set(['accepted', 'refused', 'open']));
});
