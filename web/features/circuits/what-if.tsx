import {
  type Assessment,
  type CircuitExplanation,
  type JudgedCircuit,
  mayBeUsed,
  readingsOf,
  suspectId,
} from '@fair-plug/core/assessment';
import { comparedUnder, tellingTest, withFault } from '@fair-plug/core/assessment/what-if.ts';
import type { Fault } from '@fair-plug/core/faults';
import { protectionMapOf } from '@fair-plug/core/findings';
import { regions } from '@fair-plug/core/knowledge';
import { receptaclesOf } from '@fair-plug/core/log';
import { Checkbox, NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { EvidenceTable } from '@/components/evidence-table';
import { useWords } from '@/components/region-words';
import { useBag } from '@/local/use-bag';
import { AddFault } from './add-fault';
import classes from './what-if.module.css';

export interface WhatIfProps {
  readonly assessment: Assessment;
  readonly judged: JudgedCircuit;
  readonly nameOf: (id: string) => string;
}

/** Watts of what is switched on to see what it does: a lamp. */
const tried = 60;

/** What is supposed of a circuit, and every reading beside what it would show then. */
function useSupposed({ assessment, judged }: Pick<WhatIfProps, 'assessment' | 'judged'>) {
  const [leading] = judged.explanations;
  const [faults, setFaults] = useState<readonly Fault[]>(leading?.faults ?? []);
  const [isOn, setOn] = useState<ReadonlySet<string>>(new Set());
  const [isBreakerOn, setBreakerOn] = useState(true);
  const [tripped, setTripped] = useState<ReadonlySet<string>>(new Set());
  const devices = useMemo(
    () =>
      protectionMapOf(assessment.house).devices.filter(
        ({ id, isBreaker }) => !isBreaker && judged.receptacles.includes(id),
      ),
    [assessment.house, judged.receptacles],
  );
  const { nominalVolts } = regions[assessment.house.region];
  const taken = useMemo(
    () =>
      receptaclesOf(assessment.house)
        .filter(({ id }) => judged.receptacles.includes(id))
        .flatMap(readingsOf),
    [assessment.house, judged.receptacles],
  );
  const rows = useMemo(() => {
    if (leading === undefined) return [];
    const loads = [
      ...leading.loads.filter(({ at }) => !isOn.has(at)),
      ...[...isOn].map((at) => ({ at, watts: tried, on: true })),
    ];
    const circuit = {
      ...judged.circuit,
      breaker: { ...judged.circuit.breaker, on: isBreakerOn },
      protection: devices
        .filter(({ id }) => tripped.has(id))
        .map(({ id, covers }) => ({
          at: id,
          kind: 'gfci' as const,
          covers: covers.length > 1 ? ('downstream' as const) : ('outlet' as const),
          state: 'tripped' as const,
        })),
    };
    return comparedUnder(circuit, { faults, loads, scales: leading.scales }, taken, nominalVolts);
  }, [judged.circuit, leading, faults, isOn, isBreakerOn, devices, tripped, taken, nominalVolts]);
  return {
    leading,
    devices,
    rows,
    ...{ faults, setFaults, isOn, setOn, isBreakerOn, setBreakerOn, tripped, setTripped },
  };
}

/** Faults put in and taken out, loads and devices switched: every reading beside what it would show then. */
export function WhatIf({ assessment, judged, nameOf }: WhatIfProps) {
  const { leading, devices, rows, ...supposed } = useSupposed({ assessment, judged });
  if (leading === undefined) return null;
  const misfits = rows.filter(({ fits }) => !fits).length;
  return (
    <div className={classes.whatIf}>
      {leading.isShared && (
        <p className={classes.note}>
          What leads has the neutral shared with another breaker. Say which one under Order, and it is worked
          out here too.
        </p>
      )}
      <Wrong judged={judged} nameOf={nameOf} faults={supposed.faults} onChange={supposed.setFaults} />
      <fieldset className={classes.group}>
        <legend>Switched</legend>
        <Checkbox
          label="Breaker on"
          checked={supposed.isBreakerOn}
          onChange={(event) => supposed.setBreakerOn(event.currentTarget.checked)}
        />
        <Switches
          ids={devices.map(({ id }) => id)}
          words={(id) => `Device at ${nameOf(id)} tripped`}
          chosen={supposed.tripped}
          onChange={supposed.setTripped}
        />
        <Switches
          ids={judged.receptacles}
          words={(id) => `${tried} W on at ${nameOf(id)}`}
          chosen={supposed.isOn}
          onChange={supposed.setOn}
        />
      </fieldset>
      <p role="status" className={classes.sum}>
        {misfits === 0
          ? `All ${rows.length} readings would show so.`
          : `${misfits} of ${rows.length} readings would not show so.`}
      </p>
      <EvidenceTable
        table={rows.map(({ reading, shown, fits }, position) => ({
          position,
          reading,
          predicted: shown,
          floats: [],
          fits,
          wrong: null,
        }))}
        nameOf={nameOf}
        oddWords="Would not show so"
        expectedWords="Would show"
      />
      <TellApart assessment={assessment} judged={judged} nameOf={nameOf} />
    </div>
  );
}

interface SwitchesProps {
  readonly ids: readonly string[];
  readonly words: (id: string) => string;
  readonly chosen: ReadonlySet<string>;
  readonly onChange: (chosen: ReadonlySet<string>) => void;
}

/** Each of them on or off. */
const Switches = ({ ids, words, chosen, onChange }: SwitchesProps) =>
  ids.map((id) => (
    <Checkbox
      key={id}
      label={words(id)}
      checked={chosen.has(id)}
      onChange={(event) =>
        onChange(
          new Set(event.currentTarget.checked ? [...chosen, id] : [...chosen].filter((one) => one !== id)),
        )
      }
    />
  ));

interface WrongProps extends Pick<WhatIfProps, 'judged' | 'nameOf'> {
  readonly faults: readonly Fault[];
  readonly onChange: (faults: readonly Fault[]) => void;
}

/** What is wrong, if: all that the engine thinks of, and what is put in by hand. */
function Wrong({ judged, nameOf, faults, onChange }: WrongProps) {
  const words = useWords();
  const [added, setAdded] = useState<readonly Fault[]>([]);
  const place = (fault: Fault): string =>
    'cable' in fault && fault.cable !== undefined
      ? `in the cable to ${nameOf(fault.cable.slice('to '.length))}`
      : `at ${nameOf(fault.at ?? '')}`;
  const without = (fault: Fault): readonly Fault[] =>
    faults.filter((one) => suspectId(one) !== suspectId(fault));
  return (
    <fieldset className={classes.group}>
      <legend>Wrong, if</legend>
      {[...judged.suspects.map(({ fault }) => fault), ...added].map((fault) => (
        <Checkbox
          key={suspectId(fault)}
          label={`${words.cause([fault])} ${place(fault)}`}
          checked={without(fault).length < faults.length}
          onChange={(event) => onChange(withFault(without(fault), fault, event.currentTarget.checked))}
        />
      ))}
      <AddFault
        circuit={judged.circuit}
        nameOf={nameOf}
        onAdd={(fault) => {
          setAdded((before) => [...before.filter((one) => suspectId(one) !== suspectId(fault)), fault]);
          onChange([...without(fault), fault]);
        }}
      />
    </fieldset>
  );
}

/** The one test that tells two explanations apart. */
function TellApart({ assessment, judged, nameOf }: WhatIfProps) {
  const words = useWords();
  const { bag } = useBag();
  const [first, setFirst] = useState(0);
  const [second, setSecond] = useState(1);
  const { explanations, circuit } = judged;
  const [a, b] = [explanations[first], explanations[second]];
  const test = useMemo(
    () =>
      a === undefined || b === undefined || a === b
        ? null
        : tellingTest(circuit, [a, b], bag, (at, instrument) => mayBeUsed(assessment, at, instrument)),
    [a, b, circuit, bag, assessment],
  );
  if (explanations.length < 2) return null;
  const name = (one: CircuitExplanation): string =>
    `${words.explanation({ ...one, isTripped: false })}${one.faults.length === 0 ? '' : ` (${words.share(one.probability)})`}`;
  const data = explanations.map((one, index) => ({ value: String(index), label: name(one) }));
  const shows = (reading: NonNullable<typeof test>['first']): string =>
    words
      .values(reading)
      .map(([pair, value]) => `${pair} ${value}`)
      .join(', ');
  return (
    <section className={classes.apart} aria-label="Which test tells two causes apart">
      <h3>Which test tells these two apart</h3>
      <NativeSelect
        label="One"
        data={data}
        value={String(first)}
        onChange={(event) => setFirst(Number(event.currentTarget.value))}
      />
      <NativeSelect
        label="The other"
        data={data}
        value={String(second)}
        onChange={(event) => setSecond(Number(event.currentTarget.value))}
      />
      <p role="status">
        {a === b
          ? 'Pick two that differ.'
          : test === null
            ? 'No test with the kit at hand that may be made as things stand.'
            : `${words.test(test.instrument)} at ${nameOf(test.at)}: ${shows(test.first)} with the one, ${shows(test.second)} with the other.`}
      </p>
    </section>
  );
}
