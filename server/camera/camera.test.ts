import type { ShotTruth } from '@plesion/core/camera';
import sharp from 'sharp';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guide: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId: guide } = await newStation(server));
});
afterAll(() => server.close());

const take = (shot: object) => visitor.post('/api/camera').send({ guide, view: 'dorsal', ...shot });
const shot = async (asked: object) => ((await take(asked).expect(201)).body as { id: string }).id;
const picture = async (id: string) =>
  (await visitor.get(`/api/camera/${id}.png`).expect(200).expect('content-type', /png/)).body as Buffer;
const truth = async (id: string) => (await visitor.get(`/api/camera/${id}/truth`).expect(200)).body as ShotTruth;

/** Of what comes out: sharp’s own are of what goes in. */
const statsOf = async (image: sharp.Sharp) => (await sharp(await image.png().toBuffer()).stats()).channels;

describe('the camera', () => {
  it('photographs several at once, and through a microscope', async () => {
    const several = await shot({ seed: 'many', specimens: 3, scaleBar: 'graticule' });
    const { scale, others } = await truth(several);
    expect([scale.length, others?.length]).toEqual([11, 2]);
    const { data, info } = await sharp(await picture(several)).greyscale().raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => data[Math.round(y * info.height) * info.width + Math.round(x * info.width)];
    // Round: dark in the corners, light in the field.
    for (const x of [0.02, 0.98]) for (const y of [0.02, 0.98]) expect(at(x, y)).toBeLessThan(50);
    expect(at(0.5, 0.06)).toBeGreaterThan(60);
    expect((await take({ specimens: 7 }).expect(400)).body).toMatchObject({ field: expect.stringContaining('specimens') });
  });

  it('gives a picture, the same for the same seed, and tells who it was only when asked', async () => {
    const [a, b] = [await shot({ seed: 'one', scaleBar: 'bar' }), await shot({ seed: 'one', scaleBar: 'bar' })];
    const [first, second] = [await picture(a), await picture(b)];
    expect(first.equals(second)).toBe(true);
    expect(await sharp(first).metadata()).toMatchObject({ format: 'png', width: 1600, height: 1200 });
    const known = await truth(a);
    expect(known.measures.map(({ character }) => character)).toEqual(expect.arrayContaining(['carapace-width', 'width-ratio']));
    expect(known.scale).toHaveLength(2);
    // The specimen is where the truth says: its middle is not the ground that its corners show.
    const [[x0, y0], [x1]] = known.measures.find(({ character }) => character === 'carapace-width')!.lines[0];
    const shade = async (x: number, y: number) => {
      const part = { left: Math.round(x) - 4, top: Math.round(y) - 4, width: 9, height: 9 };
      return (await statsOf(sharp(first).extract(part))).map(({ mean }) => mean);
    };
    const [inside, outside] = [await shade((x0 + x1) / 2, y0), await shade(30, 30)];
    expect(Math.hypot(...inside.map((c, i) => c - outside[i]))).toBeGreaterThan(25);
    expect((await take({ seed: 'two' }).expect(201)).body).toEqual({ id: expect.any(String) });
  });

  it('has a bird that stands on stone, with sky above it', async () => {
    const { body } = await visitor.get('/api/guides').expect(200);
    const terns = (body as { guides: { id: string; slug: string }[] }).guides.find(({ slug }) => slug === 'tessary-terns')!;
    const colour = async (id: string, top: number) => {
      const part = { left: 0, top, width: 1600, height: 60 };
      const [red, , blue] = (await statsOf(sharp(await picture(id)).extract(part))).map(({ mean }) => mean);
      return blue - red;
    };
    const standing = await shot({ guide: terns.id, view: 'perched', seed: 'shore' });
    expect(await colour(standing, 10)).toBeGreaterThan(10);
    expect(await colour(standing, 1130)).toBeLessThan(0);
    const flying = await shot({ guide: terns.id, view: 'below', seed: 'shore' });
    expect(await colour(flying, 1130)).toBeGreaterThan(10);
  });

  it('sees it darker in low light, and blurred out of focus', async () => {
    const light = async (id: string) => (await statsOf(sharp(await picture(id))))[1];
    const still = await shot({ seed: 's', noise: 0 });
    const fair = await light(still);
    const low = await light(await shot({ seed: 's', noise: 0, light: 'low' }));
    expect(low.mean).toBeLessThan(fair.mean * 0.8);
    const edges = { width: 3, height: 3, kernel: [0, 1, 0, 1, -4, 1, 0, 1, 0], offset: 128 };
    const sharpness = async (id: string) =>
      (
        await statsOf(
          sharp(await picture(id))
            .greyscale()
            .convolve(edges),
        )
      )[0].stdev;
    expect(await sharpness(await shot({ seed: 's', noise: 0, blur: 4 }))).toBeLessThan(
      0.5 * (await sharpness(still)),
    );
  });

  it('refuses by its field what it cannot see, and is the station’s own', async () => {
    expect((await take({ view: 'from-below' }).expect(400)).body).toMatchObject({ code: 'no-shot', field: 'view' });
    expect((await take({ form: 'nobody' }).expect(400)).body).toMatchObject({ field: 'form' });
    expect((await take({ tilt: 80 }).expect(400)).body).toMatchObject({ field: expect.stringMatching(/tilt/) });
    const id = await shot({ seed: 'own' });
    const stranger = (await newStation(server)).visitor;
    await stranger.get(`/api/camera/${id}.png`).expect(404);
    await stranger.get(`/api/camera/${id}/truth`).expect(404);
  });
});
