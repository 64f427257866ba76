import { randomUUID } from 'node:crypto';
import type { StoredGuide } from '@plesion/contract';
import type { GuideSharing, Offer, OfferList, SharingList } from '@plesion/contract/sharing';
import { dallowKey, ledgeCrabs, terns } from '@plesion/demo';
import sharp from 'sharp';
import { join, newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let keeper: Visitor;
let other: Visitor;
// Each test brings guides of its own.
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor: keeper } = await newStation(server));
  ({ visitor: other } = await newStation(server));
});
afterAll(() => server.close());

const guide = (more: object = {}) => ({
  ...ledgeCrabs,
  id: `crabs-${randomUUID().slice(0, 8)}`,
  title: 'Crabs of the Oar',
  ...more,
});
const bring = async (own: Visitor, content: object = guide()) =>
  (await own.post('/api/guides').send(content).expect(201)).body as StoredGuide;
const offer = (own: Visitor, id: string, offered = true) => own.put(`/api/guides/${id}/offer`).send({ offered });
const withdraw = (own: Visitor, id: string, why: string | null) => own.put(`/api/guides/${id}/withdrawal`).send({ why });
/** What one sees of the offers of a guide. */
const seen = async (own: Visitor, id: string): Promise<Offer | undefined> =>
  ((await own.get('/api/offers').expect(200)).body as OfferList).offers.find((one) => one.id === id);
const stands = async (own: Visitor, id: string): Promise<GuideSharing | undefined> =>
  ((await own.get('/api/sharing').expect(200)).body as SharingList).guides.find(({ guideId }) => guideId === id);
const take = (own: Visitor, { id, station }: Pick<Offer, 'id' | 'station'>) =>
  own.post(`/api/offers/${id}/taken`).send({ station });

/** Offered by the keeper and imported by the other. */
async function shared(content: object = guide()) {
  const { id, guide: made } = await bring(keeper, content);
  await offer(keeper, id).expect(200);
  const found = (await seen(other, id))!;
  await take(other, found).expect(201);
  return { id, made, station: found.station };
}

it('a guide is offered by one press, taken in by another, and is the same there', async () => {
  const { id, hash } = await bring(keeper);
  expect(await seen(other, id)).toBeUndefined();
  expect((await offer(keeper, id).expect(200)).body).toMatchObject({ guideId: id, offered: {} });
  // Who offers it is not offered it.
  expect(await seen(keeper, id)).toBeUndefined();
  const found = (await seen(other, id))!;
  expect(found).toMatchObject({ title: 'Crabs of the Oar', version: 1 });
  expect(found).not.toHaveProperty('here');
  const taken = (await take(other, found).expect(201)).body as StoredGuide;
  expect(taken).toMatchObject({ id, hash, version: 1 });
  expect(await seen(other, id)).toMatchObject({ here: 1 });
  expect(await stands(other, id)).toEqual({ guideId: id, taken: { station: found.station, from: found.from, version: 1 } });
  // Once more is not a version more.
  expect((await take(other, found).expect(201)).body).toMatchObject({ version: 1 });
  // It names a specimen there.
  const asked = { situation: {}, readings: [{ character: 'granules', states: ['dense'] }] };
  expect((await other.post(`/api/guides/${id}/standing`).send(asked).expect(200)).body.forms.length).toBeGreaterThan(0);
});

it('its keys come with it, each once: one that is here already stays as it is, one taken out stays out', async () => {
  const { id } = await bring(keeper, { ...terns, id: `terns-${randomUUID().slice(0, 8)}` });
  const put = (own: Visitor, keyId: string, title: string, version = 0, hidden = false) =>
    own
      .put(`/api/keys/${keyId}`)
      .send({ version, guideId: id, key: { ...dallowKey, title }, hidden })
      .expect(200);
  const [first, second, gone] = [randomUUID(), randomUUID(), randomUUID()];
  await put(keeper, first, 'By the legs');
  await put(keeper, first, 'By the legs, mended', 1);
  await put(keeper, gone, 'An old one', 0, true);
  await offer(keeper, id).expect(200);
  const found = (await seen(other, id))!;
  expect(found.keys).toBe(1);
  await take(other, found).expect(201);
  const keysOf = async () =>
    (
      (await other.get(`/api/keys?guideId=${id}`).expect(200)).body as { keys: { id: string; title: string; version: number }[] }
    ).keys.map((one) => [one.id, one.title, one.version]);
  expect(await keysOf()).toEqual([[first, 'By the legs, mended', 1]]);
  const walked = await other.post(`/api/keys/${first}/walk`).send({ answers: [] }).expect(200);
  expect(walked.body).toHaveProperty('trail');
  const { changes } = (await other.get('/api/changes?limit=2000').expect(200)).body as {
    changes: { kind: string; id: string }[];
  };
  expect(changes.filter((one) => one.kind === 'key' && one.id === first)).toHaveLength(1);
  await put(other, first, 'Our own words', 1);
  await put(keeper, second, 'By the claws');
  await take(other, found).expect(201);
  expect((await keysOf()).sort()).toEqual(
    [
      [first, 'Our own words', 2],
      [second, 'By the claws', 1],
    ].sort(),
  );
  await put(other, second, 'By the claws', 1, true);
  await take(other, found).expect(201);
  expect((await keysOf()).map(([key]) => key)).toEqual([first]);
});

it('a newer version is told of and imported; what goes on from it is offered it cell by cell', async () => {
  const { id, made, station } = await shared();
  const draft = randomUUID();
  const next = await other.put(`/api/drafts/${draft}`).send({ guideId: id }).expect(400);
  expect(next.body).toMatchObject({ code: 'taken-guide', field: 'id' });
  const over = await other
    .put(`/api/guides/${id}`)
    .send({ version: 1, guide: { ...made, summary: 'Ours.' } })
    .expect(400);
  expect(over.body).toMatchObject({ code: 'taken-guide' });
  await other.put(`/api/drafts/${draft}`).send({ guideId: id, as: 'own' }).expect(200);
  await keeper
    .put(`/api/guides/${id}`)
    .send({ version: 1, guide: { ...made, summary: 'Seen anew.' } })
    .expect(200);
  expect(await stands(other, id)).toMatchObject({ taken: { version: 1, newer: 2 } });
  expect((await take(other, { id, station }).expect(201)).body).toMatchObject({ version: 2, summary: 'Seen anew.' });
  expect((await stands(other, id))?.taken).toEqual({ station, from: expect.any(String), version: 2 });
  const { newer } = (await other.get(`/api/drafts/${draft}/newer`).expect(200)).body;
  expect(newer).toMatchObject([{ of: 'origin', from: 1, to: 2, changes: 1, conflicts: [] }]);
});

it('withdrawn, it says why here and where it was imported, and is offered to nobody', async () => {
  const { id, station } = await shared();
  expect((await withdraw(keeper, id, '  ').expect(400)).body).toMatchObject({ field: 'why' });
  await withdraw(keeper, id, 'Two of its species are one.').expect(200);
  const said = { withdrawn: { why: 'Two of its species are one.' } };
  expect(await stands(keeper, id)).toMatchObject(said);
  expect(await stands(keeper, id)).not.toHaveProperty('offered');
  expect(await stands(other, id)).toMatchObject({ taken: said });
  expect((await take(other, { id, station }).expect(404)).body.message).toMatch(/offer of this guide/);
  expect((await offer(keeper, id).expect(400)).body).toMatchObject({ code: 'withdrawn', field: 'offered' });
  // What is there stays, and what was named with it.
  await other.get(`/api/guides/${id}`).expect(200);
  await withdraw(keeper, id, null).expect(200);
  expect(await stands(keeper, id)).toBeUndefined();
  expect((await stands(other, id))?.taken).not.toHaveProperty('withdrawn');
});

it('its photographs come with it, without the file in which the place may lie hidden', async () => {
  const file = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#8a6' } })
    .withExif({ IFD3: { GPSLatitude: '50/1 0/1 0/1' } })
    .jpeg()
    .toBuffer();
  const { hash, width, height } = (await keeper.post('/api/photos').attach('photo', file, 'a.jpg').expect(201)).body as {
    hash: string;
    width: number;
    height: number;
  };
  const [{ id: taxon }] = ledgeCrabs.taxa.filter(({ forms }) => forms);
  const figure = {
    id: 'f1',
    photo: hash,
    width,
    height,
    taxon,
    view: ledgeCrabs.views[0].id,
    credit: 'Mira',
    licence: 'CC-BY-4.0',
  };
  const { id } = await shared(guide({ figures: [figure] }));
  const there = (await other.get(`/api/guides/${id}`).expect(200)).body as StoredGuide;
  expect(there.guide.figures).toHaveLength(1);
  const whole = (await other.get(`/api/photos/${hash}`).expect(200)).body as Buffer;
  expect(await sharp(whole).metadata()).toMatchObject({ width: 40, height: 30 });
  await other.get(`/api/photos/${hash}?size=thumb`).expect(200);
  const original = (await other.get(`/api/photos/${hash}?size=original`).expect(200)).body as Buffer;
  expect((await sharp(original).metadata()).exif).toBeUndefined();
  expect(file.equals(original)).toBe(false);
});

it('is refused where it is another’s, where the id is taken, and to whoever may not', async () => {
  const content = guide();
  const { id } = await bring(keeper, content);
  await bring(other, content);
  await offer(keeper, id).expect(200);
  const found = (await seen(other, id))!;
  expect((await take(other, found).expect(400)).body).toMatchObject({ code: 'guide-id-taken' });
  expect(await stands(other, id)).toBeUndefined();
  // Of a guide that is not offered, or is one’s own, nothing is said.
  await take(keeper, found).expect(404);
  await offer(keeper, id, false).expect(200);
  await take(other, found).expect(404);
  await offer(other, id).expect(404);
  await withdraw(other, id, 'Not ours.').expect(404);
  const { visitor: member } = await join(server, keeper, 'member');
  await offer(member, id).expect(403);
  await withdraw(member, id, 'I do not like it.').expect(403);
  const { visitor: reviewer } = await join(server, keeper, 'reviewer');
  await offer(reviewer, id).expect(200);
  const { id: theirs } = await shared();
  expect((await offer(other, theirs).expect(400)).body).toMatchObject({ code: 'not-ours-to-offer' });
});

it('twenty at once take one in, and each has it once', async () => {
  const { id } = await bring(keeper);
  await offer(keeper, id).expect(200);
  const found = (await seen(other, id))!;
  const answers = await Promise.all(Array.from({ length: 20 }, () => take(other, found)));
  expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 201));
  const { rows } = await server.pool.query<{ versions: string }>(
    'select count(*) as versions from guide_version where guide_id = $1 group by station_id',
    [id],
  );
  expect(rows.map(({ versions }) => Number(versions))).toEqual([1, 1]);
});
