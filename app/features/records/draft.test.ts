import { RequestProblem, type Specimen, type SpecimenWrite } from '@plesion/contract';
import { memoryKeeper } from '../../lib/device';
import { createDraft, type Kept, type Send } from './draft';

const ID = '0192f3a0-0000-7001-8000-000000000001';
const content: SpecimenWrite = {
  version: 1,
  guideId: ID,
  label: 'L4',
  situation: {},
  readings: [],
  determinations: [],
  hidden: false,
};
const stored = (sent: SpecimenWrite, version: number): Specimen => ({
  ...sent,
  id: ID,
  version,
  guideVersion: 1,
  createdAt: '2026-05-12T10:00:00Z',
  updatedAt: '2026-05-12T10:00:00Z',
  summary: { name: '', qualifier: 'unknown', facets: {}, p: 0, leadingForm: '', text: '' },
});
const label = (text: string) => (now: SpecimenWrite) => ({ ...now, label: text });

/** A server that keeps one specimen, and can be made to fail. */
function server(at: SpecimenWrite = content) {
  let now = stored(at, at.version);
  let failing: RequestProblem | undefined;
  const sent: SpecimenWrite[] = [];
  const send: Send = async (_, write) => {
    sent.push(write);
    await Promise.resolve();
    if (failing) throw failing;
    if (write.version !== now.version) throw new RequestProblem(409, { code: 'stale-version', message: 'Changed.', stored: now });
    now = stored(write, now.version + 1);
    return now;
  };
  return {
    send,
    sent,
    now: () => now,
    fail: (problem?: RequestProblem) => (failing = problem),
    elsewhere: (text: string) => (now = stored({ ...now, label: text }, now.version + 1)),
  };
}

function open(given: ReturnType<typeof server>, dirty = false) {
  const keeper = memoryKeeper();
  const draft = createDraft({ id: ID, content, dirty, keeper, key: 'k', send: given.send, delay: 60_000 });
  return { draft, kept: () => keeper.read('k') };
}

const offline = new RequestProblem(0, { code: 'offline', message: 'No server.' });

describe('a draft', () => {
  it('is kept on the device at once and forgotten there when the server has it', async () => {
    const { draft, kept } = open(server());
    draft.change(label('L5'));
    expect(JSON.parse(kept()!)).toMatchObject({ content: { label: 'L5' } });
    expect(draft.get().saving).toEqual({ at: 'waiting' });
    expect(await draft.flush()).toEqual({ at: 'saved' });
    expect(kept()).toBeUndefined();
    expect(draft.get().content.version).toBe(2);
  });

  it('sends what changed meanwhile, on the version just made', async () => {
    const to = server();
    const { draft } = open(to);
    draft.change(label('first'));
    const sending = draft.flush();
    draft.change(label('second'));
    await sending;
    expect(to.sent.map(({ version, label: text }) => [version, text])).toEqual([
      [1, 'first'],
      [2, 'second'],
    ]);
    expect(to.now()).toMatchObject({ version: 3, label: 'second' });
  });

  it('waits on the device without a connection, and goes later', async () => {
    const to = server();
    const { draft, kept } = open(to);
    to.fail(offline);
    draft.change(label('in the field'));
    expect(await draft.flush()).toEqual({ at: 'kept-here' });
    expect(JSON.parse(kept()!)).toMatchObject({ content: { label: 'in the field' } });
    to.fail(undefined);
    expect(await draft.flush()).toEqual({ at: 'saved' });
    expect(to.now().label).toBe('in the field');
  });

  it('says which field was refused and keeps everything', async () => {
    const to = server();
    const { draft, kept } = open(to);
    to.fail(new RequestProblem(400, { code: 'unknown-state', message: 'No such state.', field: 'readings[0].states' }));
    draft.change(label('wrong'));
    expect(await draft.flush()).toEqual({ at: 'refused', message: 'No such state.', field: 'readings[0].states' });
    expect(kept()).toContain('wrong');
  });

  it('undoes and redoes, and never takes back a name that was given', () => {
    const { draft } = open(server());
    const name = { id: 'd' } as SpecimenWrite['determinations'][number];
    draft.change(label('one'));
    draft.change((now) => ({ ...now, label: 'two', determinations: [name] }));
    draft.undo();
    expect(draft.get()).toMatchObject({ content: { label: 'one', determinations: [name] }, canUndo: true, canRedo: true });
    draft.undo();
    expect(draft.get()).toMatchObject({ content: { label: 'L4' }, canUndo: false });
    draft.redo();
    expect(draft.get().content.label).toBe('one');
    draft.change(label('other'));
    expect(draft.get().canRedo).toBe(false);
  });

  it('does not quarrel with itself when the answer to a write was lost, even over a reload', async () => {
    const to = server();
    const lossy: typeof to = { ...to, send: async (id, write) => to.send(id, write).then(() => Promise.reject(offline)) };
    const first = open(lossy);
    first.draft.change(label('arrived'));
    expect(await first.draft.flush()).toEqual({ at: 'kept-here' });
    expect(to.now()).toMatchObject({ label: 'arrived', version: 2 });
    const kept = JSON.parse(first.kept()!) as Kept;
    const again = createDraft({ id: ID, ...kept, dirty: true, keeper: memoryKeeper(), key: 'k', send: to.send, delay: 60_000 });
    again.change(label('and more'));
    expect(await again.flush()).toEqual({ at: 'saved' });
    expect(to.now()).toMatchObject({ label: 'and more', version: 3 });
  });

  describe('changed elsewhere', () => {
    async function conflict() {
      const to = server();
      const opened = open(to);
      to.elsewhere('theirs');
      opened.draft.change(label('mine'));
      const saving = await opened.draft.flush();
      expect(saving).toMatchObject({ at: 'conflict', stored: { label: 'theirs', version: 2 } });
      return { to, ...opened };
    }

    it('keeps mine on top of theirs when asked to', async () => {
      const { to, draft } = await conflict();
      await draft.settle('mine');
      expect(to.now()).toMatchObject({ label: 'mine', version: 3 });
      expect(draft.get().saving).toEqual({ at: 'saved' });
    });

    it('takes theirs when asked to, and mine is one undo away', async () => {
      const { draft, kept } = await conflict();
      await draft.settle('stored');
      expect(draft.get()).toMatchObject({ content: { label: 'theirs', version: 2 }, saving: { at: 'saved' } });
      expect(kept()).toBeUndefined();
      draft.undo();
      expect(draft.get().content).toMatchObject({ label: 'mine', version: 2 });
    });
  });

  it('opened with unsent changes sends them', async () => {
    const to = server();
    const { draft } = open(to, true);
    expect(draft.get().saving).toEqual({ at: 'kept-here' });
    expect(await draft.flush()).toEqual({ at: 'saved' });
    expect(to.sent).toHaveLength(1);
  });
});
