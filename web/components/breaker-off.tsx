import { type House, type JobStatement, panelsOf, receptaclesOf } from '@fair-plug/core/log';
import { Button, TextInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { useDraft } from '@/local/use-draft';
import type { JobPart } from '@/local/use-logs';
import classes from './breaker-off.module.css';
import { DeadPicker, toggled } from './dead-picker';
import { FromBefore } from './from-before';
import { useWords } from './region-words';

/** Breakers of the directories, each once, with what they are said to feed. */
const numbersIn = (house: House): readonly (readonly [number: string, feeds: string])[] => [
  ...new Map(
    panelsOf(house).flatMap(({ breakers }) =>
      breakers.flatMap(({ number, feeds }) => (number === undefined ? [] : [[number, feeds ?? ''] as const])),
    ),
  ),
];

export interface BreakerOffProps {
  readonly job: string;
  readonly house: House;
  /** The breaker that is meant, as far as one is; empty where none is. */
  readonly of: string;
  /** Keeps what is said; `words` say what an undo would take back. */
  readonly record: (words: string, ...parts: readonly JobPart[]) => void;
  readonly onClose: () => void;
}

/** Which receptacles go dead with a breaker: only with leave. */
export function BreakerOff({ job, house, of, record, onClose }: BreakerOffProps) {
  const words = useWords();
  const draft = useDraft<{ breaker: string; dead: readonly string[] }>(`breaker ${job}`, {
    breaker: of,
    dead: [],
  });
  const { breaker, dead } = draft.fields;
  const [isKept, setKept] = useState(false);
  const [isAsked, setAsked] = useState(false);
  const askBack = useRef<HTMLDivElement>(null);
  // The button that was pressed is gone: whoever goes by keys, or by ear, is at what follows.
  useEffect(() => {
    if (isKept) askBack.current?.focus();
  }, [isKept]);
  if (house.breakerLeave !== true)
    return (
      <AskLeave
        onGiven={() => {
          setAsked(true);
          record('Leave to switch breakers', { kind: 'job-described', breakerLeave: true });
        }}
      />
    );
  const name = breaker.trim();
  const by = { kind: 'breaker' as const, breaker: name };
  const keepDead = (): void => {
    record(`Breaker ${name} feeds ${dead.length}`, (standing) => {
      const places = new Map(receptaclesOf(standing.house).map(({ id, place }) => [id, place]));
      return dead.flatMap((receptacle): JobStatement[] => [
        { kind: 'lost-power', by, outlet: receptacle, lost: true },
        { kind: 'receptacle-fed', receptacle, breaker: name, place: places.get(receptacle) ?? null },
      ]);
    });
    setKept(true);
  };
  if (isKept)
    return (
      <div className={classes.sheet} ref={askBack} tabIndex={-1}>
        <p>
          Breaker {name} feeds {dead.length}. Switch it on again, unless it was found off.
        </p>
        <Button
          size="lg"
          onClick={() => {
            record(`Breaker ${name}: power is back`, {
              kind: 'power-restored',
              by,
              restored: true,
            });
            draft.clear();
            onClose();
          }}
        >
          Power is back
        </Button>
      </div>
    );
  return (
    <div className={classes.sheet}>
      <p className={classes.caution}>
        {words.cautions.breaker}
        {house.leaveFrom !== null && ` Leave from ${house.leaveFrom}.`}
      </p>
      {house.keepPowered.length > 0 && (
        <p className={classes.strong}>Must not lose power: {house.keepPowered.join(', ')}.</p>
      )}
      <FromBefore draft={draft} />
      <TextInput
        label="Breaker, as the directory has it"
        maxLength={40}
        list="breakers"
        autoFocus={isAsked}
        value={breaker}
        onChange={(event) => draft.change({ breaker: event.currentTarget.value })}
      />
      <datalist id="breakers">
        {numbersIn(house).map(([number, feeds]) => (
          <option key={number} value={number}>
            {feeds}
          </option>
        ))}
      </datalist>
      <DeadPicker
        house={house}
        dead={dead}
        onToggle={(id) => draft.change((before) => ({ dead: toggled(before.dead, id) }))}
      />
      <Button disabled={name === '' || dead.length === 0} onClick={keepDead}>
        These {dead.length} went dead
      </Button>
    </div>
  );
}

function AskLeave({ onGiven }: { readonly onGiven: () => void }) {
  const words = useWords();
  return (
    <div className={classes.sheet}>
      <p>No leave to switch breakers is noted for this house. Ask first; warn the people in it.</p>
      <p className={classes.caution}>{words.cautions.breaker}</p>
      <Button variant="default" onClick={onGiven}>
        Leave was given
      </Button>
    </div>
  );
}
