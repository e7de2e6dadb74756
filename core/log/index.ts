export { canonicalJson } from './canonical-json.ts';
export * from './chain.ts';
export {
  type Apart,
  type BehindCover,
  type CircuitSaid,
  circuitSaid,
  panelBox,
  type SeenFault,
  sharedWith,
} from './circuits-said.ts';
export * from './clock.ts';
export * from './close-out.ts';
export * from './coverage.ts';
export { mostTemperatures } from './entries/thermal-picture-read.ts';
export * from './entry.ts';
export { clockOf, inOrder } from './entry-order.ts';
export {
  bareLinkSchema,
  chainHeadSchema,
  hashSchema,
  idSchema,
  instantSchema,
  linkSchema,
  textSchema,
} from './envelope.ts';
export { heldSchema } from './finding-schemas.ts';
export * from './firm.ts';
export * from './function-checks.ts';
export * from './house.ts';
export * from './house-fold.ts';
export * from './house-parts.ts';
export * from './house-time.ts';
export { isId } from './id.ts';
export * from './kept.ts';
export * from './kit.ts';
export * from './kit-fold.ts';
export * from './lost-by.ts';
export { namesakeOf } from './names-apart.ts';
export { latestAction, latestUndo } from './order.ts';
export * from './photos.ts';
export * from './phrases.ts';
export * from './readers.ts';
export * from './redescribed.ts';
export * from './verify.ts';
export * from './went-dead.ts';
export * from './withdrawals.ts';
