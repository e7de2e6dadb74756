import { Button, FileButton } from '@mantine/core';
import { useState } from 'react';
import { SavedText, SavedWords } from '@/components/saved-fields';
import { RequestFailed } from '@/local/api';
import { useLocal } from '@/local/local-store';
import classes from './settings.module.css';
import type { SettingsProps } from './settings-props';
import { smallPicture } from './small-picture';

/** What stands at the head of every report. */
export function LetterheadSection({ firm, settle }: SettingsProps) {
  const { identity, api } = useLocal();
  const { lines, licence, mark } = firm.letterhead;
  const [failed, setFailed] = useState<string | null>(null);
  const isDisabled = settle === null;
  const takeMark = async (file: File | null): Promise<void> => {
    if (file === null) return;
    setFailed(null);
    try {
      const mark = await api.markFrom(await smallPicture(file));
      settle?.({ kind: 'letterhead-described', mark });
    } catch (error) {
      const isAway = error instanceof RequestFailed && error.code === 'server-away';
      setFailed(
        isAway
          ? 'The server looks at pictures first. Upload it when the server can be reached.'
          : error instanceof Error
            ? error.message
            : 'This picture cannot be read.',
      );
    }
  };
  return (
    <section className={classes.section} aria-labelledby="letterhead">
      <h2 id="letterhead">Letterhead</h2>
      <div className={classes.columns}>
        <div className={classes.fields}>
          <SavedWords
            label="Below the firm’s name"
            placeholder="Address, telephone, e-mail"
            value={lines}
            longest={400}
            isDisabled={isDisabled}
            onSave={(text) => settle?.({ kind: 'letterhead-described', lines: text })}
          />
          <SavedText
            label="Licence"
            value={licence}
            longest={120}
            isDisabled={isDisabled}
            onSave={(text) => settle?.({ kind: 'letterhead-described', licence: text })}
          />
          <div className={classes.row}>
            <FileButton accept="image/png,image/jpeg" onChange={takeMark} disabled={isDisabled}>
              {(props) => (
                <Button variant="default" {...props}>
                  Upload a mark
                </Button>
              )}
            </FileButton>
            {mark !== null && !isDisabled && (
              <Button
                variant="default"
                onClick={() => settle?.({ kind: 'letterhead-described', mark: null })}
              >
                Remove it
              </Button>
            )}
          </div>
          {failed !== null && <p role="alert">{failed}</p>}
        </div>
        <figure className={classes.preview}>
          <figcaption>As it heads the report</figcaption>
          <div className={classes.letterhead}>
            {/* biome-ignore lint/performance/noImgElement: a data address from the firm's own log, nothing to optimize */}
            {mark !== null && <img src={mark} alt="" />}
            <div>
              <strong>{identity.firm.name}</strong>
              {lines !== null && <p className={classes.lines}>{lines}</p>}
              {licence !== null && <p>{licence}</p>}
            </div>
          </div>
        </figure>
      </div>
    </section>
  );
}
