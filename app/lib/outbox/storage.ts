import { createStore, del, set, values } from 'idb-keyval';

/** A record with changes that only this device has. */
export interface Entry {
  /** Station, kind and id: one entry a record. */
  key: string;
  station: string;
  kind: string;
  id: string;
  /** Its place in the order of sending: when it first had something to send. */
  place: number;
  /** How it stands here. */
  content: unknown;
  /** The write that nobody answered for. */
  unanswered?: unknown;
  /** Did the person ask for it to be sent, where that is not done by itself? */
  asked?: boolean;
}

/** A file that a record names and the server has not got yet. */
export interface KeptFile {
  key: string;
  station: string;
  /** SHA-256 of its content, in hex. */
  hash: string;
  file: Blob;
}

/** Where a device keeps what waits. Whatever cannot be kept is refused by a rejected promise. */
export interface Storage {
  /** Does it last over a reload? */
  lasting: boolean;
  load: () => Promise<{ entries: Entry[]; files: KeptFile[] }>;
  putEntry: (entry: Entry) => Promise<unknown>;
  removeEntry: (key: string) => Promise<unknown>;
  putFile: (file: KeptFile) => Promise<unknown>;
  removeFile: (key: string) => Promise<unknown>;
}

/** For browsers that keep nothing. */
export function memoryStorage(entries: readonly Entry[] = [], files: readonly KeptFile[] = []): Storage {
  const held = new Map(entries.map((entry) => [entry.key, entry]));
  const blobs = new Map(files.map((file) => [file.key, file]));
  return {
    lasting: false,
    load: async () => ({ entries: [...held.values()], files: [...blobs.values()] }),
    putEntry: async (entry) => held.set(entry.key, structuredClone(entry)),
    removeEntry: async (key) => held.delete(key),
    putFile: async (file) => blobs.set(file.key, file),
    removeFile: async (key) => blobs.delete(key),
  };
}

/** In the browser's own database, which holds what localStorage has no room for, files among it. */
export function browserStorage(name = 'plesion'): Storage {
  const entries = createStore(`${name}-entries`, 'entries');
  const files = createStore(`${name}-files`, 'files');
  return {
    lasting: true,
    load: async () => ({ entries: await values<Entry>(entries), files: await values<KeptFile>(files) }),
    putEntry: (entry) => set(entry.key, entry, entries),
    removeEntry: (key) => del(key, entries),
    putFile: (file) => set(file.key, file, files),
    removeFile: (key) => del(key, files),
  };
}

/** The browser's database where there is one that opens, memory elsewhere. */
export async function openStorage(): Promise<Storage> {
  if (typeof indexedDB === 'undefined') return memoryStorage();
  const storage = browserStorage();
  try {
    await storage.load();
    return storage;
  } catch {
    // Refused in some private windows: what is written then lasts as long as the page.
    return memoryStorage();
  }
}
