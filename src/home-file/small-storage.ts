/** Where a browser lets a file keep nothing, choices last as long as the page is open. */
export function standInForStorage(): void {
  try {
    if (typeof window.localStorage.length === 'number') return;
  } catch {
    // It is there, and may not be touched.
  }
  const held = new Map<string, string>();
  const standIn: Storage = {
    get length() {
      return held.size;
    },
    clear: () => held.clear(),
    getItem: (key) => held.get(key) ?? null,
    key: (at) => [...held.keys()][at] ?? null,
    removeItem: (key) => {
      held.delete(key);
    },
    setItem: (key, value) => {
      held.set(key, value);
    },
  };
  Object.defineProperty(window, 'localStorage', { value: standIn, configurable: true });
}

/** Some browsers give files no ids of their own. */
export function standInForIds(): void {
  if (typeof crypto.randomUUID === 'function') return;
  const hex = (bytes: Uint8Array): string => [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
  Object.defineProperty(crypto, 'randomUUID', {
    value: () => {
      const all = hex(crypto.getRandomValues(new Uint8Array(16)));
      return [8, 4, 4, 4, 12]
        .map((n, i, sizes) => {
          const from = sizes.slice(0, i).reduce((sum, s) => sum + s, 0);
          return all.slice(from, from + n);
        })
        .join('-');
    },
  });
}
