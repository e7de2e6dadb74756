import { usualPhotoDays } from '@fair-plug/core/log';
import { v7 } from 'uuid';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import classes from './settings.module.css';
import type { SettingsProps } from './settings-props';

/** What is offered while notes and captions are typed, and how long photos are kept that were taken back. */
export function PhotosSection({ firm, settle }: SettingsProps) {
  const { phrases = [], photoDays = usualPhotoDays } = firm;
  return (
    <section className={classes.section} aria-labelledby="notes-and-photos">
      <h2 id="notes-and-photos">Notes and photos</h2>
      <p className={classes.soft}>Phrases are offered while a note or a caption is typed.</p>
      <div className={classes.fields}>
        {phrases.map(({ id, text }, index) => (
          <SavedText
            key={id}
            label={`Phrase ${index + 1}`}
            longest={200}
            value={text}
            isDisabled={settle === null}
            onSave={(to) => settle?.({ kind: 'phrase-saved', phrase: id, text: to })}
          />
        ))}
        {settle !== null && (
          <SavedText
            // Empty again once it is one of those above.
            key={phrases.length}
            label="One more phrase"
            longest={200}
            value={null}
            onSave={(text) => text !== null && settle({ kind: 'phrase-saved', phrase: v7(), text })}
          />
        )}
      </div>
      <div className={classes.fields}>
        <SavedNumber
          label="Days that photos are kept after they were taken back"
          suffix=" days"
          least={0}
          most={3650}
          value={photoDays}
          isDisabled={settle === null}
          onSave={(days) => settle?.({ kind: 'photo-keeping-chosen', days: days ?? usualPhotoDays })}
        />
      </div>
    </section>
  );
}
