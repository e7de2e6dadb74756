import type { JobStatement, Photo, Shape } from '@fair-plug/core/log';
import { Button } from '@mantine/core';
import { useElementSize } from '@mantine/hooks';
import { type KeyboardEvent, useEffect, useState } from 'react';
import { Image as KonvaImage, Layer, Stage } from 'react-konva';
import { v7 } from 'uuid';
import { SavedText } from '@/components/saved-fields';
import { usePhoto } from '@/local/photos/use-photo';
import type { Recorder } from '@/local/use-recorder';
import { EditedMark } from './edited-mark';
import { movedBy, sizedBy } from './moved-shape';
import classes from './photos.module.css';

const toolWords: Readonly<Record<Shape['form'], string>> = {
  arrow: 'Arrow',
  ring: 'Ring',
  text: 'Text',
  blur: 'Blur',
};

/** What a tool begins with, in the middle of a photo whose sides are these shares of the longer one. */
function begun(form: Shape['form'], { width, height }: Pick<Photo, 'width' | 'height'>): Shape {
  const side = Math.max(width, height);
  const [x, y] = [width / side / 2, height / side / 2];
  switch (form) {
    case 'arrow':
      return { form, x: Math.max(0, x - 0.2), y: Math.max(0, y - 0.15), toX: x, toY: y };
    case 'ring':
      return { form, x, y, radius: 0.1 };
    case 'text':
      return { form, x: Math.max(0, x - 0.2), y, words: 'Here' };
    case 'blur':
      return { form, x: Math.max(0, x - 0.1), y: Math.max(0, y - 0.05), width: 0.2, height: 0.1 };
  }
}

function useImage(address: string | null): HTMLImageElement | null {
  const [image, setImage] = useState<HTMLImageElement | null>(null);
  useEffect(() => {
    if (address === null) return;
    const made = new Image();
    made.onload = () => setImage(made);
    made.src = address;
    return () => setImage(null);
  }, [address]);
  return image;
}

/** One step of the arrow keys, as a share of the photo's longer side. */
const step = 0.01;
const steps: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-step, 0],
  ArrowRight: [step, 0],
  ArrowUp: [0, -step],
  ArrowDown: [0, step],
};

export interface PhotoEditorProps {
  readonly job: string;
  readonly photo: Photo;
  readonly record: Recorder;
  readonly onDone: () => void;
}

/** Arrows, rings, words and blurs on a photo: by finger, by pointer, or by the keys of the list below it. */
export function PhotoEditor({ job, photo, record, onDone }: PhotoEditorProps) {
  const found = usePhoto(job, photo.hash, 'whole');
  const image = useImage(found.kind === 'here' ? found.address : null);
  const { ref, width } = useElementSize();
  const [chosen, setChosen] = useState<string | null>(null);
  const scale = width / photo.width;
  /** From what is kept by then: the keys may be quicker than the drawing. */
  const change = (drawn: string, to: (before: Shape) => Shape | null): void =>
    record(({ house }) => {
      const marks = house.photos?.find(({ id }) => id === photo.id)?.marks ?? [];
      const before = marks.find(({ id }) => id === drawn)?.shape;
      return before === undefined
        ? []
        : [{ kind: 'photo-marked', photo: photo.id, drawn, shape: to(before) }];
    });
  const add = (form: Shape['form']): void => {
    const id = v7();
    record({
      kind: 'photo-marked',
      photo: photo.id,
      drawn: id,
      shape: begun(form, photo),
    } satisfies JobStatement);
    setChosen(id);
  };
  return (
    <section className={classes.photos} aria-label="Mark or blur">
      <div className={classes.buttons}>
        {(Object.keys(toolWords) as Shape['form'][]).map((form) => (
          <Button key={form} variant="default" onClick={() => add(form)}>
            + {toolWords[form]}
          </Button>
        ))}
      </div>
      <p className={classes.soft}>
        What is blurred leaves the firm blurred: in reports, links and files. The firm keeps the photo as it
        is.
      </p>
      <div ref={ref} className={classes.stage}>
        {width > 0 && (
          <Stage
            width={width}
            height={photo.height * scale}
            onPointerDown={(event) => event.target.getClassName() === 'Image' && setChosen(null)}
          >
            <Layer>
              {image !== null && <KonvaImage image={image} width={width} height={photo.height * scale} />}
              {photo.marks.map(({ id, shape }) => (
                <EditedMark
                  key={id}
                  shape={shape}
                  side={Math.max(photo.width, photo.height) * scale}
                  image={image}
                  size={{ width, height: photo.height * scale }}
                  isChosen={id === chosen}
                  onChoose={() => setChosen(id)}
                  onChange={(to) => change(id, to)}
                />
              ))}
            </Layer>
          </Stage>
        )}
      </div>
      <MarkList marks={photo.marks} chosen={chosen} onChoose={setChosen} onChange={change} />
      <Button onClick={onDone}>Done marking</Button>
    </section>
  );
}

interface MarkListProps {
  readonly marks: Photo['marks'];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  /** null: taken off. */
  readonly onChange: (id: string, to: (before: Shape) => Shape | null) => void;
}

/** All that is drawn, by name: what can be done with a pointer is done here with keys. */
function MarkList({ marks, chosen, onChoose, onChange }: MarkListProps) {
  const steer = (id: string) => (event: KeyboardEvent) => {
    const by = steps[event.key];
    if (by !== undefined) {
      event.preventDefault();
      const isSized = event.shiftKey;
      onChange(id, (shape) => (isSized ? sizedBy(shape, by) : movedBy(shape, by)));
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onChange(id, () => null);
    }
  };
  if (marks.length === 0) return null;
  return (
    <>
      <ul className={classes.marks} aria-label="What is drawn on it">
        {marks.map(({ id, shape }, index) => (
          <li key={id} className={classes.mark}>
            <Button
              variant="subtle"
              className={id === chosen ? (classes.chosen ?? '') : ''}
              aria-pressed={id === chosen}
              aria-keyshortcuts="ArrowLeft ArrowRight ArrowUp ArrowDown Delete"
              onClick={() => onChoose(id)}
              onFocus={() => onChoose(id)}
              onKeyDown={steer(id)}
            >
              {index + 1} {toolWords[shape.form]}
            </Button>
            {shape.form === 'text' && id === chosen && (
              <SavedText
                label="Words"
                isInRow
                longest={60}
                value={shape.words}
                onSave={(words) =>
                  onChange(id, (before) =>
                    words === null || before.form !== 'text' ? null : { ...before, words },
                  )
                }
              />
            )}
            <Button
              variant="subtle"
              aria-label={`Take off ${index + 1} ${toolWords[shape.form]}`}
              onClick={() => onChange(id, () => null)}
            >
              Take off
            </Button>
          </li>
        ))}
      </ul>
      <p className={classes.soft}>
        On the keyboard: arrows move the one chosen, with Shift they make it larger or smaller, Delete takes
        it off.
      </p>
    </>
  );
}
