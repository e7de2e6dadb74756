import { createRequire } from 'node:module';

// React as people run it, not its build for development: that one checks itself for two thirds of its time. Loaded
// before anything else that asks for it; linting and types hold what its warnings would say.
Object.assign(process.env, { NODE_ENV: 'production' });

const load = createRequire(import.meta.url);
const react = load('react') as { act?: unknown };
const { flushSync } = load('react-dom') as typeof import('react-dom');

type Acts = () => unknown;

/** What that build lacks and the testing library asks for: does something, and draws all that follows from it at once. */
react.act = (acts: Acts): PromiseLike<unknown> => {
  const result = flushSync(acts);
  return result instanceof Promise ? result : Promise.resolve(result);
};
