import type { Assessment } from '@fair-plug/core/assessment';
import { conditions, urgencies, urgencyRank } from '@fair-plug/core/knowledge';
import { ownerPageOf, type Report, summaryOfFindings } from '@fair-plug/core/report';

const sum = (counts: readonly number[]): number => counts.reduce((all, one) => all + one, 0);

type Law = (holds: boolean, words: string) => void;

/** A test is worth doing for what is held, and not to find what is ruled out. */
function testsTellWhatIsOpen({ receptacles }: Assessment, law: Law): void {
  for (const { next, judged } of receptacles.values()) {
    if (next?.tells.kind !== 'condition' || judged === null) continue;
    const { at, from, to } = next.tells;
    const { condition, notRuledOut, ifMisread } = receptacles.get(at)?.judged ?? judged;
    law(
      !conditions[to].dangerous || [...notRuledOut, ...ifMisread, condition].includes(to),
      `the next test at ${at} is to tell ${from} from ${to}, which is ruled out`,
    );
    law(
      condition === from || condition === 'undetermined',
      `the next test at ${at} is to tell ${from}, where ${condition} is held`,
    );
  }
}

/** What is pressing on the walk is no less so in what is proposed for the report. */
function findingsPressAsTheWalkDoes({ receptacles }: Assessment, { decided }: Report, law: Law): void {
  for (const { receptacle, verdict } of receptacles.values()) {
    const there = decided.flatMap(({ proposal }) =>
      proposal?.receptacles.some(({ id }) => id === receptacle.id) ? [proposal] : [],
    );
    const most = Math.min(...there.map(({ urgency }) => urgencyRank(urgency)), urgencies.length);
    law(
      most <= urgencyRank(verdict?.urgency ?? null),
      `${receptacle.name} is ${verdict?.urgency} on the walk and ${urgencies[most]} in the report: ${verdict?.code}, ${there.map(({ key }) => key).join(' ')}`,
    );
  }
}

/** A finding does not doubt itself, and does not say that something fits as well which is ruled out. */
function doubtsAreOpen({ decided }: Report, law: Law): void {
  for (const { key, condition, proposal } of decided) {
    if (proposal === null) continue;
    const { isSuspected, notRuledOut, verdict } = proposal;
    law(
      isSuspected || condition === null || !notRuledOut.includes(condition),
      `${key} is ${condition}, which it says is not ruled out`,
    );
    for (const id of verdict?.alsoFits.flatMap((fit) => fit.conditions) ?? [])
      law(
        id === condition || !conditions[id].dangerous || notRuledOut.includes(id),
        `${key} fits ${id} as well, which is ruled out`,
      );
  }
}

/** What is said of a receptacle is what the engine holds of it, and nothing is called safer than that. */
function verdictsAreTheEngines({ receptacles }: Assessment, law: Law): void {
  for (const { receptacle, verdict, judged, danger } of receptacles.values()) {
    if (verdict === null || judged === null || danger !== null || verdict.code === 'two-slot') continue;
    const { readsAs, contacts, plain, urgency, stop } = verdict;
    const said = `${receptacle.name}, said to be ${verdict.code}, is held to be ${judged.condition}`;
    law(readsAs.length === 0 || readsAs[0] === judged.condition || stop !== null, said);
    law(urgency !== null || judged.condition === 'correct' || !judged.isFinal, said);
    law(
      !plain || (judged.explanations[0]?.instruments ?? []).length === 0,
      `${receptacle.name} reads plainly correct by an instrument that is held not to work`,
    );
    for (const contact of ['hot', 'neutral', 'ground'] as const)
      law(
        contacts[contact] !== 'not-live' || judged.contacts[contact] === 'not-live',
        `${contact} of ${receptacle.name} is said not to be live`,
      );
  }
}

/** What is in a finding for what it may hide is not counted as correct. */
function correctAreInNoDoubt({ rooms, findings, summary }: Report, law: Law): void {
  const inDoubt = new Set(
    findings
      .filter(({ proposal }) => proposal?.isSuspected)
      .flatMap(({ receptacles }) => receptacles.map(({ id }) => id)),
  );
  const plain = rooms.flatMap(({ lines }) => lines).filter(({ verdict }) => verdict?.plain);
  law(
    plain.filter(({ id }) => !inDoubt.has(id)).length === summary.readCorrect,
    'the report counts as correct what is in a finding for what it may hide',
  );
}

/** What holds of every house, however it was walked: what is said in one place agrees with what is said in the others. */
export function brokenLaws(assessment: Assessment, report: Report): readonly string[] {
  const broken: string[] = [];
  const law: Law = (holds, words) => {
    if (!holds) broken.push(words);
  };
  testsTellWhatIsOpen(assessment, law);
  findingsPressAsTheWalkDoes(assessment, report, law);
  correctAreInNoDoubt(report, law);
  doubtsAreOpen(report, law);
  verdictsAreTheEngines(assessment, law);
  const { counts, coverage, receptacles } = assessment;
  const lines = report.rooms.flatMap((room) => room.lines);
  const page = ownerPageOf(report, report.words.ownerPage);
  const summary = summaryOfFindings(report.decided);

  const onPage = page.groups.find(({ items }) => items.length > 0)?.urgency ?? null;
  law(summary.urgency === onPage, `the list of jobs says ${summary.urgency}, the owner’s page ${onPage}`);
  law(
    summary.reported === sum(page.groups.map(({ items }) => items.length)),
    'the list of jobs and the owner’s page count findings otherwise',
  );

  const [actNow] = page.groups;
  const saysSafe =
    actNow?.items.length === 0 && actNow.none === report.words.ownerPage.groups['act-now'].none;
  const mayHarm = [...receptacles.values()].some(
    ({ verdict, danger, judged }) =>
      danger !== null ||
      (judged?.condition === 'undetermined' &&
        judged.explanations.some(({ condition }) => conditions[condition].dangerous)) ||
      (verdict?.urgency !== null &&
        verdict?.readsAs.some((id) => conditions[id].dangerous && conditions[id].urgency === 'act-now')),
  );
  const isRefused = report.decided.some(({ status }) => status === 'refused');
  law(!saysSafe || !mayHarm || isRefused, 'nothing is said to be dangerous where something is');

  law(lines.length === counts.receptacles, 'the report has other receptacles than are counted');
  law(
    lines.filter(({ verdict }) => verdict?.plain).length === counts.readCorrect,
    'the count of those that read correct is not that of the lines',
  );
  law(
    sum(coverage.rooms.map(({ tested }) => tested)) === counts.tested && counts.tested === coverage.tested,
    'the tested of the rooms are not those of the house',
  );
  law(
    counts.tested + coverage.notReached.length + coverage.left.length === counts.receptacles,
    'tested, not reached and untested are not all',
  );

  const numbersAt = new Map(lines.map(({ id, findings }) => [id, findings]));
  for (const { number, headline, receptacles: places } of report.findings)
    for (const { id, name } of places)
      law(
        !numbersAt.has(id) || numbersAt.get(id)?.includes(number) === true,
        `${name} stands without the number of “${headline}”`,
      );
  return broken;
}
