'use client';

import {
  type LampColour,
  type LayoutProblem,
  lampColours,
  pairOrder,
  type ShownLamps,
} from '@fair-plug/core/instruments';
import { Button, Group, NativeSelect, TextInput } from '@mantine/core';
import { type SubmitEvent, useState } from 'react';
import { v7 } from 'uuid';
import { Lamp } from '@/components/tester-lamps';
import { useChooseTester } from '@/local/use-chosen-tester';
import { useKeep } from '@/local/use-logs';
import classes from './tester-set-up.module.css';

const problemWords: Readonly<Record<LayoutProblem['code'], string>> = {
  'correct-needs-two-lit': '“Correct” lights two of the three lamps: tap the two.',
  'open-ground-needs-one-lit': '“Open ground” lights one lamp: tap it.',
  'open-ground-lamp-dark-in-correct':
    'The lamp lit for “open ground” is also lit for “correct”. Check both patterns.',
};

type Colours = readonly [LampColour, LampColour, LampColour];
const positions = [0, 1, 2] as const;

const changed = <T,>(row: readonly [T, T, T], at: number, to: T): readonly [T, T, T] => [
  at === 0 ? to : row[0],
  at === 1 ? to : row[1],
  at === 2 ? to : row[2],
];

/** Two patterns as one's own tester shows them fix which pair each of its lamps bridges. */
export function TesterSetUp({ onDone }: { readonly onDone: () => void }) {
  const keep = useKeep();
  const choose = useChooseTester();
  const [name, setName] = useState('');
  const [rating, setRating] = useState('');
  const [colours, setColours] = useState<Colours>(['white', 'white', 'white']);
  const [correct, setCorrect] = useState<ShownLamps>([false, false, false]);
  const [openGround, setOpenGround] = useState<ShownLamps>([false, false, false]);
  const found = pairOrder(correct, openGround);
  const isBegun = correct.some(Boolean) && openGround.some(Boolean);

  const save = async (event: SubmitEvent): Promise<void> => {
    event.preventDefault();
    if (found.kind !== 'order' || keep === null) return;
    const [first, second, third] = found.order;
    const tester = v7();
    await keep.inKit({
      kind: 'tester-described',
      tester,
      name: name.trim() || 'My tester',
      ...(rating.trim() === '' ? {} : { rating: rating.trim() }),
      layout: [
        { pair: first, colour: colours[0] },
        { pair: second, colour: colours[1] },
        { pair: third, colour: colours[2] },
      ],
    });
    choose(tester);
    onDone();
  };

  return (
    <form className={classes.setUp} onSubmit={save}>
      <p>Hold the tester so that you see its three lamps side by side, the way you will read it.</p>
      <ColoursStep colours={colours} onColours={setColours} />
      <PatternStep
        title="Tap the lamps that it lights for “correct”"
        name="correct"
        colours={colours}
        shown={correct}
        onShown={setCorrect}
      />
      <PatternStep
        title="Tap the lamp that it lights for “open ground”"
        name="open ground"
        colours={colours}
        shown={openGround}
        onShown={setOpenGround}
      />
      <p role="status" className={classes.status}>
        {found.kind === 'order' && 'That settles the order of its lamps.'}
        {found.kind === 'problem' && isBegun && problemWords[found.problem.code]}
      </p>
      <TextInput
        label="What you call it"
        placeholder="My tester"
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <TextInput
        label="Rating, as printed on it"
        placeholder="Category and volts"
        maxLength={60}
        value={rating}
        onChange={(event) => setRating(event.currentTarget.value)}
      />
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={onDone}>
          Cancel
        </Button>
        <Button type="submit" disabled={found.kind !== 'order' || keep === null}>
          Save the tester
        </Button>
      </Group>
    </form>
  );
}

interface ColoursStepProps {
  readonly colours: Colours;
  readonly onColours: (colours: Colours) => void;
}

function ColoursStep({ colours, onColours }: ColoursStepProps) {
  return (
    <fieldset className={classes.step}>
      <legend>Colour of each lamp</legend>
      <div className={classes.row}>
        {positions.map((at) => (
          <NativeSelect
            key={at}
            aria-label={`Colour of lamp ${at + 1}`}
            data={[...lampColours]}
            value={colours[at]}
            onChange={(event) => {
              const colour = lampColours.find((one) => one === event.currentTarget.value);
              if (colour) onColours(changed(colours, at, colour));
            }}
          />
        ))}
      </div>
    </fieldset>
  );
}

interface PatternStepProps {
  readonly title: string;
  readonly name: string;
  readonly colours: Colours;
  readonly shown: ShownLamps;
  readonly onShown: (shown: ShownLamps) => void;
}

function PatternStep({ title, name, colours, shown, onShown }: PatternStepProps) {
  return (
    <fieldset className={classes.step}>
      <legend>{title}</legend>
      <div className={classes.row}>
        {positions.map((at) => (
          <Lamp
            key={at}
            size="large"
            colour={colours[at]}
            state={shown[at] ? 'lit' : 'off'}
            label={`Lamp ${at + 1} for ${name}: ${shown[at] ? 'lit' : 'off'}`}
            onPress={() => onShown(changed(shown, at, !shown[at]))}
          />
        ))}
      </div>
    </fieldset>
  );
}
