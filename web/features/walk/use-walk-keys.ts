'use client';

import { lampPatterns } from '@fair-plug/core/instruments';
import type { House } from '@fair-plug/core/log';
import type { ScreenWords, Spoken } from '@fair-plug/core/words';
import { useDisclosure } from '@mantine/hooks';
import { useWords } from '@/components/region-words';
import { useKeys, useKeysBack } from '@/components/use-keys';
import type { Walk } from './use-walk';
import { stepInRoom, stepRoom } from './walk-order';
import { type SheetId, sheetIds, sheetName, sheetWords } from './words';

/** The keys of the walk, as the list under "?" names them. */
export const walkKeys = ({ walk }: ScreenWords): readonly (readonly [key: string, does: string])[] => [
  ['1', 'Reads correct: record and go on'],
  ['2 … 8', 'Record the pattern with that number'],
  ['J K L', walk.changeLamps],
  ['Enter', 'Record what is shown, or go on to the next'],
  ['Esc', 'Discard what is not recorded'],
  ['← →', walk.previousNext],
  ['↑ ↓', 'Previous, next room'],
  ['A', walk.add],
  ['M', 'Enter what another instrument shows'],
  ['S', 'The next test worth doing'],
  ...sheetIds.map((id): readonly [string, string] => [sheetWords[id].key, sheetName(id, walk)]),
  ['U', 'Undo'],
  ['⇧U', 'Redo'],
  ['?', 'This list'],
];

export interface MainAction {
  readonly words: string;
  readonly key: 'Enter' | '1';
  /** `at`: the time stamp of the press. */
  readonly act: (at: number) => void;
}

/** What Enter and the large button do. Where it is dangerous, nothing asks for a tester to be plugged in. */
export function mainAction(walk: Walk, words: Spoken): MainAction {
  const { isDraft, lamps, verdict, isRead, danger } = walk.shown;
  // One key that does different things: the second press of a double tap must not do what the screen says by then.
  const once = (act: (at: number) => void) => (at: number) => {
    if (walk.record.counts('main', at)) act(at);
  };
  if (isDraft && lamps !== null && verdict !== null)
    return {
      words: `Record: ${words.verdict(verdict).headline.toLowerCase()}`,
      key: 'Enter',
      act: once((at) => walk.record.lamps(lamps, at)),
    };
  if (isRead || danger !== null) return { words: 'Next', key: 'Enter', act: once(walk.moves.goOn) };
  return { words: 'Correct – next', key: '1', act: once((at) => walk.record.pattern('hn-hg', at)) };
}

export interface WalkKeyActions {
  readonly onEnterReading: () => void;
  readonly onNextTest: () => void;
  readonly onSheet: (sheet: SheetId) => void;
}

export function useWalkKeys(
  house: House,
  walk: Walk,
  isEntering: boolean,
  { onEnterReading, onNextTest, onSheet }: WalkKeyActions,
) {
  const words = useWords();
  const [opened, { open, close }] = useDisclosure(false);
  const { currentPlace } = walk.here;
  const unlessHelp = (act: () => void) => () => {
    if (!opened && !isEntering) act();
  };
  /** A key that records; held down, it counts once. */
  const recording = (act: (at: number) => void) => (event: KeyboardEvent) => {
    if (!opened && !isEntering && !event.repeat) act(event.timeStamp);
  };
  const move = (step: 1 | -1) => () => {
    if (currentPlace !== null) walk.moves.take(stepInRoom(house, currentPlace, step));
  };
  const moveRoom = (step: 1 | -1) => () => {
    const to = currentPlace === null ? null : stepRoom(house, currentPlace.room, step);
    if (to !== null) walk.moves.take(to);
  };
  useKeys([
    ...lampPatterns.map((pattern, index): [string, (event: KeyboardEvent) => void] => [
      String(index + 1),
      recording((at) => walk.record.pattern(pattern, at)),
    ]),
    ['J', unlessHelp(() => walk.shown.toggle('hn'))],
    ['K', unlessHelp(() => walk.shown.toggle('ng'))],
    ['L', unlessHelp(() => walk.shown.toggle('hg'))],
    ['Escape', unlessHelp(walk.shown.discard)],
    ['ArrowLeft', unlessHelp(move(-1))],
    ['ArrowRight', unlessHelp(move(1))],
    ['ArrowUp', unlessHelp(moveRoom(-1))],
    ['ArrowDown', unlessHelp(moveRoom(1))],
    [
      'A',
      unlessHelp(() => {
        if (currentPlace !== null) walk.moves.take({ room: currentPlace.room, receptacle: null });
      }),
    ],
    ['M', unlessHelp(onEnterReading)],
    ['S', unlessHelp(onNextTest)],
    ...sheetIds.map((id): [string, () => void] => [sheetWords[id].key, unlessHelp(() => onSheet(id))]),
    ['U', unlessHelp(walk.record.undo)],
    ['mod+Z', unlessHelp(walk.record.undo)],
    ['shift+U', unlessHelp(walk.record.redo)],
    ['mod+shift+Z', unlessHelp(walk.record.redo)],
    ['shift+?', open],
    ['?', open],
  ]);
  useKeysBack();
  // A focused button or link has its own Enter.
  useKeys(
    [['Enter', recording(mainAction(walk, words).act)]],
    ['INPUT', 'TEXTAREA', 'SELECT', 'BUTTON', 'A'],
  );
  return { opened, open, close };
}
