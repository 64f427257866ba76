import { device } from '../device';
import { createStore } from '../store';
import { saveLate, takeLate } from './late';
import { type Entry, type KeptFile, openStorage, type Storage } from './storage';

export const keyOf = (station: string, kind: string, id: string) => `${station}/${kind}/${id}`;

/** What is to be kept of a record. */
export type Keeping = Pick<Entry, 'station' | 'kind' | 'id' | 'content' | 'unanswered' | 'asked'>;

/**
 * Everything that this device has and the server has not, of all kinds and in one
 * order, with the files it names. It is read once, at the start; from then on it is
 * at hand at once, and every change is written through.
 */
export interface Outbox {
  /** Does what is kept last over a reload? */
  lasting: boolean;
  entry: (key: string) => Entry | undefined;
  /** What waits in a station, in the order in which it is to be sent. */
  waiting: (station: string) => readonly Entry[];
  /** Rejected when the device has no room; what stands here stays at hand all the same. */
  keep: (keeping: Keeping) => Promise<void>;
  forget: (key: string) => void;
  /** What is at hand and does not yet last. */
  unwritten: () => Entry[];
  file: (station: string, hash: string) => Blob | undefined;
  keepFile: (station: string, hash: string, file: Blob) => Promise<void>;
  forgetFile: (station: string, hash: string) => void;
  /** Told whenever something comes or goes. */
  subscribe: (listener: () => void) => () => void;
  /** Counts the changes; for `useSyncExternalStore`. */
  get: () => number;
}

export async function createOutbox(storage: Storage): Promise<Outbox> {
  const { entries: stored, files: blobs } = await storage.load();
  const entries = new Map(stored.map((entry) => [entry.key, entry]));
  const files = new Map(blobs.map((file) => [file.key, file]));
  const unwritten = new Map<string, Entry>();
  const changes = createStore(0);
  const changed = () => changes.set(changes.get() + 1);
  let last = stored.reduce((most, { place }) => Math.max(most, place), 0);
  // What could not be removed comes back at the next start, is sent once more, and is then one write.
  const quietly = (work: Promise<unknown>) => void work.catch(() => undefined);
  return {
    lasting: storage.lasting,
    entry: (key) => entries.get(key),
    waiting: (station) => [...entries.values()].filter((one) => one.station === station).sort((a, b) => a.place - b.place),
    async keep(keeping) {
      const key = keyOf(keeping.station, keeping.kind, keeping.id);
      const known = entries.get(key);
      const entry: Entry = { ...keeping, key, place: known?.place ?? ++last };
      entries.set(key, entry);
      if (!known) changed();
      unwritten.set(key, entry);
      await storage.putEntry(entry);
      if (unwritten.get(key) === entry) unwritten.delete(key);
    },
    forget(key) {
      if (!entries.delete(key)) return;
      unwritten.delete(key);
      changed();
      quietly(storage.removeEntry(key));
    },
    unwritten: () => [...unwritten.values()],
    file: (station, hash) => files.get(keyOf(station, 'file', hash))?.file,
    async keepFile(station, hash, file) {
      const kept: KeptFile = { key: keyOf(station, 'file', hash), station, hash, file };
      await storage.putFile(kept);
      files.set(kept.key, kept);
      changed();
    },
    forgetFile(station, hash) {
      const key = keyOf(station, 'file', hash);
      if (!files.delete(key)) return;
      changed();
      quietly(storage.removeFile(key));
    },
    subscribe: changes.subscribe,
    get: changes.get,
  };
}

let opened: Outbox | undefined;
let opening: Promise<Outbox> | undefined;

/** Read what this device holds; once, before anything of it is shown. */
export function openOutbox(): Promise<Outbox> {
  opening ??= openStorage().then(async (storage) => {
    opened = await createOutbox(storage);
    await takeLate(device, opened);
    if (typeof window !== 'undefined' && 'addEventListener' in window) saveLate(device, opened, window);
    return opened;
  });
  return opening;
}

/** The device's outbox, which the root has opened. */
export function outbox(): Outbox {
  if (!opened) throw new Error('The outbox is used before the root has opened it.');
  return opened;
}

/** Put an outbox in place that was opened otherwise. */
export function setOutbox(other: Outbox): void {
  opened = other;
}
