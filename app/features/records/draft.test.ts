import { RequestProblem, type Specimen, type SpecimenWrite } from '@plesion/contract';
import { createDraft, type Kept, type Send, specimenKind } from './draft';

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

/** What a device keeps of one draft, and a device without room. */
function holder(room = true) {
  let held: Kept | undefined;
  return {
    kept: () => held,
    makeRoom: () => (room = true),
    keep: async (kept: Kept) => {
      if (!room) throw new Error('QuotaExceededError');
      held = structuredClone(kept);
    },
    forget: () => (held = undefined),
  };
}

function open(given: Pick<ReturnType<typeof server>, 'send'>, dirty = false, on = holder()) {
  const draft = createDraft({ id: ID, content, dirty, holder: on, send: given.send, delay: 60_000 });
  return { draft, kept: on.kept, on };
}

const offline = new RequestProblem(0, { code: 'offline', message: 'No server.' });

describe('a draft', () => {
  it('is kept on the device at once and forgotten there when the server has it', async () => {
    const { draft, kept } = open(server());
    draft.change(label('L5'));
    expect(kept()).toMatchObject({ content: { label: 'L5' } });
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
    expect(kept()).toMatchObject({ content: { label: 'in the field' } });
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
    expect(kept()).toMatchObject({ content: { label: 'wrong' } });
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
    const kept = first.kept()!;
    const again = createDraft({ id: ID, ...kept, dirty: true, holder: holder(), send: to.send, delay: 60_000 });
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

  it('says so when the device has no room, and no longer when it has', async () => {
    const on = holder(false);
    const { draft } = open(server(), false, on);
    draft.change(label('too much'));
    await Promise.resolve();
    await Promise.resolve();
    expect(draft.get()).toMatchObject({ unkept: true, saving: { at: 'waiting' } });
    on.makeRoom();
    draft.change(label('less'));
    await Promise.resolve();
    expect(draft.get().unkept).toBe(false);
    expect(on.kept()).toMatchObject({ content: { label: 'less' } });
  });

  it('without room is safe once the server has it', async () => {
    const { draft } = open(server(), false, holder(false));
    draft.change(label('too much'));
    expect(await draft.flush()).toEqual({ at: 'saved' });
    expect(draft.get().unkept).toBe(false);
  });

  it('does not wait for ever when the answer is not understood: it says so and keeps what it has', async () => {
    const { draft, kept } = open({ send: () => Promise.reject(new Error('expected string, received undefined')) });
    draft.change(label('sent to another version'));
    expect(await draft.flush()).toMatchObject({ at: 'refused', message: expect.stringContaining('reload') });
    expect(kept()).toMatchObject({ content: { label: 'sent to another version' } });
  });

  it('is kept and goes on being editable while one is signed out', async () => {
    const to = server();
    const { draft, kept } = open(to);
    to.fail(new RequestProblem(401, { code: 'signed-out', message: 'Sign in first.' }));
    draft.change(label('written while signed out'));
    expect(await draft.flush()).toEqual({ at: 'kept-here' });
    draft.change(label('and on'));
    expect(kept()).toMatchObject({ content: { label: 'and on' } });
    to.fail(undefined);
    expect(await draft.flush()).toEqual({ at: 'saved' });
    expect(to.now().label).toBe('and on');
  });

  it('sends back what a newer server said of it', async () => {
    const to = server({ ...content, weather: { wind: 4 } } as SpecimenWrite);
    const { draft } = open(to);
    draft.change((now) => ({ ...now, ...specimenKind.contentOf(to.now()), label: 'mine' }));
    await draft.flush();
    expect(to.sent.at(-1)).toMatchObject({ label: 'mine', weather: { wind: 4 } });
    expect(to.sent.at(-1)).not.toHaveProperty('summary');
  });

  it('opened with unsent changes sends them', async () => {
    const to = server();
    const { draft } = open(to, true);
    expect(draft.get().saving).toEqual({ at: 'kept-here' });
    expect(await draft.flush()).toEqual({ at: 'saved' });
    expect(to.sent).toHaveLength(1);
  });
});
