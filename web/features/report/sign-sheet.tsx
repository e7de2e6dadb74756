import { Button, SegmentedControl, TextInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import SignaturePad from 'signature_pad';
import { Sheet } from '@/components/sheet';
import type { Recorder } from '@/local/use-recorder';
import classes from './sign-sheet.module.css';

type Role = 'inspector' | 'client';

export interface SignSheetProps {
  readonly opened: boolean;
  readonly onClose: () => void;
  readonly inspector: string;
  readonly client: string | null;
  readonly record: Recorder | null;
}

/** A signature, drawn with a finger, a pen or a mouse. */
export function SignSheet({ opened, onClose, ...rest }: SignSheetProps) {
  return (
    <Sheet opened={opened} onClose={onClose} title="Sign the report">
      <SignForm onClose={onClose} {...rest} />
    </Sheet>
  );
}

/** Most points of a signature that are kept. */
const mostPoints = 3000;

/** Strokes in thousandths of the field's width, thinned where they have more points than are kept. */
function strokesOf(pad: SignaturePad, width: number): number[][] {
  const groups = pad.toData().map(({ points }) => points);
  const total = groups.reduce((sum, points) => sum + points.length, 0);
  const step = Math.max(1, Math.ceil(total / mostPoints));
  return groups.slice(0, 60).map((points) =>
    points
      .filter((_, index) => index % step === 0 || index === points.length - 1)
      .slice(0, 1000)
      .flatMap(({ x, y }) => [Math.round((x / width) * 1000), Math.round((y / width) * 1000)]),
  );
}

function SignForm({ onClose, inspector, client, record }: Omit<SignSheetProps, 'opened'>) {
  const [role, setRole] = useState<Role>('inspector');
  const [name, setName] = useState(inspector);
  const [isDrawn, setDrawn] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  useEffect(() => {
    const field = canvas.current;
    if (field === null) return;
    const ratio = window.devicePixelRatio || 1;
    field.width = field.offsetWidth * ratio;
    field.height = field.offsetHeight * ratio;
    field.getContext('2d')?.scale(ratio, ratio);
    const own = new SignaturePad(field, { penColor: getComputedStyle(field).color });
    own.addEventListener('endStroke', () => setDrawn(true));
    pad.current = own;
    return () => own.off();
  }, []);
  const clear = (): void => {
    pad.current?.clear();
    setDrawn(false);
  };
  const sign = (): void => {
    const field = canvas.current;
    if (field === null || pad.current === null || name.trim() === '') return;
    record?.({
      kind: 'signed',
      role,
      name: name.trim(),
      strokes: strokesOf(pad.current, field.offsetWidth),
    });
    onClose();
  };
  return (
    <div className={classes.form}>
      <SegmentedControl
        value={role}
        data={[
          { value: 'inspector', label: 'Inspector' },
          { value: 'client', label: 'Client' },
        ]}
        onChange={(value) => {
          setRole(value as Role);
          setName(value === 'inspector' ? inspector : (client ?? ''));
          clear();
        }}
      />
      <TextInput
        label="Name"
        maxLength={120}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <canvas ref={canvas} className={classes.field} aria-label="Draw the signature here" />
      <p className={classes.soft}>Whoever cannot draw signs with the name alone.</p>
      <div className={classes.buttons}>
        <Button variant="default" onClick={clear} disabled={!isDrawn}>
          Clear
        </Button>
        <Button onClick={sign} disabled={name.trim() === ''}>
          Sign
        </Button>
      </div>
    </div>
  );
}
