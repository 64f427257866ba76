import { openOutbox, outbox } from '../../lib/outbox/outbox';
import { takeOver } from '../../lib/outbox/fromOlder';
import { device } from '../../lib/device';
import type { Entry } from '../../lib/outbox/storage';
import { specimenDrafts } from './drafts';
import { measurementDrafts } from './useMeasurements';
import { keyDrafts } from './useKeys';
import { lotDrafts } from './useLots';

/** What can be done with an entry, whatever its kind. */
interface Sender {
  name: string;
  isReadable: (entry: Entry) => boolean;
  sendEntry: (entry: Entry) => Promise<void>;
}

const kinds: Sender[] = [specimenDrafts, lotDrafts, keyDrafts, measurementDrafts];

/** Kinds whose shapes are fetched only when something of theirs waits. */
const FIELD = ['site', 'visit', 'capture', 'string', 'count', 'sheet'];
const BOOK = ['individual', 'pairing', 'pen'];
const PRACTICE = ['practice'];
const GROUPS = [
  { names: FIELD, fetch: () => import('./fieldSending').then(({ fieldKinds }): Sender[] => fieldKinds) },
  { names: BOOK, fetch: () => import('./bookSending').then(({ bookKinds }): Sender[] => bookKinds) },
  { names: PRACTICE, fetch: () => import('./practiceAnswers').then(({ practiceAnswers }): Sender[] => [practiceAnswers]) },
];
type Group = (typeof GROUPS)[number];
const fetching = new Map<Group, Promise<void>>();
const laterOf = ({ kind }: Entry) => GROUPS.find(({ names }) => names.includes(kind));

function fetchLater(group: Group): Promise<void> {
  const known = fetching.get(group);
  if (known) return known;
  const fetched = group.fetch().then(
    (own) => void kinds.push(...own),
    () => void fetching.delete(group),
  );
  fetching.set(group, fetched);
  return fetched;
}

const kindOf = (entry: Entry) => kinds.find(({ name }) => name === entry.kind);

async function fetchedKindOf(entry: Entry): Promise<Sender | undefined> {
  const later = kindOf(entry) ? undefined : laterOf(entry);
  if (later) await fetchLater(later);
  return kindOf(entry);
}

/** Read what this device holds, with what an earlier version kept elsewhere. */
export async function openRecords(): Promise<void> {
  await takeOver(device, await openOutbox());
}

/** Try to send everything that waits, in its order. */
export async function sendWaiting(station: string): Promise<void> {
  for (const entry of outbox().waiting(station)) await (await fetchedKindOf(entry))?.sendEntry(entry);
}

/** What waits, and whether this version can read it; what nobody has looked at yet is thought readable. */
export const waitingOf = (station: string): { entry: Entry; readable: boolean }[] =>
  outbox()
    .waiting(station)
    .map((entry) => ({
      entry,
      readable: kindOf(entry)?.isReadable(entry) ?? laterOf(entry) !== undefined,
    }));

/** Milliseconds until it is tried again: soon at first, seldom after that. */
const FIRST = 4_000;
const LONGEST = 60_000;

/**
 * Sends what waits for as long as a station is open: at once, when the connection
 * is back, when the page is looked at again, and from time to time while something
 * is left.
 *
 * @returns ends it.
 */
export function keepSending(station: string): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let pause = FIRST;
  let ended = false;
  let busy: Promise<void> | undefined;
  const send = () => {
    clearTimeout(timer);
    busy ??= sendWaiting(station).finally(() => {
      busy = undefined;
      if (ended || outbox().waiting(station).length === 0) return;
      timer = setTimeout(send, pause);
      pause = Math.min(LONGEST, pause * 2);
    });
  };
  const soon = () => {
    pause = FIRST;
    send();
  };
  const seen = () => document.visibilityState === 'visible' && soon();
  send();
  // What comes to wait while nothing is under way is looked after too.
  const leave = outbox().subscribe(() => {
    if (busy || outbox().waiting(station).length === 0) return;
    clearTimeout(timer);
    pause = FIRST;
    timer = setTimeout(send, pause);
  });
  window.addEventListener('online', soon);
  document.addEventListener('visibilitychange', seen);
  return () => {
    ended = true;
    clearTimeout(timer);
    leave();
    window.removeEventListener('online', soon);
    document.removeEventListener('visibilitychange', seen);
  };
}
