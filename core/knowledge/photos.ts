/** What can be photographed: the house, a room, or one thing in it. */
export const photoSubjects = [
  'house',
  'room',
  'receptacle',
  'box',
  'panel',
  'breaker',
  'hot-spot',
  'point',
] as const;
export type PhotoSubject = (typeof photoSubjects)[number];

/** How a photo stands in the report, where somebody chose it. */
export const photoSizes = ['left-out', 'small', 'large'] as const;
export type PhotoSize = (typeof photoSizes)[number];

/** Longest side of a photo that is kept, and of the small one beside it, in pixels. */
export const longestSide = 2048;
export const longestSideSmall = 320;
/** A kept photo is no larger, in bytes: a JPEG of its longest sides comes to a third of it. */
export const mostPhotoBytes = 4_000_000;
