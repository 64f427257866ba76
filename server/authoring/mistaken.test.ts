import { randomUUID } from 'node:crypto';
import type { DraftLook, StoredDraft } from '@plesion/contract/authoring';
import type { CalibrationView } from '@plesion/contract/calibration';
import type { GuideList } from '@plesion/contract';
import { newStation, openTestServer, type TestServer } from '../test/testServer';
import { mistakenWith } from './mistaken';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());

const em = () => server.orm.em.fork();
const sql = <T extends object>(text: string, values: unknown[] = []) => em().getConnection().execute<T[]>(text, values);
const stationOf = async (guideId: string) =>
  (await sql<{ id: string }>('select station_id as id from guide where id = ?', [guideId]))[0].id;
const answer = (stationId: string, guideId: string, truth: string, groups: string[]) =>
  sql(
    `insert into practice_answer (station_id, id, account, guide_id, guide_version, seed, asked, answer, truth, p, bits, correct, at)
     values (?, ?, 'mira', ?, 1, 's', '{}', ?::jsonb, ?, 0.5, 1, false, now())`,
    [stationId, randomUUID(), guideId, JSON.stringify({ groups }), truth],
  );

it('what people took for one another in practice comes first in what a draft says, and is not another station’s', async () => {
  const [own, other] = [await newStation(server), await newStation(server)];
  const [ours, theirs] = [await stationOf(own.guideId), await stationOf(other.guideId)];
  await answer(ours, own.guideId, 'murica', ['cinerata', 'velloma']);
  await answer(ours, own.guideId, 'cinerata', ['murica']);
  await answer(ours, own.guideId, 'cinerata', ['cinerata']);
  await answer(theirs, other.guideId, 'murica', ['velloma']);
  const id = randomUUID();
  const { content } = (await own.visitor.put(`/api/drafts/${id}`).send({ guideId: own.guideId }).expect(200)).body as StoredDraft;
  expect(content.taxa.map((taxon) => taxon.id)).toEqual(expect.arrayContaining(['murica', 'cinerata', 'velloma']));
  const look = (await own.visitor.get(`/api/drafts/${id}/look`).expect(200)).body as DraftLook;
  expect(look.confused.map(({ a, b, times }) => [[a, b].sort().join(' '), times])).toEqual([
    ['cinerata murica', 2],
    ['murica velloma', 1],
  ]);
  // A guide of one's own that goes on from it hears the same.
  const forked = randomUUID();
  await own.visitor.put(`/api/drafts/${forked}`).send({ guideId: own.guideId, as: 'own' }).expect(200);
  const heard = (await own.visitor.get(`/api/drafts/${forked}/look`).expect(200)).body as DraftLook;
  expect(heard.confused).toEqual(look.confused);
  const fresh = randomUUID();
  await own.visitor.put(`/api/drafts/${fresh}`).send({ title: 'Of its own' }).expect(200);
  expect(((await own.visitor.get(`/api/drafts/${fresh}/look`).expect(200)).body as DraftLook).confused).toEqual([]);
});

it('names that turned out otherwise are counted as the calibration page counts them', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'Demo', password: 'demo' }).expect(200);
  const { pairs } = (await demo.get('/api/calibration').expect(200)).body as CalibrationView;
  const wrong = pairs.filter(({ right }) => !right);
  expect(wrong.length).toBeGreaterThan(1);
  for (const guideId of new Set(wrong.map((pair) => pair.guideId))) {
    const expected = new Map<string, number>();
    const stationId = await stationOf(guideId);
    for (const { called, truth, n } of wrong.filter((pair) => pair.guideId === guideId)) {
      const key = [called, truth].sort().join(' ');
      expected.set(key, (expected.get(key) ?? 0) + n);
    }
    const practised = await sql<{ truth: string; said: string }>(
      `select truth, said from practice_answer, jsonb_array_elements_text(answer->'groups') as said where station_id = ? and guide_id = ? and said <> truth`,
      [stationId, guideId],
    );
    for (const { truth, said } of practised) {
      const key = [truth, said].sort().join(' ');
      expected.set(key, (expected.get(key) ?? 0) + 1);
    }
    const found = await mistakenWith(em(), stationId, [guideId]);
    expect(Object.fromEntries(found.map(({ a, b, times }) => [[a, b].sort().join(' '), times]))).toEqual(
      Object.fromEntries(expected),
    );
  }
});

it('what a station’s verified records say against the books is told with its cell', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'Demo', password: 'demo' }).expect(200);
  const { guides } = (await demo.get('/api/guides').expect(200)).body as GuideList;
  const id = randomUUID();
  await demo
    .put(`/api/drafts/${id}`)
    .send({ guideId: guides.find(({ slug }) => slug === 'ledge-crabs')!.id })
    .expect(200);
  const { records } = (await demo.get(`/api/drafts/${id}/look`).expect(200)).body as DraftLook;
  expect(records).toEqual([
    {
      taxon: 'cinerata',
      character: 'eye-stalks',
      text: expect.stringMatching(/^long, well past the edge: books .*; ours \d+ of \d+$/),
    },
  ]);
});
