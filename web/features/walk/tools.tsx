import { memo } from 'react';
import { useWords } from '@/components/region-words';
import classes from './verdict-panel.module.css';
import { type SheetId, sheetName, sheetWords } from './words';

/** What is often entered at a receptacle besides its lamps. */
const usualTools = [
  'photos',
  'note',
  'ground-fault',
  'visible-defects',
] as const satisfies readonly SheetId[];

/** What is rarely. */
const rareTools = ['kind', 'cover-off', 'breaker', 'edit', 'history'] as const satisfies readonly SheetId[];

/** What of the house is no receptacle, in the usual order of the work. */
const houseTools = ['panel', 'switches', 'heat', 'aluminum'] as const satisfies readonly SheetId[];

interface ToolsProps {
  readonly canRecord: boolean;
  readonly onSheet: (sheet: SheetId) => void;
  readonly onReading: () => void;
}

/** What else can be entered: the usual at hand, the rest one press further; a reading changes none of it. */
export const Tools = memo(function Tools({ canRecord, onSheet, onReading }: ToolsProps) {
  return (
    <>
      <section className={classes.more} aria-label="Enter here">
        <div className={classes.tools}>
          <button type="button" aria-keyshortcuts="M" onClick={onReading}>
            A reading <kbd className={classes.kbd}>M</kbd>
          </button>
          {usualTools.map((id) => (
            <Tool key={id} id={id} isOff={!canRecord} onSheet={onSheet} />
          ))}
        </div>
      </section>
      <details className={classes.rest}>
        <summary>More here, and elsewhere in the house</summary>
        <div className={classes.tools}>
          {rareTools.map((id) => (
            <Tool key={id} id={id} isOff={!canRecord && id !== 'history'} onSheet={onSheet} />
          ))}
        </div>
        <section aria-label="Elsewhere in the house">
          <p>Elsewhere in the house</p>
          <div className={classes.tools}>
            {houseTools.map((id) => (
              <Tool key={id} id={id} isOff={!canRecord} onSheet={onSheet} />
            ))}
          </div>
        </section>
      </details>
    </>
  );
});

interface ToolProps {
  readonly id: SheetId;
  readonly isOff: boolean;
  readonly onSheet: (sheet: SheetId) => void;
}

function Tool({ id, isOff, onSheet }: ToolProps) {
  const { walk } = useWords().screens;
  return (
    <button type="button" disabled={isOff} aria-keyshortcuts={sheetWords[id].key} onClick={() => onSheet(id)}>
      {sheetName(id, walk)} <kbd className={classes.kbd}>{sheetWords[id].key}</kbd>
    </button>
  );
}
