import { cautions } from '@fair-plug/core/conditions';
import { type JobStatement, receptaclesOf } from '@fair-plug/core/inspection';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Words } from '@/components/region-words';
import { DeadPicker } from './dead-picker';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

/** Which receptacles go dead with a breaker: only with leave. */
export function BreakerSheet({ house, walk, onClose }: SheetProps) {
  const [breaker, setBreaker] = useState(walk.receptacle?.breaker ?? '');
  const [dead, setDead] = useState<ReadonlySet<string>>(new Set());
  const [isKept, setKept] = useState(false);
  if (house.breakerLeave !== true) return <AskLeave walk={walk} />;
  const name = breaker.trim();
  const tell = (powerBack: boolean): JobStatement => ({
    kind: 'went-dead',
    by: { kind: 'breaker', breaker: name },
    dead: [...dead],
    powerBack,
  });
  const keepDead = (): void => {
    const places = new Map(receptaclesOf(house).map(({ id, place }) => [id, place]));
    walk.tell(
      `Breaker ${name} feeds ${dead.size}`,
      tell(false),
      ...[...dead].map(
        (receptacle): JobStatement => ({
          kind: 'receptacle-fed',
          receptacle,
          breaker: name,
          place: places.get(receptacle) ?? null,
        }),
      ),
    );
    setKept(true);
  };
  if (isKept)
    return (
      <div className={classes.sheet}>
        <p>
          Breaker {name} feeds {dead.size}. Switch it on again, unless it was found off.
        </p>
        <Button
          size="lg"
          onClick={() => {
            walk.tell(`Breaker ${name}: power is back`, tell(true));
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
        <Words>{cautions.breaker}</Words>
        {house.leaveFrom !== null && ` Leave from ${house.leaveFrom}.`}
      </p>
      {house.keepPowered.length > 0 && (
        <p className={classes.strong}>Must not lose power: {house.keepPowered.join(', ')}.</p>
      )}
      <TextInput
        label="Breaker, as the directory has it"
        maxLength={40}
        value={breaker}
        onChange={(event) => setBreaker(event.currentTarget.value)}
      />
      <DeadPicker house={house} dead={dead} onDead={setDead} />
      <Button disabled={name === '' || dead.size === 0} onClick={keepDead}>
        These {dead.size} went dead
      </Button>
    </div>
  );
}

function AskLeave({ walk }: Pick<SheetProps, 'walk'>) {
  return (
    <div className={classes.sheet}>
      <p>No leave to switch breakers is noted for this house. Ask first; warn the people in it.</p>
      <p className={classes.caution}>
        <Words>{cautions.breaker}</Words>
      </p>
      <Button
        variant="default"
        onClick={() => walk.tell('Leave to switch breakers', { kind: 'job-described', breakerLeave: true })}
      >
        Leave was given
      </Button>
    </div>
  );
}
