import type { Finding } from '../findings/index.ts';
import type { PhotoSize, PhotoSubject } from '../knowledge/index.ts';
import {
  type House,
  hotSpotsOf,
  type Panel,
  type Photo,
  panelsOf,
  pointsOf,
  receptaclesOf,
} from '../log/index.ts';

/** Where a photo was taken: what it is of, by name, and the room of it; null where neither has one. */
export interface PhotoPlace {
  readonly of: PhotoSubject;
  readonly name: string | null;
  readonly room: string | null;
}

/** A photo as it is printed. */
export interface PrintedPhoto {
  readonly photo: Photo;
  readonly place: PhotoPlace;
  readonly size: Exclude<PhotoSize, 'left-out'>;
  /** Key of the finding that it stands beside; null: by itself. */
  readonly finding: string | null;
}

export interface ReportedPhotos {
  readonly printed: readonly PrintedPhoto[];
  /** How many more are kept. */
  readonly kept: number;
}

const breakerOf = (panels: readonly Panel[], id: string | undefined): string | null =>
  panels.flatMap(({ breakers }) => breakers).find((one) => one.id === id)?.number ?? null;

/** Names of all that photos can be of, looked up once. */
function placesIn(house: House): (photo: Photo) => PhotoPlace {
  const rooms = new Map(house.rooms.map(({ id, name }) => [id, name]));
  const receptacles = new Map(receptaclesOf(house).map(({ id, name }) => [id, name]));
  const roomOf = new Map(house.rooms.flatMap((room) => room.receptacles.map(({ id }) => [id, room.name])));
  const panels = panelsOf(house);
  const points = new Map(pointsOf(house).map((point) => [point.id, point]));
  const spots = new Map(hotSpotsOf(house).map(({ id, where }) => [id, where]));
  return ({ of, about = '' }) => {
    switch (of) {
      case 'house':
        return { of, name: null, room: null };
      case 'room':
        return { of, name: rooms.get(about) ?? null, room: null };
      case 'receptacle':
      case 'box':
        return { of, name: receptacles.get(about) ?? null, room: roomOf.get(about) ?? null };
      case 'panel':
        return { of, name: panels.find(({ id }) => id === about)?.name ?? null, room: null };
      case 'breaker':
        return { of, name: breakerOf(panels, about), room: null };
      case 'hot-spot':
        return { of, name: spots.get(about) ?? null, room: null };
      case 'point': {
        const { name = null, room = '' } = points.get(about) ?? {};
        return { of, name, room: rooms.get(room) ?? null };
      }
    }
  };
}

/** What a photo is of, and where that is. */
export const placeOfPhoto = (house: House, photo: Photo): PhotoPlace => placesIn(house)(photo);

/** Whether a photo shows what a finding is about. */
export function isOfFinding({ of, about }: Photo, { receptacles, proposal }: Finding): boolean {
  if (about === undefined) return false;
  if (of === 'receptacle' || of === 'box') return receptacles.some(({ id }) => id === about);
  return proposal?.parts?.includes(about) === true;
}

/** How many places a finding is about. */
const breadth = ({ receptacles, proposal }: Finding): number =>
  receptacles.length + (proposal?.parts?.length ?? 0);

/**
 * Which photos are printed and where. Of every finding the first that is not printed yet, large, unless somebody chose;
 * what was chosen and belongs to no finding stands by itself. A photo of what several findings are about stands beside
 * the one that is about the fewest places, the first of these.
 */
export function reportedPhotos(house: House, findings: readonly Finding[]): ReportedPhotos {
  const all = house.photos ?? [];
  const placeOf = placesIn(house);
  const printed = new Map<string, PrintedPhoto>();
  for (const finding of findings.toSorted((one, other) => breadth(one) - breadth(other))) {
    let hasFirst = false;
    for (const photo of all) {
      if (printed.has(photo.id) || photo.size === 'left-out' || !isOfFinding(photo, finding)) continue;
      const isFirst = !hasFirst;
      if (!isFirst && (photo.size ?? null) === null) continue;
      hasFirst = true;
      printed.set(photo.id, {
        photo,
        place: placeOf(photo),
        size: photo.size ?? 'large',
        finding: finding.key,
      });
    }
  }
  const rest = all.flatMap((photo): readonly PrintedPhoto[] =>
    printed.has(photo.id) || (photo.size !== 'small' && photo.size !== 'large')
      ? []
      : [{ photo, place: placeOf(photo), size: photo.size, finding: null }],
  );
  const those = [...printed.values(), ...rest];
  return { printed: those, kept: all.length - those.length };
}
