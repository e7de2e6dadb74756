import { arrowHead, type Photo, type Shape } from '@fair-plug/core/log';
import { type PhotoAddress, usePhoto } from '@/local/photos/use-photo';
import type { PhotoBytes } from '@/local/tables';
import classes from './photos.module.css';

const missing: Readonly<Record<Exclude<PhotoAddress['kind'], 'here'>, string>> = {
  loading: '…',
  elsewhere: 'Not here yet: it is on the device that took it.',
  'server-away': 'The server does not answer.',
};

export interface PhotoPictureProps {
  readonly job: string;
  readonly photo: Photo;
  readonly version: PhotoBytes['version'];
  /** What somebody who does not see it is told; empty where that stands beside it. */
  readonly alternative: string;
}

/** A photo as those of the firm see it: what will be blurred is veiled, what is drawn is drawn. */
export function PhotoPicture({ job, photo, version, alternative }: PhotoPictureProps) {
  const found = usePhoto(job, photo.hash, version);
  const { width, height, marks } = photo;
  return (
    <span className={classes.picture} style={{ aspectRatio: `${width} / ${height}` }}>
      {found.kind === 'here' ? (
        // biome-ignore lint/performance/noImgElement: an object's address in this browser, nothing to optimize
        <img src={found.address} alt={alternative} width={width} height={height} />
      ) : (
        <span className={classes.missing}>{missing[found.kind]}</span>
      )}
      {found.kind === 'here' && marks.length > 0 && <Drawn photo={photo} />}
    </span>
  );
}

/** Lengths of shapes are shares of the longer side; here that is 1000. */
const unit = 1000;

/** What is drawn on a photo, over it. */
export function Drawn({ photo: { width, height, marks } }: { readonly photo: Photo }) {
  const side = Math.max(width, height);
  return (
    <>
      {marks.map(
        ({ id, shape }) =>
          shape.form === 'blur' && (
            <span
              key={id}
              className={classes.veil}
              style={{
                left: `${(100 * shape.x * side) / width}%`,
                top: `${(100 * shape.y * side) / height}%`,
                width: `${(100 * shape.width * side) / width}%`,
                height: `${(100 * shape.height * side) / height}%`,
              }}
            />
          ),
      )}
      <svg
        className={classes.drawing}
        viewBox={`0 0 ${(unit * width) / side} ${(unit * height) / side}`}
        aria-hidden
      >
        {marks.map(({ id, shape }) => (
          <Mark key={id} shape={shape} />
        ))}
      </svg>
    </>
  );
}

function Mark({ shape }: { readonly shape: Shape }) {
  switch (shape.form) {
    case 'arrow': {
      const [x, y] = [unit * shape.toX, unit * shape.toY];
      const head = arrowHead(shape)
        .map((point) => point.map((at) => unit * at).join(','))
        .join(' ');
      return (
        <g className={classes.line}>
          <path d={`M${unit * shape.x} ${unit * shape.y}L${x} ${y}`} />
          <polyline points={head} />
        </g>
      );
    }
    case 'ring':
      return (
        <circle className={classes.line} cx={unit * shape.x} cy={unit * shape.y} r={unit * shape.radius} />
      );
    case 'text':
      return (
        <text className={classes.written} x={unit * shape.x + 16} y={unit * shape.y + 37}>
          {shape.words}
        </text>
      );
    case 'blur':
      return null;
  }
}
