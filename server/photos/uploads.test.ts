import { createHash } from 'node:crypto';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
});
afterAll(() => server.close());

const PROTOCOL = { 'tus-resumable': '1.0.0' };
const hashOf = (file: Buffer) => createHash('sha256').update(file).digest('hex');

/** A picture that does not pack well, so that it comes in several pieces. */
const picture = (seed: number) =>
  sharp({
    create: { width: 300, height: 200, channels: 3, background: '#456', noise: { type: 'gaussian', mean: seed, sigma: 50 } },
  })
    .jpeg()
    .toBuffer();

const begin = (length: number, by = visitor) => by.post('/api/uploads').set(PROTOCOL).set('upload-length', String(length));
const goOn = (place: string, offset: number, piece: Buffer, by = visitor) =>
  by
    .patch(place)
    .set(PROTOCOL)
    .set('upload-offset', String(offset))
    .set('content-type', 'application/offset+octet-stream')
    .send(piece);
const arrived = async (place: string) => Number((await visitor.head(place).set(PROTOCOL).expect(200)).headers['upload-offset']);
const known = async (file: Buffer) => (await visitor.get(`/api/photos/${hashOf(file)}/known`).expect(200)).body.known as boolean;
const underWay = () => readdir(join(server.place.files, 'uploads'));

describe('a photo sent piece by piece', () => {
  it('is gone on with where it stopped, and is kept byte for byte when all of it is there', async () => {
    const file = await picture(120);
    const place = (await begin(file.length).expect(201)).headers.location;
    const half = Math.floor(file.length / 2);
    await goOn(place, 0, file.subarray(0, half)).expect(204);
    // After a lost connection or a reload: how far it came is asked for.
    expect(await arrived(place)).toBe(half);
    expect(await known(file)).toBe(false);
    const end = await goOn(place, half, file.subarray(half)).expect(200);
    expect(end.body).toEqual({ hash: hashOf(file), width: 300, height: 200 });
    expect(await known(file)).toBe(true);
    const kept = await visitor.get(`/api/photos/${hashOf(file)}?size=original`).expect(200);
    expect((kept.body as Buffer).equals(file)).toBe(true);
    // Nothing of the pieces is left.
    await visitor.head(place).set(PROTOCOL).expect(404);
    expect(await underWay()).toEqual([]);
  });

  it('takes each piece where it belongs, and no other', async () => {
    const file = await picture(90);
    const place = (await begin(file.length).expect(201)).headers.location;
    await goOn(place, 0, file.subarray(0, 1000)).expect(204);
    const wrong = await goOn(place, 500, file.subarray(500)).expect(409);
    expect(JSON.parse(wrong.text)).toMatchObject({ code: 'bad-upload', field: 'photo' });
    expect(await arrived(place)).toBe(1000);
    // Two at once, as from two windows: one of them is taken.
    const both = await Promise.all([1, 2].map(() => goOn(place, 1000, file.subarray(1000))));
    expect(both.map(({ status }) => status).sort()).toEqual([200, expect.any(Number)]);
    expect(both.every(({ status }) => status === 200 || (status >= 400 && status < 500))).toBe(true);
    expect(await known(file)).toBe(true);
  });

  it('that is none, or too large, is refused with a sentence, and nothing of it stays', async () => {
    const none = Buffer.from('no picture at all');
    const place = (await begin(none.length).expect(201)).headers.location;
    const refused = await goOn(place, 0, none).expect(400);
    expect(JSON.parse(refused.text)).toMatchObject({ code: 'photo-unreadable', field: 'photo' });
    const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]);
    const other = (await begin(heic.length).expect(201)).headers.location;
    expect(JSON.parse((await goOn(other, 0, heic).expect(400)).text).message).toMatch(/^This is a HEIC picture/);
    expect(JSON.parse((await begin(41 * 1024 * 1024).expect(413)).text)).toMatchObject({ code: 'too-large', field: 'photo' });
    await visitor.post('/api/uploads').set(PROTOCOL).set('upload-defer-length', '1').expect(400);
    const short = (await begin(10).expect(201)).headers.location;
    expect(JSON.parse((await goOn(short, 0, await picture(10)).expect(400)).text)).toMatchObject({ code: 'bad-upload' });
    await visitor.delete(short).set(PROTOCOL).expect(204);
    expect(JSON.parse((await begin(0).expect(400)).text)).toMatchObject({ code: 'photo-missing' });
    expect(await underWay()).toEqual([]);
  });

  it('can be stopped, and leaves nothing then', async () => {
    const file = await picture(60);
    const place = (await begin(file.length).expect(201)).headers.location;
    await goOn(place, 0, file.subarray(0, 500)).expect(204);
    await visitor.delete(place).set(PROTOCOL).expect(204);
    await visitor.head(place).set(PROTOCOL).expect(404);
    expect(await known(file)).toBe(false);
    expect(await underWay()).toEqual([]);
  });

  it('is its own station’s: nobody else may go on with it, look at it or stop it', async () => {
    const file = await picture(30);
    const place = (await begin(file.length).expect(201)).headers.location;
    const other = await newStation(server);
    await goOn(place, 0, file, other.visitor).expect(404);
    await other.visitor.head(place).set(PROTOCOL).expect(404);
    await other.visitor.delete(place).set(PROTOCOL).expect(404);
    expect((await other.visitor.get(`/api/photos/${hashOf(file)}/known`).expect(200)).body).toEqual({ known: false });
    await begin(10, server.visitor()).expect(401);
    // Where a name would lead out of its folder there is nothing.
    const station = place.split('/').at(-1)!.split('.')[0];
    await goOn(`/api/uploads/${station}.${encodeURIComponent('../../../x')}`, 0, file).expect(404);
    expect(await arrived(place)).toBe(0);
    await visitor.delete(place).set(PROTOCOL).expect(204);
  });

  it('is not begun without end: a station has so many under way', async () => {
    const own = await newStation(server);
    const places: string[] = [];
    for (let i = 0; i < 40; i++) places.push((await begin(100, own.visitor).expect(201)).headers.location);
    expect(JSON.parse((await begin(100, own.visitor).expect(429)).text)).toMatchObject({ code: 'too-many-uploads' });
    await own.visitor.delete(places[0]).set(PROTOCOL).expect(204);
    await begin(100, own.visitor).expect(201);
  });
});
