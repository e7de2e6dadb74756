import type { Circuit } from '@fair-plug/core/circuit';
import type { Fault } from '@fair-plug/core/faults';
import { newRun, withDevice, withGrounds, withLoad } from './bench-circuit.ts';

export interface Lesson {
  readonly name: string;
  readonly circuit: () => Circuit;
}

const second = 'den-2';
const withFaults = (faults: readonly Fault[], circuit = newRun(3)): Circuit => ({
  ...circuit,
  faults: [...faults],
});
const lampOnThird = withLoad(newRun(3), 'den-3', 60);

/** The rows of the lamp table with what else fits them, ready to be played through. */
export const lessons: readonly Lesson[] = [
  { name: 'Sound', circuit: () => newRun(3) },
  {
    name: 'Hot and neutral reversed at one receptacle',
    circuit: () => withFaults([{ kind: 'swap', conductors: ['hot', 'neutral'], at: second }]),
  },
  {
    name: 'Hot and neutral reversed from a cable on',
    circuit: () => withFaults([{ kind: 'swap', conductors: ['hot', 'neutral'], cable: 'c2' }]),
  },
  {
    name: 'Jumper from hot where no ground arrives',
    circuit: () =>
      withFaults([
        { kind: 'open', conductor: 'ground', at: second },
        { kind: 'bond', conductors: ['hot', 'ground'], at: second },
      ]),
  },
  {
    name: 'Hot and ground truly exchanged',
    circuit: () => withFaults([{ kind: 'swap', conductors: ['hot', 'ground'], at: second }]),
  },
  {
    name: 'Open neutral, a lamp on downstream',
    circuit: () => withFaults([{ kind: 'open', conductor: 'neutral', cable: 'c2' }], lampOnThird),
  },
  {
    name: 'Open neutral, nothing on',
    circuit: () => withFaults([{ kind: 'open', conductor: 'neutral', cable: 'c2' }]),
  },
  {
    name: 'Open neutral and no ground: looks dead',
    circuit: () =>
      withFaults([{ kind: 'open', conductor: 'neutral', cable: 'c2' }], withGrounds(lampOnThird, false)),
  },
  { name: 'Open ground', circuit: () => withFaults([{ kind: 'open', conductor: 'ground', cable: 'c2' }]) },
  {
    name: 'Open ground that hides a reversal',
    circuit: () =>
      withFaults([
        { kind: 'open', conductor: 'ground', cable: 'c2' },
        { kind: 'swap', conductors: ['hot', 'neutral'], at: second },
      ]),
  },
  {
    name: 'Open hot',
    circuit: () => withFaults([{ kind: 'open', conductor: 'hot', cable: 'c2' }]),
  },
  {
    name: 'Open hot, hot on the neutral',
    circuit: () =>
      withFaults([
        { kind: 'open', conductor: 'neutral', at: second },
        { kind: 'swap', conductors: ['hot', 'neutral'], at: second },
      ]),
  },
  {
    name: 'Bootleg ground',
    circuit: () =>
      withFaults([
        { kind: 'open', conductor: 'ground', at: second },
        { kind: 'bond', conductors: ['neutral', 'ground'], at: second },
      ]),
  },
  {
    name: 'Reversed bootleg ground',
    circuit: () =>
      withFaults([
        { kind: 'open', conductor: 'ground', at: second },
        { kind: 'swap', conductors: ['hot', 'neutral'], at: second },
        { kind: 'bond', conductors: ['neutral', 'ground'], at: second },
      ]),
  },
  {
    name: 'Tripped device upstream',
    circuit: () => withDevice(newRun(3), 'den-1', { kind: 'gfci', covers: 'downstream', state: 'tripped' }),
  },
  {
    name: 'Lost neutral shared by two legs',
    circuit: () =>
      withFaults([{ kind: 'open', conductor: 'neutral', cable: 'c1' }], {
        ...withLoad(withLoad(newRun(3), 'den-1', 900), second, 60),
        outlets: newRun(3).outlets.map((outlet) =>
          outlet.id === second ? { ...outlet, leg: 'L2' } : outlet,
        ),
      }),
  },
  {
    name: 'Poor splice in the neutral',
    circuit: () => withFaults([{ kind: 'resistance', conductor: 'neutral', ohms: 1, cable: 'c2' }]),
  },
];
