import type { Circuit } from '@fair-plug/core/circuit';
import type { Fault } from '@fair-plug/core/faults';
import type { Conductor } from '@fair-plug/core/physics';
import { NativeSelect } from '@mantine/core';
import classes from './bench.module.css';
import { hasFault, toggleFault, withDevice, withLoad } from './bench-circuit';
import type { Bench } from './use-bench';

const three: readonly Conductor[] = ['hot', 'neutral', 'ground'];
const couples: readonly (readonly [Conductor, Conductor])[] = [
  ['hot', 'neutral'],
  ['hot', 'ground'],
  ['neutral', 'ground'],
];
const couple = ([a, b]: readonly [Conductor, Conductor]): string => `${a}–${b}`;

interface Choice {
  readonly name: string;
  readonly fault: Fault;
}

/** Faults of the receptacle or cable in hand, each put in and taken out by one press; loads and protection. */
export function SitePanel({ bench }: { readonly bench: Bench }) {
  const { circuit, picked } = bench;
  const outlet = circuit.outlets[picked.position];
  const cable = circuit.cables[picked.position];
  if (outlet === undefined || cable === undefined) return null;
  const site = picked.kind === 'cable' ? { cable: cable.id } : { at: outlet.id };
  const groups: readonly (readonly [string, readonly Choice[]])[] = [
    ['Open', three.map((conductor) => ({ name: conductor, fault: { kind: 'open', conductor, ...site } }))],
    [
      'Poor connection, 1 Ω',
      three.map((conductor) => ({
        name: conductor,
        fault: { kind: 'resistance', conductor, ohms: 1, ...site },
      })),
    ],
    [
      'Exchanged',
      couples.map((two) => ({
        name: couple(two),
        fault: { kind: 'swap', conductors: [...two], ...site } as Fault,
      })),
    ],
    ...(picked.kind === 'cable'
      ? []
      : [
          [
            'Jumper',
            couples.map((two) => ({
              name: couple(two),
              fault: { kind: 'bond', conductors: [...two], at: outlet.id } as Fault,
            })),
          ] as const,
        ]),
  ];
  return (
    <section className={classes.site} aria-label="Faults">
      <h2>{picked.kind === 'cable' ? `Cable to ${outlet.id}` : outlet.id}</h2>
      {groups.map(([title, choices]) => (
        <fieldset key={title} className={classes.group}>
          <legend>{title}</legend>
          <div className={classes.choices}>
            {choices.map(({ name, fault }) => (
              <button
                key={name}
                type="button"
                className={classes.choice}
                aria-pressed={hasFault(circuit, fault)}
                onClick={() => bench.change(toggleFault(circuit, fault))}
              >
                {name}
              </button>
            ))}
          </div>
        </fieldset>
      ))}
      {picked.kind === 'outlet' && <AtOutlet circuit={circuit} id={outlet.id} onChange={bench.change} />}
    </section>
  );
}

const watts = ['0', '15', '60', '300', '900', '1500'];

function AtOutlet({
  circuit,
  id,
  onChange,
}: {
  readonly circuit: Circuit;
  readonly id: string;
  readonly onChange: (circuit: Circuit) => void;
}) {
  const load = circuit.loads.find((one) => one.at === id && one.on)?.watts ?? 0;
  const device = circuit.protection.find((one) => one.at === id);
  return (
    <div className={classes.selects}>
      <NativeSelect
        label="Load switched on"
        data={[...new Set([...watts, String(load)])].map((value) => ({
          value,
          label: value === '0' ? 'none' : `${value} W`,
        }))}
        value={String(load)}
        onChange={(event) => onChange(withLoad(circuit, id, Number(event.currentTarget.value)))}
      />
      <NativeSelect
        label="Protection here"
        data={[
          { value: '', label: 'none' },
          { value: 'gfci', label: 'GFCI, covers downstream' },
          { value: 'rcd', label: 'RCD 30 mA, covers downstream' },
        ]}
        value={device?.kind ?? ''}
        onChange={(event) => {
          const { value } = event.currentTarget;
          const kind = value === 'gfci' || value === 'rcd' ? value : null;
          onChange(
            withDevice(circuit, id, kind === null ? null : { kind, covers: 'downstream', state: 'set' }),
          );
        }}
      />
      {device && (
        <NativeSelect
          label="Its state"
          data={[
            { value: 'set', label: 'set' },
            { value: 'tripped', label: 'tripped' },
            { value: 'failed', label: 'failed, never trips' },
            { value: 'lockedOut', label: 'locked out' },
          ]}
          value={device.state}
          onChange={(event) => {
            const state = (['set', 'tripped', 'failed', 'lockedOut'] as const).find(
              (one) => one === event.currentTarget.value,
            );
            const { leaves: _, ...rest } = device;
            if (state) onChange(withDevice(circuit, id, { ...rest, state }));
          }}
        />
      )}
    </div>
  );
}
