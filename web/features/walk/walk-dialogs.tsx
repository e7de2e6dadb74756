import { ReadingForm, type ReadingFormProps } from './reading-form';
import type { SheetProps } from './sheets/sheet-props';
import { WalkSheet } from './sheets/walk-sheet';
import { WalkKeysHelp } from './walk-keys-help';
import type { SheetId } from './words';

export interface WalkDialogsProps {
  readonly reading: ReadingFormProps;
  readonly sheet: SheetProps & { readonly open: SheetId | null };
  readonly help: { readonly opened: boolean; readonly close: () => void };
}

/** All that opens over the walk: a reading, a sheet, the list of its keys. */
export function WalkDialogs({ reading, sheet, help }: WalkDialogsProps) {
  return (
    <>
      <ReadingForm {...reading} />
      <WalkSheet {...sheet} />
      <WalkKeysHelp opened={help.opened} onClose={help.close} />
    </>
  );
}
