import { randomUUID } from 'node:crypto';
import type { AuditList } from '@plesion/contract/audit';
import type { Thread, WaitingThread } from '@plesion/contract/conversations';
import sharp from 'sharp';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let keeper: Visitor;
let guideId: string;
let name: string;
let learner: { visitor: Visitor; name: string };
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor: keeper, guideId, name } = await newStation(server));
  learner = await join(server, keeper, 'learner');
});
afterAll(() => server.close());

let red = 0;
async function specimen(): Promise<{ specimenId: string; hash: string }> {
  const file = await sharp({ create: { width: 9, height: 9, channels: 3, background: { r: red++, g: 9, b: 40 } } })
    .png()
    .toBuffer();
  const hash = (await keeper.post('/api/photos').attach('photo', file, 'x.png').expect(201)).body.hash as string;
  const specimenId = randomUUID();
  const media = [{ id: randomUUID(), kind: 'photo', hash, view: 'dorsal' }];
  await keeper
    .put(`/api/specimens/${specimenId}`)
    .send(write(guideId, { media, label: specimenId.slice(0, 6) }))
    .expect(200);
  return { specimenId, hash };
}
const say = (specimenId: string, more: object = {}, by = keeper) =>
  by.post('/api/conversations').send({ id: randomUUID(), specimenId, text: 'Look here.', ...more });
const threads = async (specimenId: string, by = keeper) =>
  ((await by.get(`/api/conversations?specimenId=${specimenId}`).expect(200)).body as { threads: Thread[] }).threads;
const waiting = async (by: Visitor) =>
  ((await by.get('/api/conversations/waiting').expect(200)).body as { waiting: WaitingThread[] }).waiting;
const pin = (photo: string, more: object = {}) => ({ photo, drawn: 'pin', points: [{ x: 0.25, y: 0.5 }], ...more });

it('hangs on a place of a photo, is replied to, resolved, and open again when it is spoken of again', async () => {
  const { specimenId, hash } = await specimen();
  const sent = { id: randomUUID(), place: pin(hash), text: 'Is this a notch?' };
  const { body } = await say(specimenId, sent, learner.visitor).expect(201);
  expect(body).toMatchObject({ id: sent.id, place: pin(hash), remarks: [{ by: learner.name, text: sent.text }] });
  // Sent twice, it is one, as it was said first.
  expect((await say(specimenId, { ...sent, text: 'other words' }, learner.visitor).expect(201)).body).toEqual(body);
  expect(await waiting(keeper)).toEqual([
    expect.objectContaining({ id: sent.id, specimenId, by: learner.name, text: sent.text }),
  ]);
  expect(await waiting(learner.visitor)).toEqual([]);
  await say(specimenId, { replyTo: sent.id, text: 'It is wear.' }).expect(201);
  expect(await waiting(keeper)).toEqual([]);
  expect(await waiting(learner.visitor)).toEqual([expect.objectContaining({ by: name, text: 'It is wear.' })]);
  await learner.visitor.put(`/api/conversations/${sent.id}/resolved`).send({ resolved: true }).expect(403);
  const { body: done } = await keeper.put(`/api/conversations/${sent.id}/resolved`).send({ resolved: true }).expect(200);
  expect((done as Thread).resolved).toMatchObject({ by: name });
  expect(await waiting(learner.visitor)).toEqual([]);
  await say(specimenId, { replyTo: sent.id, text: 'And this one?' }, learner.visitor).expect(201);
  const [thread] = await threads(specimenId);
  expect(thread.resolved).toBeUndefined();
  expect(thread.remarks.map(({ by, text }) => [by, text])).toEqual([
    [learner.name, 'Is this a notch?'],
    [name, 'It is wear.'],
    [learner.name, 'And this one?'],
  ]);
});

it('is taken back by who said it: that it was said stays, its words go', async () => {
  const { specimenId } = await specimen();
  const [one, two] = [randomUUID(), randomUUID()];
  await say(specimenId, { id: one }).expect(201);
  await say(specimenId, { id: two, replyTo: one, text: 'No.' }, learner.visitor).expect(201);
  expect((await keeper.delete(`/api/conversations/${two}`).expect(403)).body).toMatchObject({ code: 'not-yours' });
  await learner.visitor.delete(`/api/conversations/${two}`).expect(200);
  await learner.visitor.delete(`/api/conversations/${two}`).expect(200);
  const [{ remarks }] = await threads(specimenId);
  expect(remarks[1]).toEqual({ id: two, by: learner.name, at: expect.any(String) as string });
  const { rows } = { rows: await server.orm.em.fork().getConnection().execute('select text from remark where id = ?', [two]) };
  expect(rows).toEqual([{ text: '' }]);
  const { lines } = (await keeper.get(`/api/audit?kind=remark&record=${specimenId}`).expect(200)).body as AuditList;
  expect(lines.map(({ act, by }) => [act, by])).toEqual([
    ['took back', learner.name],
    ['said', learner.name],
    ['said', name],
  ]);
});

it.each([
  ['of nothing', { text: '  ' }, 'text', /say something/],
  ['of a photo that is not of it', { place: pin('a'.repeat(64)) }, 'place.photo', /not of the specimen/],
  [
    'of a pin of two points',
    {
      place: pin('a'.repeat(64), {
        points: [
          { x: 0, y: 0 },
          { x: 1, y: 1 },
        ],
      }),
    },
    'place.points',
    /one point/,
  ],
  ['of a ring of one', { place: pin('a'.repeat(64), { drawn: 'ring' }) }, 'place.points', /have two/],
  [
    'of a place beside the photo',
    { place: pin('a'.repeat(64), { points: [{ x: 1.2, y: 0 }] }) },
    'place.points[0].x',
    /between 0 and 1/,
  ],
  ['in reply to nothing', { replyTo: randomUUID() }, 'replyTo', /no such thread/],
  ['in reply, of another place', { replyTo: randomUUID(), place: pin('a'.repeat(64)) }, 'place', /place that it replies to/],
])('%s is refused by its field', async (_, more, field, message) => {
  const { specimenId } = await specimen();
  const { body } = await say(specimenId, more).expect(400);
  expect(body).toMatchObject({ field, message: expect.stringMatching(message) });
  expect(await threads(specimenId)).toEqual([]);
});

it('replies to a thread only, and only on its own specimen and in its own station', async () => {
  const [one, two] = [await specimen(), await specimen()];
  const [root, reply] = [randomUUID(), randomUUID()];
  await say(one.specimenId, { id: root }).expect(201);
  await say(one.specimenId, { id: reply, replyTo: root }).expect(201);
  await say(one.specimenId, { replyTo: reply }).expect(400);
  await say(two.specimenId, { replyTo: root }).expect(400);
  await keeper.put(`/api/conversations/${reply}/resolved`).send({ resolved: true }).expect(409);
  const { visitor: stranger } = await newStation(server);
  await stranger.get(`/api/conversations?specimenId=${one.specimenId}`).expect(404);
  await say(one.specimenId, {}, stranger).expect(404);
  await stranger.put(`/api/conversations/${root}/resolved`).send({ resolved: true }).expect(404);
  await stranger.delete(`/api/conversations/${root}`).expect(404);
});
