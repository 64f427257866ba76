import { createHash, randomUUID } from 'node:crypto';
import { readdir } from 'node:fs/promises';
import { join, relative } from 'node:path';
import sharp from 'sharp';
import { moveOut } from './moveOut';
import { keyOf } from './service';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

/** A tall picture that says it lies on its side, and where it was taken. */
const picture = (red = 200) =>
  sharp({ create: { width: 40, height: 20, channels: 3, background: { r: red, g: 80, b: 40 } } })
    .withMetadata({ orientation: 6, exif: { IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } } })
    .jpeg()
    .toBuffer();
const send = (file: Buffer, name = 'crab.jpg') => visitor.post('/api/photos').attach('photo', file, name);

/** The names of the files that the station has, without their folders. */
const filesKept = async () =>
  (await readdir(server.place.files, { recursive: true, withFileTypes: true })).filter((entry) => entry.isFile());
const originals = async () =>
  (await filesKept())
    .filter(({ name }) => name.endsWith('.original'))
    .map(({ parentPath, name }) => relative(server.place.files, join(parentPath, name)));

describe('photos', () => {
  it('are kept once for their content, upright, as a whole and a thumbnail, without their place', async () => {
    const file = await picture();
    expect((await sharp(file).metadata()).exif).toBeDefined();
    const first = await send(file).expect(201);
    expect(first.body).toMatchObject({ width: 20, height: 40 });
    expect((await send(file).expect(201)).body).toEqual(first.body);
    const [{ count }] = await server.orm.em.getConnection().execute<{ count: string }[]>('select count(*) from photo');
    expect(Number(count)).toBe(1);
    // One file each for what was sent and the two that are shown; the rows hold none.
    expect((await filesKept()).map(({ name }) => name).sort()).toEqual(
      ['original', 'thumb', 'whole'].map((size) => `${first.body.hash}.${size}`),
    );
    expect(await server.files.get((await originals())[0])).toEqual(file);
    expect((await server.pool.query('select whole, bytes from photo')).rows[0].whole).toBeNull();
    const whole = await visitor.get(`/api/photos/${first.body.hash}`).expect(200).expect('content-type', 'image/jpeg');
    expect((await sharp(whole.body as Buffer).metadata()).exif).toBeUndefined();
    const small = await sharp(
      (await visitor.get(`/api/photos/${first.body.hash}?size=small`).expect(200)).body as Buffer,
    ).metadata();
    expect([small.format, small.width <= 640, small.height <= 640, small.exif]).toEqual(['jpeg', true, true, undefined]);
    expect(await visitor.get(`/api/photos/${'0'.repeat(64)}?size=small`).then(({ status }) => status)).toBe(404);
    const thumb = await visitor.get(`/api/photos/${first.body.hash}?size=thumb`).expect(200);
    expect(await sharp(thumb.body as Buffer).metadata()).toMatchObject({ width: 240, height: 240 });
  });

  it('belong to a specimen of their own station only', async () => {
    const { body } = await send(await picture(90)).expect(201);
    const specimen = await visitor
      .put(`/api/specimens/${randomUUID()}`)
      .send(write(guideId, { photo: body.hash }))
      .expect(200);
    expect(specimen.body.photo).toBe(body.hash);
    const other = await newStation(server);
    await other.visitor.get(`/api/photos/${body.hash}`).expect(404);
    const foreign = await other.visitor
      .put(`/api/specimens/${randomUUID()}`)
      .send(write(other.guideId, { photo: body.hash }))
      .expect(400);
    expect(foreign.body).toMatchObject({ code: 'unknown-photo', field: 'photo' });
  });

  it('are told by their content: a drawing that grows without end is not begun', async () => {
    const bomb = Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"><defs><g id="a0"><rect width="9" height="9"/></g>${Array.from(
        { length: 20 },
        (_, i) => `<g id="a${i + 1}">${`<use xlink:href="#a${i}"/>`.repeat(10)}</g>`,
      ).join('')}</defs><use xlink:href="#a20"/></svg>`,
    );
    for (const name of ['bomb.svg', 'bomb.jpg'])
      expect((await send(bomb, name).expect(400)).body).toMatchObject({ code: 'photo-unreadable', field: 'photo' });
    const gif = Buffer.from('R0lGODlhAQABAAAAACwAAAAAAQABAAACAkQBADs=', 'base64');
    expect((await send(gif).expect(400)).body).toMatchObject({ code: 'photo-unreadable' });
  });

  it('cut short, or of too many pixels, are refused and nothing of them is kept', async () => {
    const whole = await sharp({
      create: { width: 600, height: 600, channels: 3, background: '#456', noise: { type: 'gaussian', mean: 128, sigma: 60 } },
    })
      .jpeg()
      .toBuffer();
    expect((await send(whole.subarray(0, whole.length / 2)).expect(400)).body).toMatchObject({ code: 'photo-unreadable' });
    const vast = await sharp({
      create: { width: 11_000, height: 10_000, channels: 3, background: '#fff' },
      limitInputPixels: false,
    })
      .png()
      .toBuffer();
    expect((await send(vast).expect(400)).body).toMatchObject({ code: 'too-many-pixels', field: 'photo' });
    const hash = createHash('sha256').update(vast).digest('hex');
    await visitor.get(`/api/photos/${hash}`).expect(404);
  });

  it('sent in a form that is broken are refused with a sentence', async () => {
    for (const [type, body] of [
      ['multipart/form-data', 'x'],
      ['multipart/form-data; boundary=x', '--x\r\nContent-Disposition: form-data; name="photo"; filename="a.jpg"\r\n\r\nhalf'],
      ['multipart/form-data; boundary=x', 'no form at all'],
    ])
      expect((await visitor.post('/api/photos').set('content-type', type).send(body).expect(400)).body).toMatchObject({
        field: 'photo',
        message: expect.stringMatching(/\.$/),
      });
  });

  it('from before they were files are shown as they lie, moved once, and are the same then', async () => {
    const own = await newStation(server);
    const { body } = await own.visitor
      .post('/api/photos')
      .attach('photo', await picture(33), 'x.jpg')
      .expect(201);
    const hash = body.hash as string;
    const get = async (size: string) => (await own.visitor.get(`/api/photos/${hash}?size=${size}`).expect(200)).body as Buffer;
    const before = [await get('whole'), await get('thumb')];
    const {
      rows: [{ station_id: stationId, bytes }],
    } = await server.pool.query<{ station_id: string; bytes: string }>('select station_id, bytes from photo where hash = $1', [
      hash,
    ]);
    // As an earlier Plesion left it, and one from before originals were kept.
    await server.pool.query('update photo set whole = $2, thumb = $3, bytes = 0 where hash = $1', [hash, ...before]);
    for (const size of ['original', 'whole', 'thumb'] as const) await server.files.remove(keyOf(stationId, hash, size));
    expect([await get('whole'), await get('thumb')]).toEqual(before);
    const em = server.orm.em.fork();
    expect(await moveOut(em, server.files)).toBe(1);
    expect(await moveOut(em, server.files)).toBe(0);
    expect([await get('whole'), await get('thumb')]).toEqual(before);
    expect(await server.files.get(keyOf(stationId, hash, 'thumb'))).toEqual(before[1]);
    const {
      rows: [row],
    } = await server.pool.query<{ whole: Buffer | null; thumb: Buffer | null; bytes: string }>(
      'select * from photo where hash = $1',
      [hash],
    );
    expect([row.whole, row.thumb]).toEqual([null, null]);
    expect(Number(row.bytes)).toBe(before[0].length + before[1].length);
    expect(Number(bytes)).toBeGreaterThan(Number(row.bytes));
  });

  it('that are none are refused by name', async () => {
    expect((await send(Buffer.from('no picture')).expect(400)).body).toMatchObject({ code: 'photo-unreadable', field: 'photo' });
    expect((await visitor.post('/api/photos').expect(400)).body).toMatchObject({ code: 'photo-missing', field: 'photo' });
    expect(
      (
        await visitor
          .post('/api/photos')
          .attach('picture', await picture(), 'x.jpg')
          .expect(400)
      ).body,
    ).toMatchObject({ code: 'bad-upload' });
    expect((await send(Buffer.alloc(41 * 1024 * 1024)).expect(413)).body).toMatchObject({ code: 'too-large', field: 'photo' });
    await visitor.get('/api/photos/nothing').expect(400);
  });
});
