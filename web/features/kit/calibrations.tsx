import { type InstrumentId, isOfDevice } from '@fair-plug/core/instruments';
import { calibrationOf } from '@fair-plug/core/knowledge';
import type { Tester } from '@fair-plug/core/log';
import { useWords } from '@/components/region-words';
import { SavedDay, SavedText } from '@/components/saved-fields';
import { useBag } from '@/local/use-bag';
import { useFirmSettings } from '@/local/use-firm-settings';
import { useKeep } from '@/local/use-logs';
import classes from './calibrations.module.css';

/** Serial numbers and calibration of what the firm reads with: they stand in the report beside what was read. */
export function Calibrations({ testers }: { readonly testers: readonly Tester[] }) {
  const words = useWords();
  const { practice } = useFirmSettings();
  const { bag } = useBag();
  const keep = useKeep();
  const rows: readonly {
    readonly instrument: InstrumentId;
    readonly tester: string | null;
    readonly name: string;
  }[] = [
    ...testers.map(({ id, name }) => ({ instrument: 'lamps' as const, tester: id, name })),
    ...bag
      .filter((instrument) => instrument !== 'lamps' && !isOfDevice(instrument))
      .map((instrument) => ({ instrument, tester: null, name: words.instruments[instrument].name })),
  ];
  if (rows.length === 0) return null;
  return (
    <section className={classes.calibrations} aria-labelledby="calibrations">
      <h2 id="calibrations">Serial numbers and calibration</h2>
      <p className={classes.soft}>
        In the report, beside what was read with each; noted there once a year old.
      </p>
      <ul>
        {rows.map(({ instrument, tester, name }) => {
          const known = calibrationOf(practice, instrument, tester);
          const save = (fields: { serial: string | null } | { calibratedOn: string | null }): void =>
            void keep?.inKit({
              kind: 'tester-calibrated',
              instrument,
              ...(tester === null ? {} : { tester }),
              ...fields,
            });
          return (
            <li key={`${instrument} ${tester}`}>
              <strong>{name}</strong>
              <SavedText
                label={`Serial number of ${name}`}
                isInRow
                placeholder="serial number"
                longest={60}
                isDisabled={keep === null}
                value={known?.serial ?? null}
                onSave={(serial) => save({ serial })}
              />
              <SavedDay
                label={`Calibration of ${name}`}
                isInRow
                isDisabled={keep === null}
                value={known?.calibratedOn ?? null}
                onSave={(calibratedOn) => save({ calibratedOn })}
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
