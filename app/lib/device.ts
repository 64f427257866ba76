/** What this device keeps between visits: text by key. Falls back to memory where the browser forbids it. */
export interface KeyValueStore {
  read: (key: string) => string | undefined;
  /** False when there was no room. */
  write: (key: string, text: string) => boolean;
  remove: (key: string) => void;
  keys: () => string[];
}

export function memoryStore(): KeyValueStore {
  const kept = new Map<string, string>();
  return {
    read: (key) => kept.get(key),
    write: (key, text) => Boolean(kept.set(key, text)),
    remove: (key) => void kept.delete(key),
    keys: () => [...kept.keys()],
  };
}

function browserKeeper(storage: Storage): KeyValueStore {
  return {
    read: (key) => storage.getItem(key) ?? undefined,
    write: (key, text) => {
      try {
        storage.setItem(key, text);
        return true;
      } catch {
        return false;
      }
    },
    remove: (key) => storage.removeItem(key),
    keys: () => Object.keys(storage),
  };
}

function available(storage: () => Storage): KeyValueStore {
  try {
    // Absent where there is no browser, and refused where the person forbids it.
    return storage() ? browserKeeper(storage()) : memoryStore();
  } catch {
    return memoryStore();
  }
}

export const device: KeyValueStore = available(() => window.localStorage);

/** What this page keeps over a reload, and no longer than it is open. */
export const page: KeyValueStore = available(() => window.sessionStorage);
