import { RequestProblem } from '@plesion/contract';
import { queryClient } from './api';
import { device } from './device';
import { createDraft, type Draft, type DraftParts, type Kept, type Kind } from './draft';

interface Versioned {
  version: number;
}

interface Registered<C extends Versioned, S extends Versioned> extends Pick<DraftParts<C, S>, 'send' | 'delay' | 'onSaved'> {
  /** What its drafts are kept under on the device. */
  prefix: string;
  kind: Kind<C, S>;
}

/** The drafts of one kind of thing: those open, and those that the device holds. */
export function createDrafts<C extends Versioned, S extends Versioned>({ prefix, kind, send, delay, onSaved }: Registered<C, S>) {
  const opened = new Map<string, Draft<C, S>>();
  const keyOf = (station: string, id: string) => `${prefix}${station}.${id}`;

  /** Whoever was signed out meanwhile is shown the door; what they wrote stays on the device. */
  const sendOrAsk = async (id: string, content: C): Promise<S> => {
    try {
      return await send(id, content);
    } catch (error) {
      if (error instanceof RequestProblem && error.status === 401) void queryClient.invalidateQueries({ queryKey: ['session'] });
      throw error;
    }
  };

  const open = (station: string, id: string, { content, unanswered }: Kept<C>, dirty: boolean): Draft<C, S> => {
    const key = keyOf(station, id);
    const draft = createDraft(kind, { id, content, dirty, unanswered, keeper: device, key, send: sendOrAsk, delay, onSaved });
    opened.set(key, draft);
    return draft;
  };

  /** What this device holds and has not been able to send. */
  const keptContent = (station: string, id: string): Kept<C> | undefined => {
    const text = device.read(keyOf(station, id));
    return text === undefined ? undefined : (JSON.parse(text) as Kept<C>);
  };

  /** A draft: one already open, what the device kept, or what the server has. */
  const draftOf = (station: string, id: string, stored?: S): Draft<C, S> | undefined => {
    const known = opened.get(keyOf(station, id));
    if (known) {
      const { saving, content } = known.get();
      if (!stored || saving.at !== 'saved' || stored.version <= content.version) return known;
    }
    const kept = keptContent(station, id);
    if (kept) {
      const draft = open(station, id, kept, true);
      if (delay !== 'by hand') void draft.flush();
      return draft;
    }
    return stored && open(station, id, { content: kind.contentOf(stored) }, false);
  };

  return {
    keptContent,
    draftOf,
    /** Something new, kept here and sent at once. */
    startDraft(station: string, id: string, content: C): Draft<C, S> {
      const draft = open(station, id, { content }, true);
      device.write(keyOf(station, id), JSON.stringify({ content } satisfies Kept<C>));
      void draft.flush();
      return draft;
    },
    /** Ids of those with changes that only this device has. */
    unsentIds(station: string): string[] {
      const start = keyOf(station, '');
      return device
        .keys()
        .filter((key) => key.startsWith(start))
        .map((key) => key.slice(start.length));
    },
  };
}

export type Drafts<C extends Versioned, S extends Versioned> = ReturnType<typeof createDrafts<C, S>>;
