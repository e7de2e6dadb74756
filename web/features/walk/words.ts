import { type InstrumentId, instruments } from '@fair-plug/core/instruments';
import type { ScreenWords } from '@fair-plug/core/words';

/** What is entered beside the lamps; each opens a sheet of its own. */
export const sheetIds = [
  'ground-fault',
  'visible-defects',
  'kind',
  'not-reached',
  'cover-off',
  'breaker',
  'photos',
  'note',
  'edit',
  'history',
  'function-checks',
  'panel',
  'switches',
  'heat',
  'aluminum',
  'close-out',
] as const;
export type SheetId = (typeof sheetIds)[number];

/** What a next test opens. */
export const sheetFor = (instrument: InstrumentId): SheetId | null =>
  instruments[instrument].watches === undefined ? null : 'ground-fault';

export interface SheetWords {
  readonly name: string;
  readonly key: string;
}

export const sheetWords: Readonly<Record<SheetId, SheetWords>> = {
  'ground-fault': { name: 'Ground-fault test', key: 'G' },
  'visible-defects': { name: 'Visible defects', key: 'O' },
  kind: { name: 'Kind and place', key: 'T' },
  'not-reached': { name: 'Not reached', key: 'N' },
  'cover-off': { name: 'Cover off', key: 'C' },
  breaker: { name: 'Breaker', key: 'B' },
  photos: { name: 'Photos', key: 'V' },
  note: { name: 'Note', key: 'W' },
  edit: { name: 'Rename, move, merge', key: 'E' },
  history: { name: 'History', key: 'H' },
  'function-checks': { name: 'Function checks', key: 'P' },
  panel: { name: 'Panel', key: 'D' },
  switches: { name: 'Switches and lights', key: 'I' },
  heat: { name: 'Heat', key: 'R' },
  aluminum: { name: 'Aluminum', key: 'Y' },
  'close-out': { name: 'Close-out', key: 'F' },
};

/** Some are called otherwise in another English. */
export function sheetName(id: SheetId, walk: ScreenWords['walk']): string {
  if (id === 'ground-fault') return walk.groundFaultTest;
  if (id === 'panel') return walk.panel;
  return id === 'aluminum' ? walk.aluminum : sheetWords[id].name;
}
