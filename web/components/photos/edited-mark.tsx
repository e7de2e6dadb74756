import { arrowHead, type Shape } from '@fair-plug/core/log';
import Konva from 'konva';
import { useEffect, useRef } from 'react';
import { Circle, Group, Image as KonvaImage, Line, Rect, Text } from 'react-konva';
import { movedBy, sizedBy } from './moved-shape';

const ink = '#1450b4';
const halo = '#ffffff';

export interface EditedMarkProps {
  readonly shape: Shape;
  /** Pixels of the photo's longer side, as it is shown. */
  readonly side: number;
  readonly image: HTMLImageElement | null;
  /** Pixels of the photo, as it is shown. */
  readonly size: { readonly width: number; readonly height: number };
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly onChange: (to: (before: Shape) => Shape) => void;
}

/** Where the far end of a shape is taken hold of; null where it has none. */
function endOf(shape: Shape): readonly [x: number, y: number] | null {
  switch (shape.form) {
    case 'arrow':
      return [shape.toX, shape.toY];
    case 'ring':
      return [shape.x + shape.radius, shape.y];
    case 'blur':
      return [shape.x + shape.width, shape.y + shape.height];
    case 'text':
      return null;
  }
}

/** One thing drawn on a photo, to be dragged about, and by its far end to be made larger or smaller. */
export function EditedMark(props: EditedMarkProps) {
  const { shape, side, isChosen, onChoose, onChange } = props;
  const end = endOf(shape);
  return (
    <Group>
      <Group
        draggable
        onPointerDown={onChoose}
        onDragEnd={({ target }) => {
          const by = [target.x() / side, target.y() / side] as const;
          target.position({ x: 0, y: 0 });
          onChange((before) => movedBy(before, by));
        }}
      >
        <Figure {...props} />
      </Group>
      {isChosen && end !== null && (
        <Circle
          x={end[0] * side}
          y={end[1] * side}
          radius={14}
          fill={halo}
          stroke={ink}
          strokeWidth={3}
          draggable
          onDragEnd={({ target }) => {
            const by = [target.x() / side - end[0], target.y() / side - end[1]] as const;
            target.position({ x: end[0] * side, y: end[1] * side });
            onChange((before) => sizedBy(before, before.form === 'ring' ? [by[0], 0] : by));
          }}
        />
      )}
    </Group>
  );
}

function Figure({ shape, side, image, size, isChosen }: EditedMarkProps) {
  const width = Math.max(2, side * 0.007);
  const outlined = (points: readonly number[], isClosed = false) => (
    <>
      <Line points={[...points]} closed={isClosed} stroke={halo} strokeWidth={2.2 * width} lineCap="round" />
      <Line
        points={[...points]}
        closed={isClosed}
        stroke={ink}
        strokeWidth={width}
        lineCap="round"
        hitStrokeWidth={30}
      />
    </>
  );
  switch (shape.form) {
    case 'arrow':
      return (
        <>
          {outlined([shape.x, shape.y, shape.toX, shape.toY].map((at) => at * side))}
          {outlined(
            arrowHead(shape)
              .flat()
              .map((at) => at * side),
          )}
        </>
      );
    case 'ring': {
      const circle = { x: shape.x * side, y: shape.y * side, radius: shape.radius * side };
      return (
        <>
          <Circle {...circle} stroke={halo} strokeWidth={2.2 * width} />
          <Circle {...circle} stroke={ink} strokeWidth={width} hitStrokeWidth={30} fill="transparent" />
        </>
      );
    }
    case 'text':
      return (
        <Text
          x={shape.x * side + side * 0.016}
          y={shape.y * side}
          text={shape.words}
          fontSize={Math.max(14, side * 0.032)}
          fontStyle="700"
          fill={ink}
          stroke={halo}
          strokeWidth={isChosen ? 6 : 4}
          fillAfterStrokeEnabled
        />
      );
    case 'blur':
      return <Blurred shape={shape} side={side} image={image} size={size} />;
  }
}

/** A part of the photo as nobody outside sees it. */
function Blurred({
  shape,
  side,
  image,
  size,
}: Pick<EditedMarkProps, 'side' | 'image' | 'size'> & {
  readonly shape: Extract<Shape, { form: 'blur' }>;
}) {
  const part = useRef<Konva.Image>(null);
  const box = {
    x: shape.x * side,
    y: shape.y * side,
    width: shape.width * side,
    height: shape.height * side,
  };
  const scale = image === null ? 1 : image.naturalWidth / size.width;
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn anew where the part of the photo is another
  useEffect(() => {
    part.current?.cache();
  }, [image, box.x, box.y, box.width, box.height]);
  return (
    <>
      {image !== null && (
        <KonvaImage
          ref={part}
          image={image}
          {...box}
          crop={{
            x: box.x * scale,
            y: box.y * scale,
            width: box.width * scale,
            height: box.height * scale,
          }}
          filters={[Konva.Filters.Pixelate]}
          pixelSize={Math.max(6, Math.round(Math.max(box.width, box.height) / 5))}
        />
      )}
      <Rect {...box} stroke={halo} strokeWidth={2} dash={[6, 4]} />
    </>
  );
}
