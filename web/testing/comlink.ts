type Asked = (...args: readonly unknown[]) => unknown;

let engine: Record<string, Asked> = {};

/**
 * In place of comlink: the engine answers in the page itself, later as from a worker. There are no workers here. Answers
 * what was exposed before.
 */
export function expose(exposed: Record<string, Asked>): Record<string, Asked> {
  const before = engine;
  engine = exposed;
  return before;
}

export const wrap = (): Record<string, Asked> =>
  new Proxy(
    {},
    {
      get:
        (_, name: string): Asked =>
        async (...args) =>
          engine[name]?.(...args),
    },
  );

export const proxy = <T>(one: T): T => one;
