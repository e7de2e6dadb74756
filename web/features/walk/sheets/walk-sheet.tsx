import { type ComponentType, memo } from 'react';
import { useWords } from '@/components/region-words';
import { Sheet } from '@/components/sheet';
import { whenUsed } from '@/components/when-used';
import { type SheetId, sheetName } from '../words';
import { NotReachedSheet } from './not-reached-sheet';
import type { SheetProps } from './sheet-props';
import { VisibleDefectsSheet } from './visible-defects-sheet';

/**
 * What is met at few receptacles is loaded when it is first opened; the service worker has it. Those that are answered
 * by a digit are there at once: it may be pressed before anything could be loaded.
 */
const sheets: Readonly<Record<SheetId, ComponentType<SheetProps>>> = {
  'visible-defects': VisibleDefectsSheet,
  'not-reached': NotReachedSheet,
  photos: whenUsed(() => import('./photos-sheet').then((one) => one.PhotosSheet)),
  note: whenUsed(() => import('./note-sheet').then((one) => one.NoteSheet)),
  'function-checks': whenUsed(() => import('@/components/function-checks').then((one) => one.FunctionChecks)),
  'ground-fault': whenUsed(() => import('./ground-fault-sheet').then((one) => one.GroundFaultSheet)),
  kind: whenUsed(() => import('./kind-sheet').then((one) => one.KindSheet)),
  'cover-off': whenUsed(() => import('./cover-off-sheet').then((one) => one.CoverOffSheet)),
  breaker: whenUsed(() => import('./breaker-sheet').then((one) => one.BreakerSheet)),
  edit: whenUsed(() => import('./edit-sheet').then((one) => one.EditSheet)),
  history: whenUsed(() => import('./history-sheet').then((one) => one.HistorySheet)),
  panel: whenUsed(() => import('./panel-sheet').then((one) => one.PanelSheet)),
  switches: whenUsed(() => import('./switches-sheet').then((one) => one.SwitchesSheet)),
  heat: whenUsed(() => import('./heat-sheet').then((one) => one.HeatSheet)),
  aluminum: whenUsed(() => import('./aluminum-sheet').then((one) => one.AluminumSheet)),
  'close-out': whenUsed(() => import('./close-out-sheet').then((one) => one.CloseOutSheet)),
};

const ofTheHouse: readonly SheetId[] = [
  'function-checks',
  'close-out',
  'breaker',
  'panel',
  'switches',
  'heat',
  'aluminum',
];

/** The sheet that is open, if one is; while none is, nothing that changes is drawn anew. */
export const WalkSheet = memo(
  function WalkSheet({ open, ...props }: SheetProps & { readonly open: SheetId | null }) {
    const { walk } = useWords().screens;
    const Content = open === null ? null : sheets[open];
    const title =
      open === null
        ? ''
        : ofTheHouse.includes(open)
          ? sheetName(open, walk)
          : `${props.walk.here.name}: ${sheetName(open, walk).toLowerCase()}`;
    return (
      <Sheet opened={open !== null} title={title} onClose={props.onClose}>
        {Content !== null && <Content {...props} />}
      </Sheet>
    );
  },
  (before, after) => before.open === null && after.open === null,
);
