import { randomUUID } from 'node:crypto';
import type { StoredDraft } from '@plesion/contract/authoring';
import { applyEdits, draftOf, type Edit, emptyDraft, type Working, workingOf } from '@plesion/core/authoring';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';
import { draftIn, headIn, keepEdits, workingIn } from './working';

let server: TestServer;
let visitor: Visitor;
let stationId: string;
let id: string;
let expected: Working;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
  [{ id: stationId }] = await sql<{ id: string }>('select id from station where not demo');
});
afterAll(() => server.close());
beforeEach(async () => {
  id = randomUUID();
  await visitor.put(`/api/drafts/${id}`).send({ title: 'Veldas' }).expect(200);
  expected = workingOf(emptyDraft('new-guide', 'Veldas'));
});

const em = () => server.orm.em.fork();
const sql = <T extends object>(text: string, values: unknown[] = []) => em().getConnection().execute<T[]>(text, values);
const kept = async () =>
  (await sql<{ version: number; behind: number; content: object }>('select * from draft where id = ?', [id]))[0];
const taxon = (name: string): Edit => ({ do: 'taxon', taxon: { id: name, name, rank: 'species', abundance: 1 } });
const send = (edits: Edit[], batch: string = randomUUID()) =>
  visitor.post(`/api/drafts/${id}/edits`).send({ batch, after: 0, edits });
/** By way of the server, and as it is to be. */
async function edit(...edits: Edit[]): Promise<void> {
  await send(edits).expect(200);
  expect(applyEdits(expected, edits).ok).toBe(true);
}
/** As another process does it, of which this one knows nothing. */
const elsewhere = (...edits: Edit[]) =>
  em().transactional(async (tx) => {
    const { head, content } = await draftIn(tx, stationId, id, true);
    const working = workingOf(content);
    expect(applyEdits(working, edits).ok).toBe(true);
    await keepEdits(
      tx,
      { stationId, accountName: 'mira' } as Parameters<typeof keepEdits>[1],
      { head, working },
      randomUUID(),
      edits,
    );
    applyEdits(expected, edits);
  });
const whole = async () => ((await visitor.get(`/api/drafts/${id}`).expect(200)).body as StoredDraft).content;
const isAsExpected = async () => expect(await whole()).toEqual(draftOf(expected));

it('is written out now and then only, and is read as it is all the while', async () => {
  const behind: number[] = [];
  for (let i = 0; i < 120; i++) {
    await edit(taxon(`velda-${i}`));
    behind.push((await kept()).behind);
    if (i % 17 === 0) await isAsExpected();
  }
  await isAsExpected();
  // Written out when it has come to be fifty behind, and then behind again.
  expect([behind.filter((n) => n === 0).length, Math.max(...behind)]).toEqual([2, 50]);
  expect(Object.keys((await kept()).content)).toContain('taxa');
});

it('goes on with what another process changed meanwhile', async () => {
  await edit(taxon('alba'));
  await elsewhere(taxon('minuta'));
  await edit(taxon('velox'));
  await elsewhere({ do: 'dropTaxon', id: 'alba' });
  // What is not there any more is refused, by a process that had it last.
  expect((await send([{ do: 'dropTaxon', id: 'alba' }]).expect(400)).body).toMatchObject({ code: 'no-taxon' });
  await edit({ ...taxon('maritima'), after: null } as Edit);
  await isAsExpected();
  expect((await kept()).version).toBe(5);
});

it('nothing of a change that could not be kept is in the next', async () => {
  await edit(taxon('alba'));
  const lost = em().transactional(async (tx) => {
    const working = await workingIn(tx, await headIn(tx, stationId, id, true));
    applyEdits(working, [taxon('lost')]);
    throw new Error('the database went away');
  });
  await expect(lost).rejects.toThrow('went away');
  await edit(taxon('velox'));
  await isAsExpected();
});

it('twenty who write in it at once are all in it, each once', async () => {
  const names = Array.from({ length: 20 }, (_, i) => `velda-${i}`);
  const answers = await Promise.all(names.flatMap((name, i) => [i, i].map(() => send([taxon(name)], batchOf(i)))));
  expect(answers.map(({ status }) => status)).toEqual(names.flatMap(() => [200, 200]));
  const content = await whole();
  expect(content.taxa.map((one) => one.id).sort()).toEqual([...names].sort());
  expect((await kept()).version).toBe(20);
});
const batchOf = (i: number) => `0192f3a0-0000-7000-8000-0000000001${String(i).padStart(2, '0')}`;

it('is published as it is, and gone on with from there', async () => {
  const legs: Edit = {
    do: 'character',
    character: {
      ...{ id: 'legs', label: 'Legs', kind: 'nominal', group: 'colour', views: ['whole'] },
      ...{ handling: 'look', distance: 'near', needsLight: true, seconds: 5 },
      states: ['red', 'black'].map((own) => ({ id: own, label: own })),
    },
  };
  const has = (name: string, state: string): Edit => ({
    do: 'scores',
    put: [{ character: 'legs', scope: { taxon: name }, source: 'own', value: { kind: 'states', states: { [state]: 'always' } } }],
    drop: [],
  });
  const form = (name: string): Edit => ({
    do: 'taxon',
    taxon: { id: name, name: `Velda ${name}`, rank: 'species', abundance: 1, forms: [{ share: 1, facets: {} }] },
  });
  await edit(
    { do: 'head', set: { group: 'Veldas', area: 'Quell', caution: 'Touch none of them.' } },
    form('alba'),
    form('velox'),
  );
  await edit(legs, has('alba', 'red'), has('velox', 'black'));
  await visitor.post(`/api/drafts/${id}/publish`).send({ version: 2 }).expect(201);
  expect(await kept()).toMatchObject({ version: 2, behind: 0, content: { id: 'veldas' } });
  await edit({ do: 'head', set: { summary: 'Two of them.' } });
  expect(await whole()).toEqual({ ...draftOf(expected), id: 'veldas' });
});
