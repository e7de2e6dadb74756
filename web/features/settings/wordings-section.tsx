import { type ConditionId, conditionIds, conditions } from '@fair-plug/core/knowledge';
import { type WordingPlace, wordingPlaces } from '@fair-plug/core/log';
import { type FillIns, filledIn, fillInNames } from '@fair-plug/core/report';
import { NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { useWords } from '@/components/region-words';
import { SavedWords } from '@/components/saved-fields';
import { useLocal } from '@/local/local-store';
import classes from './settings.module.css';
import type { SettingsProps } from './settings-props';

const placeWords: Readonly<Record<WordingPlace, { readonly label: string; readonly description: string }>> = {
  introduction: {
    label: 'Introduction',
    description: 'Below the address; left out where nothing stands here.',
  },
  method: { label: 'Method and limits', description: 'In place of the usual paragraphs.' },
  closing: { label: 'Closing', description: 'After the cautions.' },
};

/** The firm's own words, with what they will look like in a report. */
export function WordingsSection({ firm, settle }: SettingsProps) {
  const words = useWords();
  const { identity } = useLocal();
  const [typed, setTyped] = useState<Partial<Record<WordingPlace, string>>>({});
  const [condition, setCondition] = useState<ConditionId>('reversed-polarity');
  const sample: FillIns = {
    address: '27 Lantern Hollow',
    client: 'the client',
    date: '4 May 2026',
    inspector: identity.person.name,
    firm: identity.firm.name,
    licence: firm.letterhead.licence ?? '',
  };
  return (
    <section className={classes.section} aria-labelledby="wordings">
      <h2 id="wordings">Wording</h2>
      <p className={classes.soft}>
        In braces stands what is filled in: {fillInNames.map((name) => `{${name}}`).join(', ')}.
      </p>
      {wordingPlaces.map((place) => {
        const shown = typed[place] ?? firm.wordings[place] ?? '';
        return (
          <div key={place} className={classes.columns}>
            <SavedWords
              {...placeWords[place]}
              value={firm.wordings[place] ?? null}
              longest={4000}
              isDisabled={settle === null}
              onType={(text) => setTyped({ ...typed, [place]: text })}
              onSave={(text) => {
                settle?.({ kind: 'wording-saved', of: place, text });
                setTyped({ ...typed, [place]: text ?? '' });
              }}
            />
            <figure className={classes.preview}>
              <figcaption>In a report</figcaption>
              <p className={classes.lines}>{shown === '' ? '—' : filledIn(shown, sample)}</p>
            </figure>
          </div>
        );
      })}
      <div className={classes.columns}>
        <div className={classes.fields}>
          <NativeSelect
            label="Correction of"
            value={condition}
            data={conditionIds
              .filter((id) => conditions[id].urgency !== null)
              .map((id) => ({ value: id, label: words.conditions[id].name }))}
            onChange={(event) => setCondition(event.currentTarget.value as ConditionId)}
          />
          <SavedWords
            key={condition}
            label="In the firm’s words"
            description="In place of the usual sentence, wherever this condition is found."
            value={firm.practice.corrections[condition] ?? null}
            longest={1000}
            isDisabled={settle === null}
            onSave={(text) => settle?.({ kind: 'wording-saved', of: { correctionOf: condition }, text })}
          />
        </div>
        <figure className={classes.preview}>
          <figcaption>The usual sentence</figcaption>
          <p>{words.conditions[condition].correction}</p>
        </figure>
      </div>
    </section>
  );
}
