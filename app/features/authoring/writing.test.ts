import type { EditsWrite, StoredDraft } from '@plesion/contract/authoring';
import { applyEdits, draftOf, type Edit, emptyDraft, workingOf } from '@plesion/core/authoring';
import { type Batch, createWriting, type Desk } from './writing';

const taxon = (id: string): Edit => ({ do: 'taxon', taxon: { id, name: id, rank: 'species', abundance: 1 } });

/** A server with one draft, that can be out of reach. */
function server() {
  const working = workingOf(emptyDraft('new', 'New'));
  const batches: { n: number; batch: string; edits: Edit[] }[] = [];
  const sent: EditsWrite[] = [];
  let reach = true;
  const put = (batch: string, edits: Edit[]) => {
    if (batches.some((one) => one.batch === batch)) return;
    const outcome = applyEdits(working, edits);
    if (!outcome.ok) throw new Error(outcome.problems[0].message);
    batches.push({ n: batches.length + 1, batch, edits });
  };
  const since = (after: number) => ({
    version: batches.length,
    batches: batches.filter(({ n }) => n > after).map((one) => ({ ...one, by: 'x', at: '2026-05-01T10:00:00Z' })),
  });
  const stored = (): StoredDraft => ({
    ...{
      id: '0192f3a0-0000-7001-8000-0000000000d1',
      title: 'New',
      version: batches.length,
      by: 'x',
      updatedAt: '2026-05-01T10:00:00Z',
    },
    content: JSON.parse(JSON.stringify(draftOf(working))) as StoredDraft['content'],
  });
  let kept: Batch[] | undefined;
  let minted = 0;
  const asked = <T>(answer: () => T) => (reach ? Promise.resolve().then(answer) : Promise.reject(new TypeError('no connection')));
  const desk: Desk = {
    fetch: () => asked(stored),
    send: (body) => {
      sent.push(body);
      return asked(() => {
        put(body.batch, body.edits);
        return since(body.after);
      });
    },
    since: (after) => asked(() => since(after)),
    mint: () => `b${++minted}`,
    kept: { read: () => kept, keep: (all) => (kept = all), forget: () => (kept = undefined) },
    passes: (error) => error instanceof TypeError,
  };
  return {
    desk,
    sent,
    stored,
    put,
    names: () => working.draft.taxa.map(({ id }) => id),
    kept: () => kept,
    cut: (cut: boolean) => (reach = !cut),
  };
}

const names = ({ get }: ReturnType<typeof createWriting>) => get().working.draft.taxa.map(({ id }) => id);

it('a change is there at once, sent with what was made with it, and undone and done again', async () => {
  const here = server();
  const writing = createWriting(here.stored(), here.desk);
  writing.edit(taxon('alba'));
  writing.edit(taxon('velox'));
  expect([names(writing), writing.get().saving]).toEqual([['alba', 'velox'], 'waiting']);
  await writing.flush();
  expect([here.sent.length, here.names(), writing.get().saving]).toEqual([1, ['alba', 'velox'], 'saved']);
  writing.undo();
  expect([names(writing), writing.get().canRedo]).toEqual([['alba'], true]);
  writing.redo();
  writing.undo();
  await writing.flush();
  expect([here.names(), here.kept()]).toEqual([['alba'], undefined]);
});

it('what long work on the server changed is here, and is taken back by what it said', async () => {
  const here = server();
  const writing = createWriting(here.stored(), here.desk);
  writing.edit(taxon('alba'));
  await writing.flush();
  here.put('long', [taxon('velox'), taxon('minuta')]);
  await writing.takenIn([{ do: 'drop', taxa: ['velox', 'minuta'], characters: [] }]);
  expect([names(writing), writing.get().canUndo]).toEqual([['alba', 'velox', 'minuta'], true]);
  writing.undo();
  // It was not made here, so it cannot be made again here.
  expect([names(writing), writing.get().canRedo]).toEqual([['alba'], false]);
  await writing.flush();
  expect(here.names()).toEqual(['alba']);
  await writing.takenIn();
  expect(writing.get().canUndo).toBe(false);
});

it('what cannot be sent stays on the device, over a reload, and is sent once', async () => {
  const here = server();
  const first = createWriting(here.stored(), here.desk);
  const begun = here.stored();
  here.cut(true);
  first.edit(taxon('alba'));
  await first.flush();
  expect([first.get().saving, here.kept()?.length]).toEqual(['offline', 1]);
  const second = createWriting(begun, here.desk);
  expect(names(second)).toEqual(['alba']);
  here.cut(false);
  await second.flush();
  expect([here.names(), second.get().saving, here.kept()]).toEqual([['alba'], 'saved', undefined]);
});

it('what reached the server though its answer was lost is made once, and what was made after it as well', async () => {
  const here = server();
  let lost = 1;
  const writing = createWriting(here.stored(), {
    ...here.desk,
    send: async (body) => {
      const answer = await here.desk.send(body);
      if (lost-- > 0) throw new TypeError('no answer');
      return answer;
    },
  });
  writing.edit(taxon('alba'));
  await writing.flush();
  writing.edit(taxon('velox'));
  await writing.flush();
  expect([here.names(), here.sent.map(({ edits }) => edits.length)]).toEqual([
    ['alba', 'velox'],
    [1, 1, 1],
  ]);
  expect(names(writing)).toEqual(['alba', 'velox']);
});

it('what others changed meanwhile comes in under one’s own', async () => {
  const here = server();
  const writing = createWriting(here.stored(), here.desk);
  here.put('theirs', [taxon('minuta'), { do: 'head', set: { title: 'Theirs' } }]);
  writing.edit(taxon('alba'), { do: 'head', set: { title: 'Mine' } });
  await writing.flush();
  expect([names(writing), writing.get().working.draft.title]).toEqual([['minuta', 'alba'], 'Mine']);
  here.put('more', [taxon('velox')]);
  await writing.catchUp();
  expect(names(writing)).toEqual(['minuta', 'alba', 'velox']);
});

it('what is made while something is on the way goes after it', async () => {
  const here = server();
  const writing = createWriting(here.stored(), here.desk);
  writing.edit(taxon('alba'));
  const going = writing.flush();
  writing.edit(taxon('velox'));
  await going;
  expect([here.sent.map(({ edits }) => edits.length), here.names()]).toEqual([
    [1, 1],
    ['alba', 'velox'],
  ]);
});

it('what is refused is told and taken out; the rest goes on', async () => {
  const here = server();
  here.put('first', [taxon('alba')]);
  const writing = createWriting(here.stored(), here.desk);
  here.put('gone', [{ do: 'dropTaxon', id: 'alba' }]);
  writing.edit({ do: 'dropTaxon', id: 'alba' });
  await writing.flush();
  expect(writing.get().refused).toMatch(/no taxon “alba”/);
  expect([names(writing), here.kept()]).toEqual([[], undefined]);
  expect(writing.edit({ do: 'dropTaxon', id: 'nobody' })).toBe(false);
  expect(writing.get().refused).toMatch(/no taxon “nobody”/);
  writing.edit(taxon('velox'));
  await writing.flush();
  expect([here.names(), writing.get().refused]).toEqual([['velox'], undefined]);
});

it('a large table goes out in several batches, none of them too large, and all of it arrives', async () => {
  const there = server();
  const writing = createWriting(there.stored(), there.desk);
  const legs: Edit = {
    do: 'character',
    character: {
      ...{ id: 'legs', label: 'Legs', kind: 'measurement', group: 'baseline', views: ['whole'] },
      ...{ handling: 'look', distance: 'near', needsLight: false, seconds: 5 },
    },
  };
  const ids = Array.from({ length: 1000 }, (_, i) => `t${i}`);
  const value = { kind: 'values' as const, mean: 1, sd: 1 };
  const scores = ids.map((id) => ({ character: 'legs', scope: { taxon: id }, source: 'own', value }));
  const parts = Array.from({ length: 35 }, (_, i): Edit => ({
    do: 'scores',
    put: scores.map((score) => ({
      ...score,
      scope: { ...score.scope, dates: { from: '01-01', to: `02-${10 + (i % 19)}` } },
      source: 'own',
    })),
    drop: [],
  }));
  expect(writing.edit(legs, ...ids.map(taxon), ...parts)).toBe(true);
  await writing.flush();
  const weights = there.sent.map(({ edits }) =>
    edits.reduce((sum, edit) => sum + (edit.do === 'scores' ? edit.put.length : 0), 0),
  );
  expect(there.sent.length).toBeGreaterThan(3);
  expect(Math.max(...weights)).toBeLessThanOrEqual(30_000);
  expect(weights.reduce((a, b) => a + b)).toBe(35_000);
  expect(Math.max(...there.sent.map(({ edits }) => edits.length))).toBeLessThanOrEqual(400);
  expect(there.names()).toHaveLength(1000);
  expect(writing.get().saving).toBe('saved');
});
