import type { Assessment } from '@fair-plug/core/assessment';
import { circuitSaid, type NamedRoom, namedRooms, receptaclesOf } from '@fair-plug/core/log';
import { Autocomplete, Button, TextInput } from '@mantine/core';
import { useRef, useState } from 'react';
import { markOf } from '@/components/map-mark';
import { RoomMap } from '@/components/room-map';
import { SortableList, SortableRow } from '@/components/sortable-list';
import type { Recorder } from '@/local/use-recorder';
import classes from './run-order.module.css';
import { placedOn, useRunOrder } from './use-run-order';
import { emptyBreakers, type WiredCircuit } from './wired';
import { WiringForm } from './wiring-form';

export interface RunOrderPanelProps {
  readonly assessment: Assessment;
  readonly circuits: readonly WiredCircuit[];
  /** The breaker that is looked at; null: one has to be named. */
  readonly breaker: string | null;
  readonly record: Recorder | null;
  readonly nameOf: (id: string) => string;
}

/** The order along a run: receptacles tapped one after another, from the panel outward. */
export function RunOrderPanel({ assessment, circuits, breaker, record, nameOf }: RunOrderPanelProps) {
  const { house } = assessment;
  const [named, name] = useState('');
  const of = breaker ?? named.trim();
  const order = useRunOrder(record, of);
  /** Receptacles that were not on the breaker before they were tapped here. */
  const fresh = useRef(new Set<string>());
  const placed = placedOn(house, of);
  const circuit = circuits.find(({ breakers }) => breakers.includes(of)) ?? null;
  const isEnded = circuitSaid(house, of).end != null;
  const take = (id: string): void => {
    if (receptaclesOf(house).find((one) => one.id === id)?.breaker !== of) fresh.current.add(id);
    order?.next(id);
  };
  if (record === null) return <p>Only who may enter something puts receptacles in order.</p>;
  return (
    <div className={classes.order}>
      {breaker === null && (
        <>
          <TextInput
            label="Breaker whose run is put in order"
            list="breakers-of-the-directory"
            maxLength={40}
            value={named}
            onChange={(event) => name(event.currentTarget.value)}
          />
          <datalist id="breakers-of-the-directory">
            {[...circuits.flatMap(({ breakers }) => breakers)].map((one) => (
              <option key={one} value={one} />
            ))}
            {emptyBreakers(house, circuits).map(({ id, number, feeds }) => (
              <option key={id} value={number}>
                {feeds ?? ''}
              </option>
            ))}
          </datalist>
        </>
      )}
      <p className={classes.soft}>
        Tap the receptacles one after another, from the panel outward. One tap each; what has a number has its
        place.
      </p>
      <div className={classes.actions}>
        <Button
          variant="default"
          disabled={placed.length === 0}
          onClick={() => order?.takeBack((id) => fresh.current.has(id))}
        >
          Take the last one back
        </Button>
        <Button
          variant={isEnded ? 'filled' : 'default'}
          aria-pressed={isEnded}
          disabled={placed.length === 0}
          onClick={() => order?.end(!isEnded)}
        >
          End of the run
        </Button>
        <Button variant="default" disabled={placed.length === 0} onClick={() => order?.beginAnew()}>
          Begin anew
        </Button>
      </div>
      <TypeNext assessment={assessment} placed={placed.map(({ id }) => id)} isOff={of === ''} onTake={take} />
      <div className={classes.both}>
        <Plans key={of} assessment={assessment} of={of} placed={placed.map(({ id }) => id)} onTake={take} />
        <div className={classes.along}>
          <Estimate circuit={circuit} nameOf={nameOf} onTake={(ids) => order?.take(ids)} />
          {placed.length > 0 && (
            <SortableList
              id="along the run"
              thing="receptacle"
              items={placed.map(({ id, name: of }) => ({ id, name: of }))}
              isFixed={false}
              onMove={(move) => order?.move(move)}
            >
              <ol className={classes.run} aria-label={`Along the run of breaker ${of}`}>
                {placed.map(({ id, name: called }, index) => (
                  <SortableRow key={id} id={id} name={called} isFixed={false} className={classes.placed}>
                    <span className={classes.number}>{index + 1}</span> {called}
                    {circuitSaid(house, of).end === id && (
                      <span className={classes.soft}>end of the run</span>
                    )}
                  </SortableRow>
                ))}
              </ol>
            </SortableList>
          )}
        </div>
      </div>
      {circuit !== null && <WiringForm house={house} circuit={circuit} circuits={circuits} record={record} />}
    </div>
  );
}

interface EstimateProps {
  readonly circuit: WiredCircuit | null;
  readonly nameOf: (id: string) => string;
  readonly onTake: (receptacles: readonly string[]) => void;
}

/** The order that load tests suggest: the farther along a run, the more a load drops. */
function Estimate({ circuit, nameOf, onTake }: EstimateProps) {
  const lengths = circuit?.judged?.lengths ?? [];
  if (lengths.length < 2) return null;
  return (
    <p className={classes.estimate}>
      By load tests, from the panel outward:{' '}
      {lengths.map(({ at, meters }) => `${nameOf(at)} (${meters.toFixed(0)} m of wire)`).join(', ')}. The
      farther along a run, the more a load drops; a poor connection on the way looks like more wire.{' '}
      <Button size="compact-sm" variant="default" onClick={() => onTake(lengths.map(({ at }) => at))}>
        Take this order
      </Button>
    </p>
  );
}

interface TypeNextProps {
  readonly assessment: Assessment;
  readonly placed: readonly string[];
  readonly isOff: boolean;
  readonly onTake: (receptacle: string) => void;
}

function TypeNext({ assessment: { house }, placed, isOff, onTake }: TypeNextProps) {
  const [typed, type] = useState('');
  const left = receptaclesOf(house).filter(({ id }) => !placed.includes(id));
  const take = (name: string): void => {
    const one = left.find((each) => each.name.toLowerCase() === name.trim().toLowerCase());
    if (one === undefined) return;
    onTake(one.id);
    type('');
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        take(typed);
      }}
    >
      <Autocomplete
        label="Or type the next one"
        disabled={isOff}
        data={[...new Set(left.map(({ name }) => name))]}
        limit={8}
        value={typed}
        onChange={type}
        onOptionSubmit={take}
      />
    </form>
  );
}

interface PlansProps {
  readonly assessment: Assessment;
  readonly of: string;
  readonly placed: readonly string[];
  readonly onTake: (receptacle: string) => void;
}

/** The plans of the rooms, to be tapped on; they stay where they are while a run is tapped together. */
function Plans({ assessment, of, placed, onTake }: PlansProps) {
  const [begun] = useState(
    () =>
      new Set(
        namedRooms(assessment.house)
          .filter(({ receptacles }) => receptacles.some(({ breaker }) => breaker === of))
          .map(({ id }) => id),
      ),
  );
  const isOn = ({ id }: NamedRoom): boolean => begun.has(id);
  return (
    <div className={classes.rooms}>
      {namedRooms(assessment.house)
        .filter(({ receptacles }) => receptacles.length > 0)
        // Where the run had been begun, its next ones are likeliest.
        .sort((a, b) => Number(isOn(b)) - Number(isOn(a)))
        .map((room) => (
          <section key={room.id} aria-label={room.name}>
            <h4>{room.name}</h4>
            <RoomMap
              name={room.name}
              door={room.door}
              marks={room.receptacles.map((one) => {
                const at = placed.indexOf(one.id);
                return {
                  ...markOf(one, assessment.receptacles.get(one.id)),
                  isChosen: at !== -1,
                  ...(at !== -1
                    ? { note: `number ${at + 1}` }
                    : one.breaker !== null && one.breaker !== of
                      ? { note: `on breaker ${one.breaker}` }
                      : {}),
                };
              })}
              {...(of === '' ? {} : { onTake })}
            />
          </section>
        ))}
    </div>
  );
}
