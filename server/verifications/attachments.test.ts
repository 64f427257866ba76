import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { LARGEST_ATTACHMENT, type Verification } from '@plesion/contract/verifications';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer({ quotas: { specimens: 50, guides: 50, keys: 50, photos: LARGEST_ATTACHMENT + 1000 } });
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId } = await newStation(server));
});

const PAGE = Buffer.from('<!doctype html><script>alert(1)</script>');
const send = (file: Buffer, own = visitor) => own.post('/api/attachments').attach('file', file, 'gel.html');
const kept = async (file: Buffer) => (await send(file).expect(201)).body as { hash: string; bytes: number };
/** A specimen, and what is said of it with a file. */
async function said(file: object, own = visitor) {
  const specimenId = randomUUID();
  await own.put(`/api/specimens/${specimenId}`).send(write(guideId)).expect(200);
  const body = { id: randomUUID(), specimenId, kind: 'molecular', taxon: 'murica', wrong: 0.001, on: '2026-05-12', file };
  return own.post('/api/verifications').send(body);
}
const rows = async () => (await server.pool.query<{ n: string }>('select count(*) n from attachment')).rows[0].n;

it('is kept once for its content, stands with what was said, and is given back as it was sent and not as a page', async () => {
  const first = await kept(PAGE);
  expect(first).toEqual({ hash: createHash('sha256').update(PAGE).digest('hex'), bytes: PAGE.length });
  const before = await rows();
  expect(await kept(PAGE)).toEqual(first);
  expect(await rows()).toBe(before);
  const file = { hash: first.hash, name: 'gel “1”/../ä.html' };
  expect(await said(file)).toMatchObject({ status: 201, body: { file } });
  const got = await visitor.get(`/api/attachments/${first.hash}`).query({ name: file.name }).buffer(true).expect(200);
  expect((got.body as Buffer).equals(PAGE)).toBe(true);
  expect(got.headers).toMatchObject({
    'content-type': expect.stringMatching(/^application\/octet-stream/),
    'x-content-type-options': 'nosniff',
    'content-disposition': expect.stringMatching(/^attachment; /),
  });
  expect(got.headers['content-disposition']).not.toMatch(/[\r\n]|\.\.\//);
});

it('is the station’s own: nobody else can name it or have it', async () => {
  const { hash } = await kept(randomBytes(40));
  const { visitor: stranger, guideId: theirs } = await newStation(server);
  await stranger.get(`/api/attachments/${hash}`).expect(404);
  guideId = theirs;
  expect(await said({ hash, name: 'gel.pdf' }, stranger)).toMatchObject({
    status: 400,
    body: { field: 'file.hash', code: 'unknown-file' },
  });
});

it.each([
  ['without a name', (hash: string) => ({ hash, name: ' ' }), 'file.name'],
  ['with a name that never ends', (hash: string) => ({ hash, name: 'x'.repeat(121) }), 'file.name'],
  ['by what is no hash', () => ({ hash: '../../secret', name: 'x' }), 'file.hash'],
])('%s it is refused by its field, and nothing is said', async (_, fileOf, field) => {
  const { hash } = await kept(PAGE);
  const answer = await said(fileOf(hash));
  expect(answer).toMatchObject({ status: 400, body: { field } });
});

it('that is empty, missing, or larger than may be is refused with what to do', async () => {
  expect((await send(Buffer.alloc(0)).expect(400)).body).toMatchObject({ code: 'file-missing', field: 'file' });
  expect((await visitor.post('/api/attachments').field('file', 'words').expect(400)).body).toMatchObject({ field: 'file' });
  expect((await send(Buffer.alloc(LARGEST_ATTACHMENT + 1)).expect(413)).body).toMatchObject({
    field: 'file',
    message: expect.stringMatching(/10 MB/),
  });
});

it('takes room as photos do', async () => {
  await kept(Buffer.alloc(LARGEST_ATTACHMENT, 1));
  expect((await send(Buffer.alloc(2000, 2)).expect(400)).body).toMatchObject({ code: 'station-full', field: 'photos' });
  await kept(Buffer.alloc(500, 3));
});

it('stays with what was taken back', async () => {
  const { hash } = await kept(PAGE);
  const file = { hash, name: 'gel.pdf' };
  const { id } = (await said(file)).body as Verification;
  expect((await visitor.delete(`/api/verifications/${id}`).expect(200)).body).toMatchObject({ file });
});
