import { circuitSaid, type House, sharedWith } from '@fair-plug/core/log';
import { Checkbox, NativeSelect } from '@mantine/core';
import type { Recorder } from '@/local/use-recorder';
import { placedOn } from './use-run-order';
import { breakerNames, emptyBreakers, type WiredCircuit } from './wired';
import classes from './wiring-form.module.css';

export interface WiringFormProps {
  readonly house: House;
  readonly circuit: WiredCircuit;
  readonly circuits: readonly WiredCircuit[];
  readonly record: Recorder;
}

const notKnown = '?';
const none = '-';

/** What a circuit is besides a plain run: a shared neutral, a ring, branches. */
export function WiringForm({ house, circuit, circuits, record }: WiringFormProps) {
  const { breaker } = circuit;
  const shared = sharedWith(house, breaker);
  const others = [
    ...circuits.flatMap(({ breakers }) => breakers),
    ...emptyBreakers(house, circuits).flatMap(({ number }) => number ?? []),
  ].filter((one) => one !== breaker);
  const run = circuit.breakers.flatMap((one) => placedOn(house, one));
  return (
    <details className={classes.form}>
      <summary>Shared neutral, ring, branches of {breakerNames(circuit)}</summary>
      <NativeSelect
        label="Shares its neutral with"
        description="A neutral of two breakers on opposite legs, as a three-wire cable has it."
        value={shared === undefined ? notKnown : (shared ?? none)}
        onChange={(event) => {
          const { value } = event.currentTarget;
          if (value === notKnown) return;
          record({ kind: 'circuit-described', breaker, sharesWith: value === none ? null : value });
        }}
        data={[
          { value: notKnown, label: 'Not known' },
          { value: none, label: 'No other breaker' },
          ...others.map((one) => ({ value: one, label: `Breaker ${one}` })),
        ]}
      />
      <Checkbox
        label="A ring: both of its ends meet at the panel"
        checked={circuitSaid(house, breaker).ring === true}
        disabled={circuit.breakers.length > 1}
        onChange={(event) =>
          record({ kind: 'circuit-described', breaker, ring: event.currentTarget.checked })
        }
      />
      {run.slice(1).map(({ id, name, fedFrom }, index) => {
        const before = run.slice(0, index + 1);
        return (
          <NativeSelect
            key={id}
            label={`${name} is fed from`}
            value={before.some((one) => one.id === fedFrom) ? fedFrom : ''}
            onChange={(event) =>
              record({ kind: 'branch-taken', receptacle: id, from: event.currentTarget.value || null })
            }
            data={[
              { value: '', label: 'the one before it along the run' },
              ...before.slice(0, -1).map((one) => ({ value: one.id, label: `a branch at ${one.name}` })),
            ]}
          />
        );
      })}
    </details>
  );
}
