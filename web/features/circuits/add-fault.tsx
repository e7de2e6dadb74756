import { cableTo } from '@fair-plug/core/assessment';
import type { Circuit } from '@fair-plug/core/circuit';
import { type Fault, firstOhms } from '@fair-plug/core/faults';
import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { useWords } from '@/components/region-words';
import classes from './what-if.module.css';

export interface AddFaultProps {
  readonly circuit: Circuit;
  readonly nameOf: (id: string) => string;
  readonly onAdd: (fault: Fault) => void;
}

type Site = { readonly cable: string } | { readonly at: string };

/** What may be supposed at a site, whether or not the engine thinks of it. */
const supposable = {
  'open hot': (site: Site): Fault => ({ kind: 'open', conductor: 'hot', ...site }),
  'open neutral': (site: Site): Fault => ({ kind: 'open', conductor: 'neutral', ...site }),
  'open ground': (site: Site): Fault => ({ kind: 'open', conductor: 'ground', ...site }),
  'poor neutral': (site: Site): Fault => ({
    kind: 'resistance',
    conductor: 'neutral',
    ohms: firstOhms,
    ...site,
  }),
  'poor hot': (site: Site): Fault => ({ kind: 'resistance', conductor: 'hot', ohms: firstOhms, ...site }),
  reversal: (site: Site): Fault => ({ kind: 'swap', conductors: ['hot', 'neutral'], ...site }),
  'hot and ground': (site: Site): Fault => ({ kind: 'swap', conductors: ['hot', 'ground'], ...site }),
} as const satisfies Readonly<Record<string, (site: Site) => Fault>>;
type Supposable = keyof typeof supposable;
const any: Site = { at: '' };

/** A fault to be supposed: which, and where. */
export function AddFault({ circuit, nameOf, onAdd }: AddFaultProps) {
  const words = useWords();
  const [which, setWhich] = useState<Supposable>('open neutral');
  const [where, setWhere] = useState(`cable ${circuit.outlets[0]?.id ?? ''}`);
  const sites = circuit.outlets.flatMap(({ id }) => [
    { value: `cable ${id}`, label: `in the cable to ${nameOf(id)}` },
    { value: `at ${id}`, label: `at the terminals of ${nameOf(id)}` },
  ]);
  const add = (): void => {
    const [kind = '', ...rest] = where.split(' ');
    const id = rest.join(' ');
    onAdd(supposable[which](kind === 'cable' ? { cable: cableTo(id) } : { at: id }));
  };
  return (
    <div className={classes.add}>
      <NativeSelect
        label="Suppose besides"
        value={which}
        onChange={(event) => setWhich(event.currentTarget.value as Supposable)}
        data={(Object.keys(supposable) as Supposable[]).map((id) => ({
          value: id,
          label: words.cause([supposable[id](any)]),
        }))}
      />
      <NativeSelect
        label="Where"
        value={where}
        onChange={(event) => setWhere(event.currentTarget.value)}
        data={sites}
      />
      <Button variant="default" onClick={add}>
        Put in
      </Button>
    </div>
  );
}
