import { dimmerOf, failingIn, faultsFitting, regions, shellOf, type Urgency } from '../../knowledge/index.ts';
import { dimmerFigures, type Point, pointsOf } from '../../log/index.ts';
import { type Proposal, seenOnly } from '../finding.ts';
import type { FindingLanguage, RuleText } from '../finding-words.ts';
import { type JudgedHouse, places } from './rule.ts';

/** How many switches a group has where nobody said it. */
export const usualGroup = 2;

/** What a point is called: by its name, or by what it is. */
export const pointName = ({ name, pointKind = 'switch' }: Point, { rules }: FindingLanguage): string =>
  name ?? rules.pointName(pointKind);

interface Found {
  readonly what: string;
  readonly urgency: Urgency;
  readonly text: RuleText;
}

/** Signs at a switch or dimmer, and that it does not work. */
function signsAt(point: Point, words: FindingLanguage): readonly Found[] {
  const isDead = point.works === false && !point.signs.includes('dead');
  const all = isDead ? (['dead', ...point.signs] as const) : point.signs;
  // Warm is usual of a dimmer: its plate is measured.
  const signs = point.pointKind === 'dimmer' ? all.filter((sign) => sign !== 'warm') : all;
  if (signs.length === 0) return [];
  const isArcing = signs.some((sign) => sign === 'crackling' || sign === 'buzzing');
  const text = words.rules.pointSigns({ name: pointName(point, words), signs });
  return [{ what: 'signs', urgency: isArcing || signs.includes('warm') ? 'repair' : 'note', text }];
}

/** A light that does not answer to every switch of its group. */
function groupAt(point: Point, words: FindingLanguage): readonly Found[] {
  const { combinations, switches = usualGroup } = point;
  const tried = Object.fromEntries(
    Object.entries(combinations).filter(([positions]) => positions.length === switches),
  );
  const fits = faultsFitting(tried, switches);
  if (Object.keys(tried).length === 0 || fits.includes('sound')) return [];
  const text = words.rules.group({
    name: pointName(point, words),
    fits,
    failing: failingIn(tried, switches),
  });
  return [{ what: 'group', urgency: 'repair', text }];
}

function dimmerAt(point: Point, words: FindingLanguage): readonly Found[] {
  const figures = dimmerFigures(point);
  const { plate, unit, watts, rated } = figures;
  const judged = dimmerOf(figures);
  const name = pointName(point, words);
  const isReferred = judged.plate === 'referred';
  return [
    ...(plate !== null && (isReferred || judged.plate === 'written-down')
      ? [
          {
            what: 'plate',
            urgency: isReferred ? ('repair' as const) : ('note' as const),
            text: words.rules.dimmerWarm({ name, isReferred, plate, unit }),
          },
        ]
      : []),
    ...(judged.isOverloaded && judged.allowed !== null && watts !== null && rated !== null
      ? [
          {
            what: 'watts',
            urgency: 'repair' as const,
            text: words.rules.dimmerOverloaded({ name, connected: watts, allowed: judged.allowed, rated }),
          },
        ]
      : []),
  ];
}

function shellAt(point: Point, words: FindingLanguage, nominalVolts: number): readonly Found[] {
  const { switchOn = null, switchOff = null } = point.shell;
  const found = shellOf({ on: switchOn, off: switchOff }, nominalVolts);
  if (found === null || found === 'sound') return [];
  return [
    { what: 'shell', urgency: 'repair', text: words.rules.shell({ name: pointName(point, words), found }) },
  ];
}

/** What is wrong with switches, dimmers and lampholders, a finding each. */
export function switchesAndLights({ house, words }: JudgedHouse): readonly Proposal[] {
  const { nominalVolts } = regions[house.region];
  const all = new Map(house.rooms.flatMap(({ receptacles }) => receptacles.map((one) => [one.id, one])));
  return pointsOf(house).flatMap((point) => {
    const found = [
      ...signsAt(point, words),
      ...groupAt(point, words),
      ...dimmerAt(point, words),
      ...shellAt(point, words, nominalVolts),
    ];
    // What hangs on a switch that does nothing is named with it.
    const fed = places(point.receptacles.flatMap((id) => all.get(id) ?? []));
    return found.map(
      ({ what, urgency, text }): Proposal => ({
        ...seenOnly,
        ...text,
        key: `point-${what}:${point.id}`,
        code: `point-${what}`,
        urgency,
        receptacles: what === 'signs' ? fed : [],
        parts: [point.id],
        evidence: [{ receptacle: pointName(point, words), words: text.headline, at: null }],
      }),
    );
  });
}
