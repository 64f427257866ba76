import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
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

describe('photos', () => {
  it('are kept once for their content, upright, as a whole and a thumbnail, without their place', async () => {
    const file = await picture();
    expect((await sharp(file).metadata()).exif).toBeDefined();
    const first = await send(file).expect(201);
    expect(first.body).toMatchObject({ width: 20, height: 40 });
    expect((await send(file).expect(201)).body).toEqual(first.body);
    const [{ count }] = await server.orm.em.getConnection().execute<{ count: string }[]>('select count(*) from photo');
    expect(Number(count)).toBe(1);
    const whole = await visitor.get(`/api/photos/${first.body.hash}`).expect(200).expect('content-type', 'image/jpeg');
    expect((await sharp(whole.body as Buffer).metadata()).exif).toBeUndefined();
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
    expect((await send(Buffer.alloc(21 * 1024 * 1024)).expect(413)).body).toMatchObject({ code: 'too-large', field: 'photo' });
    await visitor.get('/api/photos/nothing').expect(400);
  });
});
