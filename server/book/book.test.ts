import { demoGuides } from '@plesion/demo';
import { plateSvg } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import sharp from 'sharp';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let terns: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
  const { body } = await visitor.get('/api/guides').expect(200);
  terns = body.guides.find(({ slug }: { slug: string }) => slug === 'tessary-terns').id;
});
afterAll(() => server.close());

const binary = (path: string, query: object) =>
  visitor
    .get(path)
    .query(query)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    });

const asked = { form: 'sodalis/adult.breeding', view: 'perched' };

describe('a plate to keep', () => {
  it('is an SVG with its scale and its characters pointed at', async () => {
    const { body, headers } = await binary(`/api/guides/${terns}/plate`, asked).expect(200);
    expect(headers['content-type']).toContain('image/svg+xml');
    expect(headers['content-disposition']).toContain('tessary-terns-sodalis-adult-breeding-perched.svg');
    const svg = body.toString();
    expect(svg).toContain('<title>Halistris sodalis</title>');
    expect(svg).not.toMatch(/NaN|undefined/);
    const bare = (await binary(`/api/guides/${terns}/plate`, { ...asked, characters: 'false' }).expect(200)).body.toString();
    const discs = (text: string) => text.match(/<circle/g)?.length ?? 0;
    expect(discs(svg)).toBeGreaterThanOrEqual(3);
    expect(discs(bare)).toBe(0);
  });

  it('is not made up of what a plant has not', async () => {
    const { body: list } = await visitor.get('/api/guides').expect(200);
    const umbels = list.guides.find(({ slug }: { slug: string }) => slug === 'bog-umbels').id;
    const query = { form: 'virosa/rosette', view: 'flower' };
    expect((await visitor.get(`/api/guides/${umbels}/plate`).query(query).expect(400)).body).toMatchObject({
      code: 'not-shown',
      field: 'view',
    });
  });

  it('or a PNG with ink on it', async () => {
    const { body, headers } = await binary(`/api/guides/${terns}/plate`, { ...asked, view: 'below', as: 'png' }).expect(200);
    expect(headers['content-type']).toBe('image/png');
    expect((await sharp(body).stats()).channels[0].stdev).toBeGreaterThan(15);
  });

  it.each([
    [{ ...asked, view: 'sideways' }, 'unknown-view', 'view'],
    [{ ...asked, form: 'walrus' }, 'unknown-form', 'form'],
    [{ ...asked, as: 'gif' }, 'bad-shape', 'as'],
  ])('%j is refused as %s', async (query, code, field) => {
    expect((await visitor.get(`/api/guides/${terns}/plate`).query(query).expect(400)).body).toMatchObject({ code, field });
  });
});

describe('a look-alike sheet on A5', () => {
  it.each(demoGuides.map((guide) => [guide.id, guide] as const))('fits one sheet: %s', async (slug, guide) => {
    const { body } = await visitor.get('/api/guides').expect(200);
    const id = body.guides.find((row: { slug: string }) => row.slug === slug).id;
    const { body: whole } = await visitor.get(`/api/guides/${id}`).expect(200);
    const { body: page } = await binary(`/api/guides/${id}/compare/page`, {
      forms: PAIRS[guide.id],
      as: 'png',
      paper: 'a5',
    }).expect(200);
    expect(whole.title).toBe(guide.title);
    const { width, height } = await sharp(page).metadata();
    expect([width, height]).toEqual([840, expect.any(Number)]);
    expect(Math.abs(height - 1191)).toBeLessThanOrEqual(2);
  });
});

/** A look-alike pair of each guide. */
const PAIRS: Record<string, string> = {
  'tessary-terns': 'sodalis/adult.breeding,consors/adult.breeding',
  'bog-umbels': 'virosa/flowering,larvata/flowering',
  'lantern-moths': 'fallax/female,urtica/female',
  'ledge-crabs': 'murica/adult.male.plain,cinerata/adult.male.plain',
  'tent-cones': 'vexillax/adult,lenior/adult',
  'strand-beetles': 'brevis/male,aridus/male',
};

/** Edge of a state tile on the screen, in pixels. */
const TILE = 72;

describe('state tiles, as they are seen', () => {
  const drawn = demoGuides.flatMap((guide) =>
    guide.characters
      .filter(({ plate, states }) => plate && states)
      .map((character) => [guide.id, character.id, guide, character] as const),
  );

  it.each(drawn)('%s, %s: every two states look different at tile size', async (_, __, guide, character) => {
    const plan = planOf(guide)!;
    const seen = await Promise.all(
      character.states!.map(async ({ id }) => {
        const tile = plan.tile(character, id);
        return (
          tile &&
          sharp(Buffer.from(plateSvg(tile, TILE, id)))
            .flatten({ background: '#FBFAF6' })
            .removeAlpha()
            .raw()
            .toBuffer()
        );
      }),
    );
    const pixels = seen.filter((one): one is Buffer => one !== undefined);
    pixels.forEach((a, i) =>
      pixels.slice(i + 1).forEach((b, j) => {
        const changed = a.filter((value, k) => Math.abs(value - b[k]) > 24).length / 3;
        expect([character.states![i].id, character.states![i + 1 + j].id, changed > 25]).toEqual([
          character.states![i].id,
          character.states![i + 1 + j].id,
          true,
        ]);
      }),
    );
  });
});
