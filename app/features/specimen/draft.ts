import { RequestProblem, sameContent, type Specimen, type SpecimenWrite } from '@plesion/contract';
import type { Keeper } from '../../lib/device';
import { createStore, type Store } from '../../lib/store';

/** Where a specimen's changes are. */
export type Saving =
  | { at: 'saved' }
  | { at: 'waiting' }
  | { at: 'sending' }
  | { at: 'kept-here' }
  | { at: 'refused'; message: string; field?: string }
  | { at: 'conflict'; stored: Specimen };

export interface DraftState {
  content: SpecimenWrite;
  saving: Saving;
  canUndo: boolean;
  canRedo: boolean;
}

export type Send = (id: string, content: SpecimenWrite) => Promise<Specimen>;

export interface Draft extends Pick<Store<DraftState>, 'get' | 'subscribe'> {
  id: string;
  change: (next: (content: SpecimenWrite) => SpecimenWrite) => void;
  undo: () => void;
  redo: () => void;
  /** Send now what waits; resolves when the server has it or cannot have it. */
  flush: () => Promise<Saving>;
  /** Settle a conflict: keep what is here on top of what is stored, or take what is stored. */
  settle: (keep: 'mine' | 'stored') => Promise<void>;
}

interface Parts {
  id: string;
  content: SpecimenWrite;
  /** Is there anything here that the server has not got? */
  dirty: boolean;
  /** What was sent and never answered for, kept from an earlier visit. */
  unanswered?: SpecimenWrite;
  keeper: Keeper;
  key: string;
  send: Send;
  /** Milliseconds between the last change and sending it. */
  delay?: number;
  onSaved?: (specimen: Specimen) => void;
}

const UNDO_STEPS = 100;

/** What the device keeps of a specimen: how it stands here, and the write that nobody answered for. */
export interface Kept {
  content: SpecimenWrite;
  unanswered?: SpecimenWrite;
}

/** What a write holds of a stored specimen. */
export function contentOf(specimen: Specimen): SpecimenWrite {
  const { version, guideId, label, situation, readings, judgement, determinations, photo, hidden } = specimen;
  return { version, guideId, label, situation, readings, judgement, determinations, photo, hidden };
}

/**
 * A specimen being worked on. Every change is kept on the device at once, so that
 * a reload loses nothing, and sent to the server a moment later; what cannot be
 * sent waits. Determinations are history and are not undone.
 */
export function createDraft({ id, content, dirty, unanswered: before, keeper, key, send, delay = 500, onSaved }: Parts): Draft {
  const store = createStore<DraftState>({
    content,
    saving: { at: dirty ? 'kept-here' : 'saved' },
    canUndo: false,
    canRedo: false,
  });
  const past: SpecimenWrite[] = [];
  const future: SpecimenWrite[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<Saving> | undefined;
  let unanswered = before;

  const show = (part: Partial<DraftState>) =>
    store.set({ ...store.get(), ...part, canUndo: past.length > 0, canRedo: future.length > 0 });

  const keep = (next: SpecimenWrite) => keeper.write(key, JSON.stringify({ content: next, unanswered } satisfies Kept));

  const put = (next: SpecimenWrite) => {
    keep(next);
    show({ content: next, saving: { at: 'waiting' } });
    clearTimeout(timer);
    timer = setTimeout(() => void flush(), delay);
  };

  /** One write under way at a time, so that each names the version the one before made. */
  const flush = (): Promise<Saving> => {
    clearTimeout(timer);
    sending ??= sendAll().finally(() => {
      sending = undefined;
    });
    return sending;
  };

  const sendAll = async (): Promise<Saving> => {
    for (;;) {
      const { content: now, saving } = store.get();
      if (saving.at === 'saved' || saving.at === 'conflict') return saving;
      show({ saving: { at: 'sending' } });
      const result = await attempt(now);
      const changed = store.get().content !== now;
      if ('specimen' in result) {
        const { version } = result.specimen;
        const latest = { ...store.get().content, version };
        if (changed) keep(latest);
        else keeper.remove(key);
        show({ content: changed ? latest : contentOf(result.specimen), saving: { at: changed ? 'waiting' : 'saved' } });
        onSaved?.(result.specimen);
        if (changed) continue;
        return store.get().saving;
      }
      show({ saving: result.saving });
      return result.saving;
    }
  };

  const attempt = async (now: SpecimenWrite): Promise<{ specimen: Specimen } | { saving: Saving }> => {
    const earlier = unanswered;
    unanswered = now;
    keep(store.get().content);
    try {
      const specimen = await send(id, now);
      unanswered = undefined;
      return { specimen };
    } catch (error) {
      if (!(error instanceof RequestProblem)) throw error;
      if (error.status !== 0) unanswered = undefined;
      if (error.status === 409) {
        const stored = error.body.stored as Specimen;
        // The answer to our own last write was lost: what is stored is ours, and this goes on top of it.
        if (earlier && sameContent(stored, earlier)) return attempt({ ...now, version: stored.version });
        return { saving: { at: 'conflict', stored } };
      }
      if (error.status >= 400 && error.status < 500 && error.status !== 401) {
        return { saving: { at: 'refused', message: error.message, field: error.body.field } };
      }
      return { saving: { at: 'kept-here' } };
    }
  };

  const step = (from: SpecimenWrite[], to: SpecimenWrite[]) => {
    const target = from.pop();
    if (!target) return;
    const { content: now } = store.get();
    to.push(now);
    put({ ...target, version: now.version, determinations: now.determinations });
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
        keeper.remove(key);
        past.push(mine);
        show({ content: stored, saving: { at: 'saved' } });
        return;
      }
      const own = mine.determinations.filter((d) => !stored.determinations.some((s) => s.id === d.id));
      put({ ...mine, version: stored.version, determinations: [...stored.determinations, ...own] });
      await flush();
    },
  };
}
