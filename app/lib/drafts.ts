import { lenient, RequestProblem } from '@plesion/contract';
import type { z } from 'zod';
import { queryClient } from './api';
import { createDraft, type Draft, type DraftParts, type Holder, type Kept, type Kind } from './draft';
import { keyOf, outbox } from './outbox/outbox';
import type { Entry } from './outbox/storage';
import { createTurns } from './outbox/turns';
import { toTheDoor } from './toTheDoor';

interface Versioned {
  version: number;
}

interface Registered<C extends Versioned, S extends Versioned> extends Pick<DraftParts<C, S>, 'delay' | 'onSaved'> {
  /** The kind's name in the outbox. */
  name: string;
  kind: Kind<C, S>;
  /** What the contract says a write of it is: what was kept is held against it on the way in and on the way out. */
  schema: z.ZodType;
  send: (id: string, content: C, station: string) => Promise<S>;
}

/** What waits goes out one by one, so that a record arrives after those it names. */
const inTurn = createTurns();

/** The drafts of one kind of record: those open, and those that the device holds. */
export function createDrafts<C extends Versioned, S extends Versioned>({
  name,
  kind,
  schema,
  send,
  delay,
  onSaved,
}: Registered<C, S>) {
  const opened = new Map<string, Draft<C, S>>();
  const shape = lenient(schema);

  /** Whoever was signed out meanwhile is shown the door; what they wrote stays on the device. */
  const sendOrAsk = async (station: string, id: string, content: C): Promise<S> => {
    const right = shape.safeParse(content);
    if (!right.success) {
      const [issue] = right.error.issues;
      const field = issue.path.join('.');
      throw new RequestProblem(400, { code: 'bad-shape', message: `${field || 'This'}: ${issue.message}.`, field });
    }
    try {
      return await inTurn(() => send(id, content, station));
    } catch (error) {
      toTheDoor(queryClient, error);
      throw error;
    }
  };

  const holderOf = (station: string, id: string): Holder<C> => ({
    keep: (kept) => outbox().keep({ station, kind: name, id, ...kept }),
    forget: () => outbox().forget(keyOf(station, name, id)),
  });

  const open = (station: string, id: string, { content, unanswered }: Kept<C>, dirty: boolean): Draft<C, S> => {
    const draft = createDraft(kind, {
      id,
      content,
      dirty,
      unanswered,
      holder: holderOf(station, id),
      send: (_, now) => sendOrAsk(station, id, now),
      delay,
      onSaved,
    });
    opened.set(keyOf(station, name, id), draft);
    return draft;
  };

  /** What an entry holds, where this version can read it. */
  const read = ({ content, unanswered, asked }: Entry): Kept<C> | undefined => {
    if (!shape.safeParse(content).success) return undefined;
    const answered = unanswered !== undefined && shape.safeParse(unanswered).success;
    return { content: content as C, asked, ...(answered ? { unanswered: unanswered as C } : {}) };
  };

  /** What this device holds and has not been able to send. */
  const keptContent = (station: string, id: string): Kept<C> | undefined => {
    const entry = outbox().entry(keyOf(station, name, id));
    return entry && read(entry);
  };

  /** A draft: one already open, what the device kept, or what the server has. Nothing is sent by asking for it. */
  const draftOf = (station: string, id: string, stored?: S): Draft<C, S> | undefined => {
    const known = opened.get(keyOf(station, name, id));
    if (known) {
      const { saving, content } = known.get();
      if (!stored || saving.at !== 'saved' || stored.version <= content.version) return known;
    }
    const kept = keptContent(station, id);
    if (kept) return open(station, id, kept, true);
    return stored && open(station, id, { content: kind.contentOf(stored) }, false);
  };

  return {
    name,
    keptContent,
    draftOf,
    /** Something new, kept here and sent at once. */
    startDraft(station: string, id: string, content: C): Draft<C, S> {
      const draft = open(station, id, { content }, true);
      void draft.flush();
      return draft;
    },
    /** What is here of one is given up: the device keeps nothing of it. */
    takeBack(station: string, id: string): void {
      opened.delete(keyOf(station, name, id));
      outbox().forget(keyOf(station, name, id));
    },
    /** Can this version read what an entry holds? */
    isReadable: (entry: Entry) => read(entry) !== undefined,
    /** Send what an entry holds; what is sent by hand only where the person asked for it. */
    async sendEntry(entry: Entry): Promise<void> {
      if (delay === 'by hand' && !entry.asked) return;
      await draftOf(entry.station, entry.id)?.flush();
    },
  };
}

export type Drafts<C extends Versioned, S extends Versioned> = ReturnType<typeof createDrafts<C, S>>;
