import { countsAsAluminum, panelChecks, panelFacts } from '../../knowledge/index.ts';
import { type House, type Panel, panelsOf } from '../../log/index.ts';
import { type Evidence, type Proposal, seenOnly } from '../finding.ts';
import type { FindingLanguage } from '../finding-words.ts';
import type { JudgedHouse } from './rule.ts';

/** Panels as lines of evidence. */
const evidenceAt = (panels: readonly Panel[], said: string, words: FindingLanguage): readonly Evidence[] =>
  panels.map(({ name }) => ({ receptacle: name ?? words.rules.panelName, words: said, at: null }));

/** Whether conductors of aluminum end in a panel. */
const hasAluminum = ({ neutralBar, breakers }: Panel): boolean =>
  [neutralBar, ...breakers.map(({ metal }) => metal)].some(
    (metal) => metal !== undefined && countsAsAluminum(metal),
  );

const withoutCompound = (house: House): readonly Panel[] =>
  panelsOf(house).filter((panel) => panel.checks.compound === 'not-seen' && hasAluminum(panel));

/** What is wrong at panels, one finding a defect, however many panels show it. */
export function panelDefects({ house, words }: JudgedHouse): readonly Proposal[] {
  const panels = panelsOf(house);
  const defects = panelChecks.flatMap((check): readonly Proposal[] => {
    const { urgency, soundAt } = panelFacts[check];
    const there = panels.filter(
      ({ checks, panelKind }) => checks[check] === 'seen' && (soundAt === undefined || panelKind !== soundAt),
    );
    if (there.length === 0) return [];
    const said = words.rules.panelDefect(check);
    return [
      {
        ...seenOnly,
        ...said,
        key: `panel-${check}`,
        urgency,
        receptacles: [],
        parts: there.map(({ id }) => id),
        evidence: evidenceAt(there, said.headline, words),
      },
    ];
  });
  const bare = withoutCompound(house);
  if (bare.length === 0) return defects;
  const said = words.rules.noCompound;
  return [
    ...defects,
    {
      ...seenOnly,
      ...said,
      key: 'panel-compound',
      urgency: 'note',
      receptacles: [],
      parts: bare.map(({ id }) => id),
      evidence: evidenceAt(bare, said.headline, words),
    },
  ];
}
