import type { PartRuleWords } from '../../findings/index.ts';
import type { PartWords } from '../../knowledge/index.ts';
import type { BreakerPosition, Panel } from '../../log/index.ts';
import type { Block, SectionData } from '../../report/index.ts';
import { comma, lower, or } from './terms.ts';

/** What sections on what is no receptacle are said with. */
export interface PartSectionWords {
  readonly parts: PartWords;
  readonly rules: Pick<PartRuleWords, 'pointName'>;
}

const some = (...parts: readonly (string | false | null | undefined)[]): string =>
  parts.filter((part): part is string => typeof part === 'string' && part !== '').join(', ');

const amps = (value: number | null | undefined): string | null =>
  value === null || value === undefined ? null : `${value} A`;

/** "7: 20 A, kitchen counter, ground-fault, copper, 12 AWG" */
const positionLine = (
  { number, amps: rated, poles, feeds, protects, metal, size }: BreakerPosition,
  { breakerKinds, position }: PartWords,
): string =>
  `${position(number ?? '–')}: ${
    some(
      amps(rated),
      poles !== undefined && poles > 1 && `${poles} poles`,
      feeds,
      protects !== undefined && lower(breakerKinds[protects]),
      metal?.replaceAll('-', ' '),
      size !== undefined && `${size} AWG`,
    ) || 'nothing said'
  }`;

function panelBlocks(panel: Panel, parts: PartWords): readonly Block[] {
  const { name, panelKind, rating, mainAmps, legs, madeIn, neutralBar, openedAt, checks, breakers } = panel;
  const of = (state: string): readonly string[] =>
    (Object.entries(checks) as [keyof typeof checks, string][])
      .filter(([, found]) => found === state)
      .map(([check]) => lower(parts.checks[check]));
  const rows: readonly (readonly [string, string])[] = [
    [
      name ?? parts.panel,
      some(
        panelKind !== undefined && parts.panelKinds[panelKind],
        amps(rating),
        amps(mainAmps) !== null && `main ${amps(mainAmps)}`,
        legs !== undefined && lower(parts.layouts[legs]),
        madeIn !== null && madeIn !== undefined && `of ${madeIn}`,
        neutralBar !== undefined && `neutrals of ${neutralBar.replaceAll('-', ' ')}`,
        openedAt === undefined ? 'cover left on' : 'cover off',
      ),
    ],
    ...(['seen', 'not-seen', 'not-looked-for'] as const).flatMap((state) => {
      const those = of(state);
      return those.length === 0 ? [] : [[parts.checkStates[state], comma(those)] as const];
    }),
  ];
  return [
    { kind: 'terms', rows },
    ...(breakers.length === 0
      ? []
      : [{ kind: 'list' as const, items: breakers.map((one) => [positionLine(one, parts)]) }]),
  ];
}

const text = (line: string): Block => ({ kind: 'text', line: [line] });

export const wiring =
  ({ parts }: PartSectionWords) =>
  ({ panels, panelSkipped, aluminumSought, boxes, adapters }: SectionData<'wiring'>): readonly Block[] => {
    const sought = (
      Object.entries(aluminumSought) as [
        keyof PartWords['aluminumPlaces'],
        { found: boolean; jacketYear?: number },
      ][]
    ).map(
      ([place, { found, jacketYear }]) =>
        `${parts.aluminumPlaces[place]}: ${found ? 'seen' : 'not found'}${jacketYear === undefined ? '' : `, jacket of ${jacketYear}`}`,
    );
    return [
      ...(panelSkipped === null
        ? []
        : [text(`No ${lower(parts.panel)} was looked at: ${lower(parts.panelSkips[panelSkipped])}.`)]),
      ...panels.flatMap((panel) => panelBlocks(panel, parts)),
      ...(sought.length === 0 ? [] : [text(`${parts.metalSought}: ${sought.join('; ')}.`)]),
      ...(boxes.length === 0
        ? []
        : [
            {
              kind: 'list' as const,
              items: boxes.map(({ name, jacketYear, ground, remedy }) => [
                `${name}: ${some(
                  jacketYear !== undefined && `jacket of ${jacketYear}`,
                  ground !== undefined && (ground ? parts.groundSeen : parts.noGround),
                  remedy !== undefined && lower(parts.remediesInPlace[remedy]),
                )}`,
              ]),
            },
          ]),
      ...adapters.map(({ name, tab }) => text(`${name}: adapter in use. ${parts.adapterTabs[tab]}.`)),
    ];
  };

const dimmerSaid = (
  { point: { dimmer: measured }, dimmer }: SectionData<'switches'>['points'][number],
  parts: PartWords,
): string => {
  const { plate, unit = 'F', watts, rated, sidesOff, ganged, lamps } = measured;
  const isSaid = (value: number | null | undefined): value is number => value !== null && value !== undefined;
  return some(
    isSaid(plate) && `plate ${plate} °${unit}`,
    isSaid(watts) && `${watts} W on it`,
    isSaid(rated) && `rated ${rated} W`,
    isSaid(sidesOff) && `${sidesOff} side fins off`,
    isSaid(ganged) && `${ganged} in its box`,
    lamps !== undefined && parts.lampKinds[lamps],
    dimmer.allowed !== null && dimmer.allowed !== rated && `may carry ${dimmer.allowed} W`,
  );
};

/** "up–down" */
export const leversOf = (positions: string): string =>
  [...positions].map((lever) => (lever === 'u' ? 'up' : 'down')).join('–');

export const switches =
  ({ parts, rules }: PartSectionWords) =>
  ({ points }: SectionData<'switches'>): readonly Block[] => [
    {
      kind: 'list',
      items: points.map((one) => {
        const { point, room, fits, receptacles, shell } = one;
        const { pointKind = 'switch', switches: count, works, signs, combinations } = point;
        const tried = Object.entries(combinations).map(
          ([at, lit]) => `${leversOf(at)} ${lit ? 'on' : 'off'}`,
        );
        const said = some(
          point.name !== undefined && lower(parts.pointKinds[pointKind]),
          room,
          count !== undefined && `${count} switches`,
          works === true && 'works',
          works === false && 'does not work',
          ...signs.map((sign) => lower(parts.pointSigns[sign])),
          tried.length > 0 && `levers ${tried.join(', ')}`,
          fits !== null && fits.length > 0 && or(fits.map((fault) => parts.groupFaults[fault])),
          receptacles.length > 0 && `turns ${comma(receptacles)} on and off`,
          dimmerSaid(one, parts),
          typeof point.shell.switchOn === 'number' && `shell ${point.shell.switchOn} V switched on`,
          typeof point.shell.switchOff === 'number' && `shell ${point.shell.switchOff} V switched off`,
          shell === 'sound' && 'shell on the neutral',
        );
        return [{ strong: point.name ?? rules.pointName(pointKind) }, said === '' ? '' : `: ${said}`];
      }),
    },
  ];
