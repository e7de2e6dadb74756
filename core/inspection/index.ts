export * from './entry.ts';
export * from './house.ts';
export * from './kit.ts';
export { inOrder } from './order.ts';
