import { RequestProblem } from '@plesion/contract';
import { createStore, type Store } from './store';

interface Versioned {
  version: number;
}

/** What is worked on: what is written (C) and what the server keeps of it (S). */
export interface Kind<C extends Versioned, S extends Versioned> {
  /** What a write holds of what is stored. */
  contentOf: (stored: S) => C;
  /** Is what is stored what was sent? */
  same: (stored: S, sent: C) => boolean;
  /** An earlier state brought back: what is no longer undone comes from now. */
  back: (target: C, now: C) => C;
  /** Mine on top of what is stored. */
  merge: (mine: C, stored: C) => C;
}

/** Where the changes are. */
export type Saving<S> =
  | { at: 'saved' }
  | { at: 'waiting' }
  | { at: 'sending' }
  | { at: 'kept-here' }
  | { at: 'refused'; message: string; field?: string }
  | { at: 'conflict'; stored: S };

export interface DraftState<C, S> {
  content: C;
  saving: Saving<S>;
  canUndo: boolean;
  canRedo: boolean;
  /** Did the device have no room for it? Then it lasts only as long as the page. */
  unkept?: boolean;
}

export type Send<C, S> = (id: string, content: C) => Promise<S>;

export interface Draft<C, S> extends Pick<Store<DraftState<C, S>>, 'get' | 'subscribe'> {
  id: string;
  change: (next: (content: C) => C) => void;
  undo: () => void;
  redo: () => void;
  /** Send now what waits; resolves when the server has it or cannot have it. */
  flush: () => Promise<Saving<S>>;
  /** Settle a conflict: keep what is here on top of what is stored, or take what is stored. */
  settle: (keep: 'mine' | 'stored') => Promise<void>;
}

export interface DraftParts<C, S> {
  id: string;
  content: C;
  /** Is there anything here that the server has not got? */
  dirty: boolean;
  /** What was sent and never answered for, kept from an earlier visit. */
  unanswered?: C;
  holder: Holder<C>;
  send: Send<C, S>;
  /** Milliseconds between the last change and sending it; `by hand` when only `flush` sends. */
  delay?: number | 'by hand';
  onSaved?: (stored: S) => void;
}

const UNDO_STEPS = 100;

/** The answer broke the contract: this page is of another version than the server. */
const NOT_UNDERSTOOD = 'The server answered in a way this page does not understand; reload it to get the version that does.';

/** What the device keeps: how it stands here, the write that nobody answered for, and whether it is to be sent. */
export interface Kept<C> {
  content: C;
  unanswered?: C;
  asked?: boolean;
}

/** Where a draft is kept on the device; `keep` is rejected where there is no room. */
export interface Holder<C> {
  keep: (kept: Kept<C>) => Promise<void>;
  forget: () => void;
}

/**
 * Something being worked on. Every change is kept on the device at once, so that
 * a reload loses nothing, and sent to the server a moment later (or by hand); what
 * cannot be sent waits.
 */
export function createDraft<C extends Versioned, S extends Versioned>(
  { contentOf, same, back, merge }: Kind<C, S>,
  { id, content, dirty, unanswered: before, holder, send, delay = 500, onSaved }: DraftParts<C, S>,
): Draft<C, S> {
  const store = createStore<DraftState<C, S>>({
    content,
    saving: { at: dirty ? 'kept-here' : 'saved' },
    canUndo: false,
    canRedo: false,
  });
  const past: C[] = [];
  const future: C[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<Saving<S>> | undefined;
  let unanswered = before;

  const show = (part: Partial<DraftState<C, S>>) =>
    store.set({ ...store.get(), ...part, canUndo: past.length > 0, canRedo: future.length > 0 });

  const keep = (next: C) => {
    const asked = delay !== 'by hand' || sending !== undefined;
    holder.keep({ content: next, unanswered, asked }).then(
      () => store.get().unkept && show({ unkept: false }),
      () => store.get().saving.at !== 'saved' && show({ unkept: true }),
    );
  };

  const put = (next: C) => {
    keep(next);
    show({ content: next, saving: { at: 'waiting' } });
    clearTimeout(timer);
    if (delay !== 'by hand') timer = setTimeout(() => void flush(), delay);
  };

  /** One write under way at a time, so that each names the version the one before made. */
  const flush = (): Promise<Saving<S>> => {
    clearTimeout(timer);
    sending ??= sendAll().finally(() => {
      sending = undefined;
    });
    return sending;
  };

  const sendAll = async (): Promise<Saving<S>> => {
    for (;;) {
      const { content: now, saving } = store.get();
      if (saving.at === 'saved' || saving.at === 'conflict') return saving;
      show({ saving: { at: 'sending' } });
      const result = await attempt(now);
      const changed = store.get().content !== now;
      if ('stored' in result) {
        const { version } = result.stored;
        const latest = { ...store.get().content, version };
        if (changed) keep(latest);
        else holder.forget();
        show({
          content: changed ? latest : contentOf(result.stored),
          saving: { at: changed ? 'waiting' : 'saved' },
          ...(changed ? {} : { unkept: false }),
        });
        onSaved?.(result.stored);
        if (changed) continue;
        return store.get().saving;
      }
      show({ saving: result.saving });
      return result.saving;
    }
  };

  const attempt = async (now: C): Promise<{ stored: S } | { saving: Saving<S> }> => {
    const earlier = unanswered;
    unanswered = now;
    keep(store.get().content);
    try {
      const stored = await send(id, now);
      unanswered = undefined;
      return { stored };
    } catch (error) {
      if (!(error instanceof RequestProblem)) return { saving: { at: 'refused', message: NOT_UNDERSTOOD } };
      if (error.status !== 0) unanswered = undefined;
      if (error.status === 409) {
        const stored = error.body.stored as S;
        // The answer to our own last write was lost: what is stored is ours, and this goes on top of it.
        if (earlier && same(stored, earlier)) return attempt({ ...now, version: stored.version });
        return { saving: { at: 'conflict', stored } };
      }
      if (error.status >= 400 && error.status < 500 && error.status !== 401) {
        return { saving: { at: 'refused', message: error.message, field: error.body.field } };
      }
      return { saving: { at: 'kept-here' } };
    }
  };

  const step = (from: C[], to: C[]) => {
    const target = from.pop();
    if (!target) return;
    const { content: now } = store.get();
    to.push(now);
    put(back({ ...target, version: now.version }, now));
  };

  return {
    id,
    get: store.get,
    subscribe: store.subscribe,
    change(next) {
      const before = store.get().content;
      const after = next(before);
      if (after === before) return;
      past.push(before);
      if (past.length > UNDO_STEPS) past.shift();
      future.length = 0;
      put(after);
    },
    undo: () => step(past, future),
    redo: () => step(future, past),
    flush,
    async settle(keep) {
      const { saving, content: mine } = store.get();
      if (saving.at !== 'conflict') return;
      const stored = contentOf(saving.stored);
      if (keep === 'stored') {
        holder.forget();
        past.push(mine);
        show({ content: stored, saving: { at: 'saved' }, unkept: false });
        return;
      }
      put(merge({ ...mine, version: stored.version }, stored));
      await flush();
    },
  };
}
