import { type ProtectionLabel, protectionLabels } from '@fair-plug/core/knowledge';
import { type JobStatement, whereIs } from '@fair-plug/core/log';
import { Checkbox } from '@mantine/core';
import { ChoiceKeys } from '@/components/choice-keys';
import { useWords } from '@/components/region-words';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import type { Walk } from '../use-walk';
import classes from './sheets.module.css';

/** About this many years a device lasts; moisture, insects and loose neutrals shorten it (common practice). */
const usualLife = 10;

type Noted = Omit<Extract<JobStatement, { kind: 'protection-noted' }>, 'kind' | 'receptacle'>;

/** Labels, the place of the reset, and the age of the device. */
export function ProtectionNotes({ walk }: { readonly walk: Walk }) {
  const words = useWords();
  const protection = walk.here.receptacle?.protection;
  const labels = protection?.labels ?? null;
  const madeIn = protection?.madeIn ?? null;
  const note = (fields: Noted, words: string): void =>
    walk.record.statement(
      (receptacle) => [{ kind: 'protection-noted', receptacle, ...fields }],
      `${walk.here.name}: ${words}`,
    );
  const toggle = (label: ProtectionLabel): void =>
    walk.record.statement((receptacle, house) => {
      const there = whereIs(house, receptacle)?.receptacle.protection.labels ?? [];
      return [{ kind: 'label-noted', receptacle, label, there: !there.includes(label) }];
    }, `${walk.here.name}: labels`);
  const noLabels = (): void =>
    walk.record.statement((receptacle, house) => {
      const there = whereIs(house, receptacle)?.receptacle.protection.labels ?? [];
      const off = there.map((label) => ({ kind: 'label-noted' as const, receptacle, label, there: false }));
      return [...off, { kind: 'labels-looked-for', receptacle }];
    }, `${walk.here.name}: no labels`);
  return (
    <section className={classes.part} aria-label="Labels and device">
      <h3>Labels and device</h3>
      <ChoiceKeys
        legend="Labels on it"
        choices={[
          ...protectionLabels.map((label) => [label, words.labels[label]] as const),
          ['none', 'None'] as const,
        ]}
        chosen={(label) => (label === 'none' ? labels?.length === 0 : (labels ?? []).includes(label))}
        onChoose={(label) => (label === 'none' ? noLabels() : toggle(label))}
      />
      <div className={classes.row}>
        <SavedText
          label="Reset is at"
          placeholder="here, or where"
          longest={80}
          value={protection?.resetAt ?? null}
          onSave={(resetAt) => note({ resetAt }, 'reset')}
        />
        <SavedNumber
          label="Year on the device"
          least={1970}
          most={2100}
          value={madeIn}
          onSave={(year) => note({ madeIn: year }, 'year of the device')}
        />
      </div>
      <Checkbox
        label="Locked out: it will not reset at all"
        checked={protection?.lockedOut ?? false}
        onChange={(event) => note({ lockedOut: event.currentTarget.checked }, 'locked out')}
      />
      <p className={classes.soft}>
        Devices last about {usualLife} years; newer ones lock out when they fail their own test. The upper
        button is the reset, as a rule.
      </p>
    </section>
  );
}
