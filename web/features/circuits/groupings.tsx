import type { Assessment } from '@fair-plug/core/assessment';
import { receptaclesOf } from '@fair-plug/core/log';
import { Button, Checkbox, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useWords } from '@/components/region-words';
import { Sheet } from '@/components/sheet';
import type { Recorder } from '@/local/use-recorder';
import classes from './groupings.module.css';

export interface GroupingsProps {
  readonly assessment: Assessment;
  readonly record: Recorder | null;
  readonly nameOf: (id: string) => string;
}

type Group = Assessment['likelyGroups'][number];

/** Receptacles that look as if one breaker fed them: to be put on one, all or some, or said to have nothing in common. */
export function Groupings({ assessment, record, nameOf }: GroupingsProps) {
  const words = useWords();
  const [taken, take] = useState<Group | null>(null);
  const { likelyGroups } = assessment;
  if (likelyGroups.length === 0) return null;
  return (
    <ul className={classes.list} aria-label="Likely circuits">
      {likelyGroups.map((group) => (
        <li key={group.outlets.join()}>
          <p>
            <strong>{words.conditions[group.condition].name}</strong> at {group.outlets.length} neighbours:{' '}
            {group.outlets.map(nameOf).join(', ')}. One cause on one circuit would explain them.
          </p>
          {record !== null && (
            <div className={classes.actions}>
              <Button size="sm" onClick={() => take(group)}>
                Put on a breaker …
              </Button>
              <Button
                size="sm"
                variant="default"
                onClick={() => record({ kind: 'set-apart', receptacles: [...group.outlets], apart: true })}
              >
                Nothing in common
              </Button>
            </div>
          )}
        </li>
      ))}
      {taken !== null && record !== null && (
        <Sheet opened title="Put on a breaker" onClose={() => take(null)}>
          <AcceptGroup
            group={taken}
            nameOf={nameOf}
            onAccept={(breaker, chosen) => {
              record(({ house }) => {
                const places = new Map(receptaclesOf(house).map(({ id, place }) => [id, place]));
                return chosen.map((receptacle) => ({
                  kind: 'receptacle-fed' as const,
                  receptacle,
                  breaker,
                  place: places.get(receptacle) ?? null,
                }));
              });
              take(null);
            }}
          />
        </Sheet>
      )}
    </ul>
  );
}

interface AcceptGroupProps {
  readonly group: Group;
  readonly nameOf: (id: string) => string;
  readonly onAccept: (breaker: string, receptacles: readonly string[]) => void;
}

function AcceptGroup({ group, nameOf, onAccept }: AcceptGroupProps) {
  const [breaker, setBreaker] = useState('');
  const [chosen, setChosen] = useState<readonly string[]>(group.outlets);
  return (
    <form
      className={classes.form}
      onSubmit={(event) => {
        event.preventDefault();
        if (breaker.trim() !== '' && chosen.length > 0) onAccept(breaker.trim(), chosen);
      }}
    >
      <TextInput
        label="Breaker, as the directory has it"
        data-autofocus
        maxLength={40}
        value={breaker}
        onChange={(event) => setBreaker(event.currentTarget.value)}
      />
      {group.outlets.map((id) => (
        <Checkbox
          key={id}
          label={nameOf(id)}
          checked={chosen.includes(id)}
          onChange={(event) => {
            const isIn = event.currentTarget.checked;
            setChosen((before) => (isIn ? [...before, id] : before.filter((one) => one !== id)));
          }}
        />
      ))}
      <Button type="submit" disabled={breaker.trim() === '' || chosen.length === 0}>
        Put {chosen.length} on it
      </Button>
    </form>
  );
}
