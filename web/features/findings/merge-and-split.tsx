import type { Finding, Place } from '@fair-plug/core/findings';
import { Button, Checkbox } from '@mantine/core';
import { useState } from 'react';
import { useWords } from '@/components/region-words';
import classes from './findings.module.css';

export interface MergeFormProps {
  readonly others: readonly Finding[];
  readonly onMerge: (into: string) => void;
}

export function MergeForm({ others, onMerge }: MergeFormProps) {
  return (
    <div className={classes.form}>
      <p className={classes.soft}>
        One finding then stands for both, as pressing as the more pressing of the two. It can be taken apart
        again.
      </p>
      <ul className={classes.choices}>
        {others.map(({ key, headline, receptacles }) => (
          <li key={key}>
            <Button variant="default" fullWidth justify="start" onClick={() => onMerge(key)}>
              {headline}
              {receptacles.length > 0 && ` · ${receptacles.map(({ name }) => name).join(', ')}`}
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

export interface SplitFormProps {
  readonly receptacles: readonly Place[];
  readonly onSplit: (receptacles: readonly string[]) => void;
}

export function SplitForm({ receptacles, onSplit }: SplitFormProps) {
  const words = useWords();
  const [apart, setApart] = useState<readonly string[]>([]);
  return (
    <div className={classes.form}>
      <p className={classes.soft}>Those ticked become a finding of their own.</p>
      <Checkbox.Group value={[...apart]} onChange={setApart} aria-label={words.screens.findings.toSplitOff}>
        <div className={classes.choices}>
          {receptacles.map(({ id, name }) => (
            <Checkbox key={id} value={id} label={name} />
          ))}
        </div>
      </Checkbox.Group>
      <Button
        disabled={apart.length === 0 || apart.length === receptacles.length}
        onClick={() => onSplit(apart)}
      >
        Split off
      </Button>
    </div>
  );
}
