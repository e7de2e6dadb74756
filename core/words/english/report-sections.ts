import type { Calibration, ConditionId, QuestionId, ViewWords } from '../../knowledge/index.ts';
import type { House } from '../../log/index.ts';
import type { Block, Clock, MethodFacts, Run, SectionData, SectionWords } from '../../report/index.ts';
import { counted } from '../counted.ts';
import type { Words } from '../words.ts';
import { functionChecks } from './function-checks.ts';
import { type PartSectionWords, switches, wiring } from './part-sections.ts';
import { supplyPoint } from './sources.ts';
import { lower } from './terms.ts';

/** What one English says in its own words in the sections of a report. */
export interface OwnSectionWords
  extends Pick<
    Words,
    'closeOut' | 'conditions' | 'dangers' | 'instruments' | 'labels' | 'notReached' | 'questions'
  > {
  readonly headings: SectionWords['headings'];
  readonly parts: PartSectionWords['parts'];
  readonly rules: PartSectionWords['rules'];
  readonly screens: Words['screens']['report'];
  readonly notSeenLead: string;
  readonly method: (done: MethodFacts) => readonly string[];
}

const text = (...line: readonly Run[]): Block => ({ kind: 'text', line });
const own = (words: string): Block => ({ kind: 'text', line: [words], isOwn: true });
const list = (items: readonly (readonly Run[])[]): Block => ({ kind: 'list', items });
/** A sentence of what there is of something; none where there is nothing. */
const sentence = (lead: string, parts: readonly string[], by: string): readonly Block[] =>
  parts.length === 0 ? [] : [text(`${lead}: ${parts.join(by)}.`)];
const some = (parts: readonly (string | null)[], by: string): string | null =>
  parts.filter((part) => part !== null).join(by) || null;
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

const asFound = ({ utilityOn, breakersFoundOff, devicesFoundTripped }: House): string | null =>
  some(
    [
      utilityOn === null ? null : `utility ${utilityOn ? 'on' : 'off'}`,
      breakersFoundOff === null ? null : `breakers off: ${breakersFoundOff}`,
      devicesFoundTripped === null ? null : `devices tripped: ${devicesFoundTripped}`,
    ],
    '; ',
  );

function particulars(
  { house, inspector, licence }: SectionData<'particulars'>,
  { day }: Clock,
): readonly Block[] {
  const { client, yearBuilt, about, alterations, present, firstReadAt, lastReadAt, timeZone } = house;
  const days = [firstReadAt, lastReadAt].flatMap((at) => (at === null ? [] : day(at)));
  const rows: readonly (readonly [string, string | null])[] = [
    ['Client', client],
    ['House', some([yearBuilt === null ? null : String(yearBuilt), about], ', ')],
    [
      'Altered',
      some(
        alterations.map(({ year, what }) => `${year} ${what}`),
        ', ',
      ),
    ],
    ['Present', present],
    ['As found', asFound(house)],
    ['Read on', some([...new Set(days)], ' to ') ?? 'not begun'],
    ['Times', timeZone === undefined || days.length === 0 ? null : `as in ${timeZone.replaceAll('_', ' ')}`],
    ['Inspector', inspector],
    ['Licence', licence],
  ];
  return [
    {
      kind: 'terms',
      rows: rows.flatMap(([term, definition]) => (definition === null ? [] : [[term, definition] as const])),
    },
  ];
}

const causes =
  ({ screens }: OwnSectionWords) =>
  ({ believed, cut }: SectionData<'causes'>): readonly Block[] => [
    list([
      ...believed.map(({ breaker, words, where, receptacles }) => [
        { strong: `Breaker ${breaker}: ${words}` },
        `, ${where}. Explains ${receptacles.length}: ${receptacles.join(', ')}.`,
      ]),
      ...cut.map(({ device, dead, isBack }) => [
        `${screens.deviceCuts(device)}${dead.join(', ')}. `,
        ...(isBack ? [] : [{ strong: 'Its power is not said to be back.' }]),
      ]),
    ]),
  ];

const coverage =
  ({ screens, notReached: reasons }: OwnSectionWords) =>
  ({ tested, expected, sample, notReached, notRead, notFound, missing }: SectionData<'coverage'>) => [
    text(
      `${screens.tested(tested, expected)}${sample ? screens.devicesBesides(sample) : ''}.${
        expected === tested ? ` ${screens.notOnTheList}` : ''
      }`,
    ),
    ...sentence(
      'Not reached',
      notReached.map(({ name, reason }) => `${name} (${lower(reasons[reason])})`),
      ', ',
    ),
    ...sentence('Listed and not read, so nothing is said of them', notRead, ', '),
    ...sentence(
      'Expected and not found on the walk',
      notFound.map(({ room, count }) => `${room} ${count}`),
      ', ',
    ),
    ...(missing.length === 0
      ? []
      : [
          text(
            `Were those tested a random sample, all of the bad ones would have been missed ${missing
              .map(
                ({ faulty, chance }) =>
                  `in ${percent(chance)} of cases with ${faulty} bad among the ${expected}`,
              )
              .join(', ')}. Receptacles of one circuit are no random sample: take it as a guide.`,
          ),
        ]),
  ];

/** " (CAT III, 300 V, serial number 1234, calibrated 2 May 2026)": what stands on a tester. */
function markedAs(rating: string | null, calibration: Calibration | null, { shortDay }: Clock): string {
  const { serial = null, calibratedOn = null } = calibration ?? {};
  const marks = some(
    [
      rating,
      serial === null ? null : `serial number ${serial}`,
      calibratedOn === null ? null : `calibrated ${shortDay(calibratedOn)}`,
    ],
    ', ',
  );
  return marks === null ? '' : ` (${marks})`;
}

const readingsIn = (count: number): string => counted(count, 'reading', 'readings');

const checksOf =
  ({ instruments }: OwnSectionWords) =>
  ({ checks }: SectionData<'functionChecks'>, clock: Clock): readonly Block[] =>
    checks.length === 0
      ? [text('No tester was used or checked.'), list([])]
      : [
          list(
            checks.map(
              ({ name, instrument, rating, calibration, readings, state, proofs, dropped, doubted }) => {
                const tries = [
                  ...proofs.map(({ passed, at }) => `${passed ? 'good' : 'failed'} ${clock.hour(at)}`),
                  ...dropped.map((at) => `dropped ${clock.hour(at)}`),
                ];
                return [
                  { strong: name ?? instruments[instrument].name },
                  `${markedAs(rating, calibration, clock)}: ${readingsIn(readings)}; ${functionChecks[state]}${
                    tries.length === 0 ? '' : ` (${tries.join(', ')})`
                  }.`,
                  ...(doubted.length === 0
                    ? []
                    : [
                        {
                          strong: ` ${readingsIn(doubted.length)} since its last good function check in doubt.`,
                        },
                      ]),
                ];
              },
            ),
          ),
        ];

const leftAs =
  ({ labels: labelNames, closeOut, dangers }: OwnSectionWords) =>
  (data: SectionData<'functionChecks'>, { hour }: Clock): readonly Block[] => {
    const { labels, resets, warned, keepPowered, closedOut, notBack, instrumentDoubts } = data;
    return [
      ...instrumentDoubts.map(({ words, receptacles }) =>
        text({ strong: 'In doubt by what was read: ' }, `${words} (${receptacles.join(', ')})`),
      ),
      ...sentence(
        'Labels found',
        labels.map((one) => `${one.name} ${one.labels.map((label) => labelNames[label]).join(' and ')}`),
        '; ',
      ),
      ...sentence(
        'Resets found',
        resets.map(({ name, resetAt }) => `${name} at ${resetAt}`),
        '; ',
      ),
      ...sentence(
        'People were told to keep away',
        warned.map(({ name, danger, at }) => `${name} (${dangers[danger].name}, ${hour(at)})`),
        '; ',
      ),
      ...sentence('Must not lose power', keepPowered, ', '),
      ...sentence(
        'On leaving',
        closedOut.map((item) => lower(closeOut[item])),
        '; ',
      ),
      ...(notBack.length === 0
        ? []
        : [text({ strong: `Nobody said that the power is back: ${notBack.map(supplyPoint).join(', ')}.` })]),
    ];
  };

const method =
  ({ method: methodWords, questions, screens }: OwnSectionWords) =>
  ({ own: ownWords, facts, standard, edition, questions: asked }: SectionData<'method'>) => [
    ...(ownWords === null ? methodWords(facts) : [ownWords]).map(own),
    own(
      [
        ...(standard === null ? [] : [`Standard of practice: ${standard}.`]),
        edition === null
          ? 'Sections of the code are quoted from memory, without an edition.'
          : `Sections of the code are of the ${edition} edition; those marked were quoted from memory.`,
        screens.authorityDecides,
      ].join(' '),
    ),
    list(
      asked.map(({ id, views }) => {
        const { asks, held, others } = viewsIn(questions[id], views);
        const otherWords = others.map(({ name, says }) => `${lower(name)} – ${says}`).join(' ');
        return [`${asks} Held here: ${held?.says ?? ''} Others: ${otherWords}`];
      }),
    ),
  ];

/** A question on which practitioners differ: what is held, and what others say. */
export function viewsIn(question: Words['questions'][QuestionId], views: readonly string[]) {
  const all: Readonly<Record<string, ViewWords>> = question.views;
  const [held, ...others] = views.flatMap((view) => all[view] ?? []);
  return { asks: question.asks, held, others };
}

const hidden = (words: OwnSectionWords, ids: readonly ConditionId[]) => [
  text(words.notSeenLead),
  {
    kind: 'terms' as const,
    rows: ids.map((id) => {
      const { name, what, why } = words.conditions[id];
      return [name, `${what} ${why}`] as const;
    }),
  },
];

/** What stands over the sections of a report, and what those say that are text, out of an English's own words. */
export const sectionWords = (words: OwnSectionWords): SectionWords => ({
  headings: words.headings,
  texts: {
    particulars,
    introduction: ({ own: ownWords }) => [own(ownWords)],
    causes: causes(words),
    wiring: wiring(words),
    switches: switches(words),
    noDefect: ({ words: lines }) => [list(lines.map((one) => [one]))],
    notSeen: ({ conditions: ids, cutShort }) => [
      ...(ids.length === 0 ? [] : hidden(words, ids)),
      ...cutShort.map((breaker) =>
        text(
          `Breaker ${breaker}: its readings fit together badly, and not every explanation was tried. What is said here may change when the odd ones are read again.`,
        ),
      ),
    ],
    coverage: coverage(words),
    functionChecks: (data, clock) => [...checksOf(words)(data, clock), ...leftAs(words)(data, clock)],
    method: method(words),
    cautions: ({ cautions, closing }) => [
      list(cautions.map((one) => [one])),
      ...(closing === null ? [] : [own(closing)]),
    ],
  },
});
