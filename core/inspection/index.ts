export * from './clock.ts';
export * from './coverage.ts';
export * from './entry.ts';
export * from './house.ts';
export * from './house-fold.ts';
export * from './kit.ts';
export * from './leaving.ts';
export { clockOf, inOrder } from './order.ts';
export * from './proof.ts';
