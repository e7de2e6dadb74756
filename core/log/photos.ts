import type { PhotoSize, PhotoSubject } from '../knowledge/photos.ts';

interface Corner {
  readonly x: number;
  readonly y: number;
}

/** Something drawn on a photo; lengths as shares of its longer side, from its top left corner. */
export type Shape =
  | (Corner & { readonly form: 'arrow'; readonly toX: number; readonly toY: number })
  | (Corner & { readonly form: 'ring'; readonly radius: number })
  | (Corner & { readonly form: 'text'; readonly words: string })
  | (Corner & { readonly form: 'blur'; readonly width: number; readonly height: number });

export interface Photo {
  readonly id: string;
  readonly of: PhotoSubject;
  /** The id of what it is of; left out for the house. */
  readonly about?: string | undefined;
  /** SHA-256 of its bytes, in hexadecimal: what it is stored by. */
  readonly hash: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  /** When it was taken as its camera says, else when it was added. */
  readonly takenAt: string;
  readonly addedAt: string;
  readonly author: string;
  readonly caption?: string | null;
  /** null or left out: the first of each finding is printed. */
  readonly size?: PhotoSize | null;
  readonly marks: readonly { readonly id: string; readonly shape: Shape }[];
}

interface WithPhotos {
  photos?: readonly Photo[];
}

/** A photo with something changed; nothing where it is not there (any more). */
export function withPhoto(job: WithPhotos, id: string, change: (before: Photo) => Photo): void {
  if (job.photos === undefined) return;
  job.photos = job.photos.map((photo) => (photo.id === id ? change(photo) : photo));
}

/** Photos in an order of their own; those that it does not name stay behind, as they stood. */
export function inOrderOf(photos: readonly Photo[], order: readonly string[]): readonly Photo[] {
  const rank = new Map(order.map((id, index) => [id, index]));
  const rankOf = ({ id }: Photo): number => rank.get(id) ?? order.length;
  return photos.toSorted((a, b) => rankOf(a) - rankOf(b));
}

/** Photos of one thing. */
export const photosAbout = ({ photos }: WithPhotos, of: PhotoSubject, about?: string): readonly Photo[] =>
  (photos ?? []).filter((photo) => photo.of === of && photo.about === about);

/** Photos at a receptacle, of its face and of its box. */
export const photosAt = ({ photos }: WithPhotos, receptacle: string): readonly Photo[] =>
  (photos ?? []).filter(({ of, about }) => (of === 'receptacle' || of === 'box') && about === receptacle);

/** Parts of a photo that nobody outside the firm sees. */
export const blursOf = ({ marks }: Pick<Photo, 'marks'>) =>
  marks.flatMap(({ shape }) => (shape.form === 'blur' ? [shape] : []));

/** The two sides of an arrow's head and its tip between them, in shares of the photo's longer side. */
export function arrowHead({
  x,
  y,
  toX,
  toY,
}: Extract<Shape, { form: 'arrow' }>): readonly (readonly [x: number, y: number])[] {
  const turn = Math.atan2(toY - y, toX - x);
  const length = Math.min(0.045, Math.hypot(toX - x, toY - y));
  const side = (by: number) =>
    [toX - length * Math.cos(turn + by), toY - length * Math.sin(turn + by)] as const;
  return [side(0.45), [toX, toY], side(-0.45)];
}
