import { builtinEnvironments, type Environment } from 'vitest/runtime';

const kept = globalThis as { hasPage?: boolean };

/** One page for all files of a process, as one browser shows one screen after another: to make one takes a second. */
const page: Environment = {
  name: 'page',
  viteEnvironment: 'client',
  async setup(global, options) {
    if (!kept.hasPage) await builtinEnvironments.jsdom.setup(global, options);
    kept.hasPage = true;
    return { teardown: () => {} };
  },
};

export default page;
