import type { EditsSince, EditsWrite, StoredDraft } from '@plesion/contract/authoring';
import { applyEdits, type Edit, unpacked, type Working, workingOf } from '@plesion/core/authoring';

/** Changes that were made together and may not have reached the server. */
export interface Batch {
  batch: string;
  edits: Edit[];
}

/** What is asked of whoever keeps the draft. */
export interface Desk {
  fetch: () => Promise<StoredDraft>;
  send: (body: EditsWrite) => Promise<EditsSince>;
  since: (after: number) => Promise<EditsSince>;
  mint: () => string;
  /** Batches that were not taken yet, kept on the device. */
  kept: { read: () => Batch[] | undefined; keep: (batches: Batch[]) => void; forget: () => void };
  /** Is this a failure that goes by when the connection is back, and not a refusal? */
  passes: (error: unknown) => boolean;
}

export interface WritingState {
  working: Working;
  /** Counts every change, so that what is drawn is drawn anew. */
  turn: number;
  version: number;
  saving: 'saved' | 'saving' | 'waiting' | 'offline';
  /** Why the last change was not taken, in words. */
  refused?: string;
  canUndo: boolean;
  canRedo: boolean;
}

export type Writing = ReturnType<typeof createWriting>;

/** A change that can be taken back; and made again, where it was made here. */
interface Step {
  made?: Edit[];
  back: Edit[];
}

/**
 * A guide that is being written, on this device: a change is there at once, sent with those made with it, and made
 * again on what others changed meanwhile. What was not taken stays on the device and is sent when it can be.
 */
export function createWriting(stored: StoredDraft, desk: Desk) {
  let waiting = desk.kept.read() ?? [];
  // What may have reached the server is closed: sent again with more in it, that more would be passed over.
  const closed = new Set(waiting.map(({ batch }) => batch));
  let { working, version } = begun(stored, waiting);
  let undone: Edit[][] = [];
  let done: Step[] = [];
  let sending = false;
  let saving: WritingState['saving'] = waiting.length ? 'waiting' : 'saved';
  let refused: string | undefined;
  let turn = 0;
  const listeners = new Set<() => void>();
  let state: WritingState = snapshot();

  function snapshot(): WritingState {
    const more = refused === undefined ? {} : { refused };
    return { working, turn, version, saving, canUndo: done.length > 0, canRedo: undone.length > 0, ...more };
  }
  function tell(): void {
    turn++;
    state = snapshot();
    for (const listener of listeners) listener();
  }
  const keep = () => (waiting.length ? desk.kept.keep(waiting) : desk.kept.forget());

  /** Make changes here; what takes them back, or nothing where they cannot be made. */
  function make(edits: Edit[]): Edit[] | undefined {
    const outcome = applyEdits(working, edits);
    refused = outcome.ok ? undefined : outcome.problems[0].message;
    if (!outcome.ok) return undefined;
    for (const edit of edits) {
      const last = waiting.at(-1);
      if (last && !closed.has(last.batch) && hasRoom(last, edit)) last.edits.push(edit);
      else waiting.push({ batch: desk.mint(), edits: [edit] });
    }
    saving = 'waiting';
    keep();
    return outcome.value;
  }
  function edit(...edits: Edit[]): boolean {
    const back = make(edits);
    if (back) {
      done.push({ made: edits, back });
      undone = [];
    }
    tell();
    return back !== undefined;
  }
  function undo(): void {
    const step = done.pop();
    if (step && make(step.back) && step.made) undone.push(step.made);
    tell();
  }
  function redo(): void {
    const made = undone.pop();
    const back = made && make(made);
    if (back) done.push({ made, back });
    tell();
  }

  /** Take what the server has, and make what waits on top of it. */
  async function again(): Promise<void> {
    const fresh = await desk.fetch();
    ({ working, version } = begun(fresh, waiting));
    [done, undone] = [[], []];
  }

  /** Send what waits, a batch after the other; whoever asks meanwhile waits for the same. */
  let going: Promise<void> | undefined;
  const flush = (): Promise<void> => (going ??= sendAll().finally(() => (going = undefined)));
  async function sendAll(): Promise<void> {
    sending = true;
    try {
      while (waiting.length) {
        saving = 'saving';
        tell();
        const [{ batch, edits }] = waiting;
        closed.add(batch);
        const answer = await desk.send({ batch, after: version, edits });
        waiting = waiting.slice(1);
        keep();
        if (answer.batches.some((one) => one.batch !== batch)) await again();
        else version = answer.version;
      }
      saving = 'saved';
    } catch (error) {
      saving = 'offline';
      if (!desk.passes(error)) {
        refused = error instanceof Error ? error.message : String(error);
        waiting = waiting.slice(1);
        keep();
        await again().catch(() => undefined);
        saving = waiting.length ? 'waiting' : 'saved';
      }
    } finally {
      sending = false;
      tell();
    }
  }

  /** What others changed, where nothing of one's own is on the way. */
  async function catchUp(): Promise<void> {
    if (sending || waiting.length) return;
    const { version: theirs } = await desk.since(version);
    if (theirs === version || sending || waiting.length) return;
    await again();
    tell();
  }

  /** What long work on the server changed is here too, and can be taken back where it said by what. */
  async function takenIn(back?: Edit[]): Promise<void> {
    try {
      await again();
      if (back) done.push({ back });
    } catch {
      // It comes with the next look at what others changed.
    }
    tell();
  }

  return {
    get: () => state,
    subscribe(listener: () => void) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    edit,
    undo,
    redo,
    flush,
    takenIn,
    catchUp,
  };
}

/** Changes in a batch, and scores in them, at most: a large table goes out in several. */
const AT_ONCE = 400;
const SCORES_AT_ONCE = 30_000;

const scoresIn = (edit: Edit): number => (edit.do === 'scores' ? edit.put.length + edit.drop.length : 0);
const hasRoom = ({ edits }: Batch, next: Edit): boolean =>
  edits.length < AT_ONCE && edits.reduce((sum, edit) => sum + scoresIn(edit), scoresIn(next)) <= SCORES_AT_ONCE;

function begun({ content, version }: StoredDraft, waiting: readonly Batch[]): { working: Working; version: number } {
  const working = workingOf(unpacked(content));
  // What cannot be made any more on what is there now is told when it is sent.
  for (const { edits } of waiting) applyEdits(working, edits);
  return { working, version };
}
