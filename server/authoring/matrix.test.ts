import { randomUUID } from 'node:crypto';
import type { Job } from '@plesion/contract';
import type { EditsSince, MatrixTaken, StoredDraft } from '@plesion/contract/authoring';
import { done } from '@plesion/core';
import { type Edit, emptyDraft, takeMatrix, type Working, unpacked, workingOf } from '@plesion/core/authoring';
import type { JobTools } from '../jobs/kinds';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';
import { takeMatrixKind } from './matrix';

let server: TestServer;
let visitor: Visitor;
let stationId: string;
beforeAll(async () => {
  server = await openTestServer({ works: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor } = await newStation(server));
  const [station] = await server.orm.em
    .fork()
    .getConnection()
    .execute<{ id: string }[]>('select id from station where not demo order by created_at desc limit 1');
  stationId = station.id;
});

const begin = async (id: string = randomUUID()) =>
  (await visitor.put(`/api/drafts/${id}`).send({ title: 'Veldas' }).expect(200)).body as StoredDraft;
const whole = async (id: string) => (await visitor.get(`/api/drafts/${id}`).expect(200)).body as StoredDraft;
const edit = async (id: string, edits: Edit[]) =>
  (await visitor.post(`/api/drafts/${id}/edits`).send({ batch: randomUUID(), after: 0, edits }).expect(200)).body as EditsSince;
const take = (id: string, text: string, more: object = {}) =>
  visitor.post(`/api/drafts/${id}/matrix`).send({ batch: randomUUID(), source: 'own', text, ...more });
const ended = async ({ jobId }: { jobId: string }): Promise<Job> => {
  for (;;) {
    const job = (await visitor.get(`/api/jobs/${jobId}`).expect(200)).body as Job;
    if (job.state !== 'running') return job;
  }
};
/** A table of taxa and characters, one cell in a hundred not known. */
const table = (taxa: number, characters: number) =>
  [
    ['taxon', ...Array.from({ length: characters }, (_, c) => `Mark ${c}`)],
    ...Array.from({ length: taxa }, (_, t) => [
      `Velda species${t}`,
      ...Array.from({ length: characters }, (_, c) => ['red', 'blue', 'usually green', ''][(t * 7 + c * 3) % 100 || 3] ?? 'red'),
    ]),
  ]
    .map((line) => line.join(','))
    .join('\n');
const locally = (text: string): Working => {
  const working = workingOf(emptyDraft('new-guide', 'Veldas'));
  expect(takeMatrix(working, { do: 'matrix', source: 'own', text }).ok).toBe(true);
  return working;
};

it('a large table comes in as one batch, is what it is when imported on the page, and is taken back', async () => {
  const { id } = await begin();
  const text = table(300, 120);
  const job = await ended((await take(id, text).expect(202)).body as { jobId: string });
  expect(job).toMatchObject({ state: 'done', result: { version: 1, taxa: 300, characters: 120, left: 0 } });
  const { content, version } = await whole(id);
  const working = locally(text);
  expect([version, content.taxa, content.characters]).toEqual([1, working.draft.taxa, working.draft.characters]);
  // Kept and sent packed: none of them stands alone.
  expect(content.scores).toEqual([]);
  expect(workingOf(unpacked(content)).scores).toEqual(working.scores);
  expect(working.scores.size).toBeGreaterThan(30_000);
  const { back } = job.result as MatrixTaken;
  expect(back!.map((one) => one.do)).toEqual(['drop']);
  await edit(id, back!);
  const again = await whole(id);
  expect([again.version, again.content]).toEqual([2, emptyDraft('new-guide', 'Veldas')]);
});

it('sent twice it is imported once; what is no matrix, of nobody, or into nothing is refused, and nothing is changed', async () => {
  const { id } = await begin();
  const batch = randomUUID();
  const text = table(3, 2);
  for (const taxa of [3, 0])
    expect(await ended((await take(id, text, { batch }).expect(202)).body as { jobId: string })).toMatchObject({
      state: 'done',
      result: { version: 1, taxa },
    });
  for (const [more, code] of [
    [{ text: 'taxon,Head,Head\nVelda,round,x' }, 'character-twice'],
    [{ source: 'nobody' }, 'no-source'],
  ] as const)
    expect(await ended((await take(id, text, more).expect(202)).body as { jobId: string })).toMatchObject({
      state: 'failed',
      problem: { code },
    });
  expect((await whole(id)).version).toBe(1);
  await take(randomUUID(), text).expect(404);
  expect((await take(id, '').expect(400)).body).toMatchObject({ field: 'text' });
});

it('cells that cannot be read are told, the first of them by name', async () => {
  const { id } = await begin();
  const lines = Array.from({ length: 80 }, (_, t) => `Velda species${t},${t + 3} mm or so`);
  await edit(id, [
    {
      do: 'character',
      character: {
        ...{ id: 'length', label: 'Length', kind: 'measurement', unit: 'mm', group: 'baseline', views: ['whole'] },
        ...{ handling: 'look', distance: 'near', needsLight: false, seconds: 5, error: 0.1 },
      },
    },
  ]);
  const job = await ended((await take(id, ['taxon,Length (mm)', ...lines].join('\n')).expect(202)).body as { jobId: string });
  const { left, problems, version } = job.result as MatrixTaken;
  expect([left, problems.length, version]).toEqual([80, 50, 2]);
  expect(problems[0]).toMatchObject({ taxon: 'Velda species0', character: 'Length', text: '3 mm or so' });
});

it('a draft that somebody changed while a table was read stays as they left it', async () => {
  const { id } = await begin();
  const kind = takeMatrixKind({
    run: async () => {
      await edit(id, [{ do: 'head', set: { title: 'Theirs' } }]);
      return done({ content: '{}', told: { taxa: 1, characters: 1, problems: [], left: 0 } });
    },
    close: () => Promise.resolve(),
  });
  const tools = { signal: new AbortController().signal, onProgress: () => undefined } as unknown as JobTools;
  const writer = { stationId, accountName: 'mira' } as Parameters<typeof kind.work>[1];
  const asked = { draftId: id, batch: randomUUID(), source: 'own', text: 'any' };
  const store = await kind.work(server.orm.em.fork(), writer, asked, tools);
  await expect(server.orm.em.fork().transactional((tx) => store(tx))).rejects.toMatchObject({ body: { code: 'draft-moved' } });
  expect(await whole(id)).toMatchObject({ version: 1, content: { title: 'Theirs' } });
});
