import type { ConductorSize } from '@fair-plug/core/knowledge';
import type { JobStatement } from '@fair-plug/core/log';

/** The directory of the demo's panel: number, amperes, what it says, and the copper on it. */
const directory: readonly (readonly [number: string, amps: number, feeds: string, size: ConductorSize])[] = [
  ['1', 40, 'Range', '8'],
  ['2', 30, 'Dryer', '10'],
  ['5', 20, 'Kitchen counter left', '12'],
  ['6', 20, 'Kitchen counter right', '12'],
  ['7', 15, 'Front bedroom', '14'],
  ['8', 15, 'Living room', '14'],
  ['9', 20, 'Sunroom', '14'],
  ['10', 20, 'Laundry', '12'],
  ['11', 15, 'Bath, hall, entry', '14'],
  ['12', 15, 'Family room', '14'],
  ['13', 15, 'Main bedroom', '14'],
  ['14', 15, 'Dining room', '14'],
  ['15', 15, 'Back bedroom', '14'],
  ['16', 15, '', '14'],
];

/** Temperatures of a drawn picture: a breaker’s screw on a row of them, 24 across and 16 down. */
function picture(): readonly number[] {
  const columns = 24;
  return Array.from({ length: columns * 16 }, (_, at) => {
    const [x, y] = [at % columns, Math.floor(at / columns)];
    const screw = 18.6 * Math.exp(-((x - 15) ** 2 + (y - 6) ** 2) / 9);
    const bar = y > 10 ? 1.6 : 0;
    return Math.round((28.4 + screw + bar + 0.6 * Math.sin(x / 2)) * 10) / 10;
  });
}

/** Copper at the panel of 2004; behind the oldest covers it is another metal. */
const oldBox = (receptacle: string): JobStatement => ({
  kind: 'cover-off',
  receptacle,
  provedDead: true,
  metal: 'aluminum',
  awg: 12,
  ground: true,
});

/** What of the demo’s house is no receptacle; `idOf` gives each thing its id. */
export function demoParts(idOf: (name: string) => string): readonly JobStatement[] {
  const panel = idOf('panel');
  const spot = idOf('spot');
  const [stairs, dimmer, porch] = [idOf('stairs'), idOf('dimmer'), idOf('porch')];
  const tried = { uu: true, ud: false, du: false, dd: true };
  return [
    oldBox(idOf('Front bedroom 3')),
    {
      kind: 'panel-described',
      panel,
      panelKind: 'main',
      rating: 150,
      mainAmps: 100,
      legs: 'split',
      madeIn: 2004,
    },
    { kind: 'panel-opened', panel, byQualified: true },
    { kind: 'panel-described', panel, neutralBar: 'copper' },
    ...directory.map(
      ([number, amps, feeds, size]): JobStatement => ({
        kind: 'breaker-described',
        panel,
        position: idOf(`breaker ${number}`),
        number,
        amps,
        ...(feeds === '' ? {} : { feeds }),
        protects: 'plain',
        metal: 'copper',
        size,
      }),
    ),
    { kind: 'panel-checked', panel, check: 'doubled-neutrals', found: 'seen' },
    { kind: 'panel-checked', panel, check: 'scorch', found: 'not-seen' },
    { kind: 'panel-checked', panel, check: 'rust', found: 'not-seen' },
    { kind: 'panel-checked', panel, check: 'neutral-loose', found: 'not-looked-for' },
    { kind: 'load-planned', load: 'range', planned: true, agreedBy: 'Nessa Averdale' },
    { kind: 'load-planned', load: 'dryer', planned: true, agreedBy: 'Nessa Averdale' },
    {
      kind: 'hot-spot-measured',
      spot,
      where: 'Breaker 1, upper screw',
      unit: 'C',
      degrees: 47,
      similar: 34.5,
      ambient: 26,
      loadAmps: 31,
      emissivity: 0.95,
    },
    { kind: 'thermal-picture-read', spot, unit: 'C', columns: 24, temperatures: [...picture()] },
    {
      kind: 'point-described',
      point: stairs,
      room: idOf('Hall'),
      pointKind: 'three-way',
      name: 'Stairs light',
    },
    ...Object.entries(tried).map(
      ([positions, lit]): JobStatement => ({
        kind: 'combination-tried',
        point: stairs,
        positions,
        lit,
      }),
    ),
    {
      kind: 'point-described',
      point: dimmer,
      room: idOf('Dining room'),
      pointKind: 'dimmer',
      name: 'Dining room dimmer',
    },
    { kind: 'dimmer-measured', point: dimmer, plate: 124, unit: 'F', watts: 540, rated: 600, ganged: 2 },
    {
      kind: 'point-described',
      point: porch,
      room: idOf('Entry'),
      pointKind: 'lampholder',
      name: 'Porch light',
    },
    { kind: 'lampholder-measured', point: porch, switchOn: 0.4, switchOff: 118 },
  ];
}
