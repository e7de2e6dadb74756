import type { PartWords } from '../../knowledge/index.ts';
import type { Photo } from '../../log/index.ts';
import type { PhotoPlace } from '../../report/index.ts';
import { counted } from '../counted.ts';
import { lower } from './terms.ts';

/** What is said of photos. */
export interface PhotoWords {
  /** What it is of and where that is: "Inside the box of Den 1", "Ceiling fan, Family room". */
  readonly of: (place: PhotoPlace) => string;
  /** How many photos the firm keeps that are not printed. */
  readonly kept: (count: number) => string;
  /** What somebody who does not see it is told. */
  readonly alternative: (photo: Pick<Photo, 'caption' | 'marks'>, place: PhotoPlace) => string;
}

/** Words of photos, in one English; `receptacle` in the singular. */
export function photoWords(parts: Pick<PartWords, 'panel' | 'position'>, receptacle: string): PhotoWords {
  const named = ({ of, name }: PhotoPlace): string => {
    switch (of) {
      case 'house':
        return 'The house';
      case 'room':
        return name ?? 'A room';
      case 'receptacle':
        return name ?? `A ${receptacle}`;
      case 'box':
        return name === null ? 'Inside a box' : `Inside the box of ${name}`;
      case 'panel':
        return name ?? parts.panel;
      case 'breaker':
        return name === null ? lower(parts.position('–')) : parts.position(name);
      case 'hot-spot':
        return name ?? 'A spot that was looked at for heat';
      case 'point':
        return name ?? 'A switch or light';
    }
  };
  const withRoom = (place: PhotoPlace): string => {
    const words = named(place);
    const { room } = place;
    return room === null || words.includes(room) ? words : `${words}, ${room}`;
  };
  return {
    of: withRoom,
    kept: (count) =>
      `${counted(count, 'more photo is', 'more photos are')} kept by the firm and not printed here.`,
    alternative: ({ caption, marks }, place) => {
      const written = marks.flatMap(({ shape }) => (shape.form === 'text' ? [shape.words] : []));
      const said = caption ?? `Photo: ${withRoom(place)}`;
      return written.length === 0 ? said : `${said}. Written on it: ${written.join('; ')}`;
    },
  };
}
