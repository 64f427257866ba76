import { randomUUID } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { StoredGuide } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import sharp from 'sharp';
import yazl from 'yazl';
import { filesOf } from '../files/zip';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let own: Visitor;
let other: Visitor;
let folder: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor: own } = await newStation(server));
  ({ visitor: other } = await newStation(server));
  folder = await mkdtemp(join(tmpdir(), 'plesion-bundle-'));
});
afterAll(async () => {
  await rm(folder, { recursive: true, force: true });
  await server.close();
});

const GUIDE = 'guide.plesion.json';
const figure = (photo: string, id = 'f1') => ({
  ...{ id, photo, width: 40, height: 30, taxon: ledgeCrabs.taxa.find(({ forms }) => forms)!.id, view: ledgeCrabs.views[0].id },
  ...{ credit: 'Mira', licence: 'CC-BY-4.0' },
});
const guide = (more: object = {}) => ({
  ...ledgeCrabs,
  id: `crabs-${randomUUID().slice(0, 8)}`,
  title: 'Crabs of the Oar',
  ...more,
});
const picture = (background = '#8a6') =>
  sharp({ create: { width: 40, height: 30, channels: 3, background } })
    .jpeg()
    .toBuffer();
const photos = async () => Number((await server.pool.query<{ n: string }>('select count(*) as n from photo')).rows[0].n);

async function packed(files: Record<string, Buffer | string>): Promise<Buffer> {
  const zip = new yazl.ZipFile();
  for (const [name, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), name);
  zip.end();
  const chunks: Buffer[] = [];
  for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}
async function unpacked(zip: Buffer): Promise<Map<string, Buffer>> {
  const path = join(folder, randomUUID());
  await writeFile(path, zip);
  return filesOf(path, { bytes: 1e8, files: 100, said: 'too much' });
}
const send = (zip: Buffer) => other.post('/api/guides/with-photographs').attach('file', zip, 'guide.zip');

it('a guide goes out with its photographs and comes in elsewhere with them, by what they hold', async () => {
  const { hash } = (
    await own
      .post('/api/photos')
      .attach('photo', await picture(), 'a.jpg')
      .expect(201)
  ).body as { hash: string };
  const { id } = (
    await own
      .post('/api/guides')
      .send(guide({ figures: [figure(hash), figure('0'.repeat(64), 'f2')] }))
      .expect(201)
  ).body as StoredGuide;
  const answer = await own
    .get(`/api/guides/${id}/with-photographs.zip`)
    .buffer()
    .parse((response, give) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => give(null, Buffer.concat(chunks)));
    })
    .expect(200)
    .expect('content-type', 'application/zip');
  const zip = answer.body as Buffer;
  expect([...(await unpacked(zip)).keys()]).toEqual([GUIDE, `photographs/${hash}.jpg`]);
  const made = (await send(zip).expect(201)).body as StoredGuide;
  const [first, second] = made.guide.figures!;
  expect(first.photo).not.toBe(hash);
  expect(first).toMatchObject({ width: 40, height: 30, credit: 'Mira', licence: 'CC-BY-4.0' });
  await other.get(`/api/photos/${first.photo}`).expect(200);
  // The one that was not there is still named, so that its page can say so.
  expect(second.photo).toBe('0'.repeat(64));
  // The same file again is the same guide.
  expect((await send(zip).expect(201)).body).toMatchObject({ id: made.id, version: 1 });
});

it('known with other content, both sides are answered', async () => {
  const first = guide();
  await send(await packed({ [GUIDE]: JSON.stringify(first) })).expect(201);
  const { body } = await send(await packed({ [GUIDE]: JSON.stringify({ ...first, summary: 'Otherwise.' }) })).expect(409);
  expect(body).toMatchObject({ code: 'stale-version', stored: { version: 1 }, sent: { guide: { summary: 'Otherwise.' } } });
});

it('what is no such file is refused by name, and no photo of it is kept', async () => {
  const before = await photos();
  const photo = await picture('#123');
  const hash = 'a'.repeat(64);
  const at = `photographs/${hash}.jpg`;
  const refusals: [Buffer, object][] = [
    [Buffer.from('no zip at all'), { code: 'bad-zip', field: 'file' }],
    [(await packed({ [GUIDE]: '{}' })).subarray(0, 40), { code: 'bad-zip', field: 'file' }],
    [await packed({ 'other.json': '{}' }), { code: 'no-guide', field: 'file' }],
    [await packed({ [GUIDE]: '{', [at]: photo }), { code: 'bad-json', field: 'file' }],
    [
      await packed({ [GUIDE]: JSON.stringify(guide({ figures: [figure(hash)], characters: [] })), [at]: photo }),
      { field: 'characters' },
    ],
  ];
  for (const [zip, problem] of refusals) expect((await send(zip).expect(400)).body).toMatchObject(problem);
  expect((await other.post('/api/guides/with-photographs').expect(400)).body).toMatchObject({ field: 'file' });
  expect(await photos()).toBe(before);
  const noPhoto = await packed({ [GUIDE]: JSON.stringify(guide({ figures: [figure(hash)] })), [at]: 'not a picture' });
  expect((await send(noPhoto).expect(400)).body).toMatchObject({ code: 'photo-unreadable' });
});
