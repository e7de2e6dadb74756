/** What a page keeps by name, where there is no page. */
const kept = new Map<string, string>();
const storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'clear'> = {
  getItem: (key) => kept.get(key) ?? null,
  setItem: (key, value) => void kept.set(key, value),
  removeItem: (key) => void kept.delete(key),
  clear: () => kept.clear(),
};
Object.assign(globalThis, { localStorage: storage });
