import sharp from 'sharp';
import { face, widthOf, wrapped } from '../print/fonts';
import { layOut } from './layout';
import { printPdf, printPng } from '../print/print';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let cones: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
  const { body } = await visitor.get('/api/guides').expect(200);
  cones = body.guides.find(({ slug }: { slug: string }) => slug === 'tent-cones').id;
});
afterAll(() => server.close());

const forms = 'vexillax/adult,lenior/adult';
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

describe('a comparison as a page', () => {
  it('is a PDF with its own fonts', async () => {
    const { body, headers } = await binary(`/api/guides/${cones}/compare/page`, { forms }).expect(200);
    expect(headers['content-type']).toContain('application/pdf');
    expect(headers['content-disposition']).toContain('comparison.pdf');
    expect(body.subarray(0, 5).toString()).toBe('%PDF-');
    expect(body.toString('latin1')).toMatch(/SchibstedGrotesk/);
    expect(body.toString('latin1')).toMatch(/Spectral/);
  });

  it('or a PNG with ink on it', async () => {
    const { body, headers } = await binary(`/api/guides/${cones}/compare/page`, { forms, as: 'png' }).expect(200);
    expect(headers['content-type']).toBe('image/png');
    const { width, height } = await sharp(body).metadata();
    expect([width, height]).toEqual([1190, 1684]);
    const { channels } = await sharp(body).stats();
    expect(channels[0].stdev).toBeGreaterThan(15);
  });

  it.each([
    [{ forms, as: 'doc' }, 'bad-shape', 'as'],
    [{ forms: 'vexillax/adult' }, 'forms-count', 'forms'],
    [{ forms: 'vexillax/adult,walrus' }, 'unknown-form', 'forms[1]'],
    [{}, 'bad-shape', 'forms'],
  ])('%j is refused as %s', async (query, code, field) => {
    expect((await visitor.get(`/api/guides/${cones}/compare/page`).query(query).expect(400)).body).toMatchObject({ code, field });
  });
});

describe('letters of any kind', () => {
  it.each(['İ̇stanbulı', 'a\u0301\u0327b', 'ﷺ عربي', '👩‍🔬🦀', '漢字', '\u202eabc', 'x'.repeat(400)])(
    'are set, or left out: %s',
    async (text) => {
      const page = {
        width: 300,
        height: 80,
        title: text,
        items: (['text', 'strong', 'name', 'upright'] as const).map((own, i) => ({
          kind: 'text' as const,
          text,
          face: own,
          size: 11,
          x: 10,
          y: 15 + 15 * i,
          colour: '#000000',
          middle: i === 1,
        })),
      };
      expect((await printPdf(page)).subarray(0, 5).toString()).toBe('%PDF-');
      expect(await sharp(await printPng(page)).metadata()).toMatchObject({ width: 600, height: 160 });
      expect(wrapped(text, 'name', 11, 40).length).toBeGreaterThan(0);
    },
  );
});

describe('a specimen as a page', () => {
  const id = '0192f3a0-0000-7009-8000-000000000011';
  const write = (more: object, version: number) =>
    visitor.put(`/api/specimens/${id}`).send({
      version,
      guideId: cones,
      label: 'P1',
      situation: { place: 'reef' },
      readings: [{ character: 'pattern', states: ['tents'] }],
      determinations: [],
      hidden: false,
      ...more,
    });

  it('is made from what was read, with the photo where there is one', async () => {
    await write({}, 0).expect(200);
    const plain = await binary(`/api/specimens/${id}/page`, {}).expect(200);
    expect(plain.body.subarray(0, 5).toString()).toBe('%PDF-');
    const picture = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#3a6' } })
      .jpeg()
      .toBuffer();
    const { body: photo } = await visitor.post('/api/photos').attach('photo', picture, 'reef.jpg').expect(201);
    await write({ photo: photo.hash }, 1).expect(200);
    const { body } = await binary(`/api/specimens/${id}/page`, { as: 'png' }).expect(200);
    const { data, info } = await sharp(body).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    let green = 0;
    for (let i = 0; i < data.length; i += info.channels) if (data[i + 1] - data[i] > 80) green++;
    expect(green).toBeGreaterThan(5000);
  });

  it('of another station is not there', async () => {
    const other = await newStation(server);
    await other.visitor.get(`/api/specimens/${id}/page`).expect(404);
  });
});

describe('laying out and printing', () => {
  const content = {
    title: [{ text: 'Turbiconus lenior', italic: true }],
    subtitle: 'somewhere',
    plates: [],
    lead: [{ text: 'One two three. '.repeat(40), italic: false }],
    characters: Array.from({ length: 6 }, (_, i) => ({
      number: i + 1,
      heading: `Character ${i + 1}`,
      text: 'words '.repeat(60),
    })),
    notes: ['Danger: far.'],
    caution: 'Take care. '.repeat(30),
  };

  it('breaks lines where they no longer fit, and loses no word', () => {
    const [{ text }] = content.lead;
    const lines = wrapped(text, 'text', 10, 200);
    expect(lines.length).toBeGreaterThan(3);
    for (const line of lines) expect(widthOf(line, 'text', 10)).toBeLessThanOrEqual(200);
    expect(lines.join(' ')).toBe(text.trim());
  });

  it('keeps everything on the sheet, which grows when there is much to say', () => {
    const page = layOut(content);
    const texts = page.items.filter((item) => item.kind === 'text');
    for (const { x, y } of texts) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThan(page.width);
      expect(y).toBeLessThan(page.height);
    }
    expect(page.height).toBeGreaterThanOrEqual(842);
    expect(texts.map(({ text }) => text)).toEqual(expect.arrayContaining(['Turbiconus lenior', 'Character 6', 'Take care']));
  });

  it('makes a long name smaller until it fits', () => {
    const long = layOut({
      ...content,
      title: [{ text: 'Turbiconus guttarius × T. annulax annulax or something longer still', italic: true }],
    });
    const [title] = long.items.filter((item) => item.kind === 'text');
    expect(title.size).toBeLessThan(24);
    expect(title.x + widthOf(title.text, title.face, title.size)).toBeLessThanOrEqual(long.width - 38);
  });

  it('points at characters on the photo, inside it', async () => {
    const jpeg = await sharp({ create: { width: 60, height: 90, channels: 3, background: '#888' } })
      .jpeg()
      .toBuffer();
    const page = layOut(
      { ...content, characters: [{ number: 7, heading: 'x', text: 'y', at: { x: 1, y: 0 } }] },
      { jpeg, width: 60, height: 90 },
    );
    const photo = page.items.find((item) => item.kind === 'photo')!;
    const disc = page.items.find((item) => item.kind === 'disc' && item.fill === '#FFFFFF');
    expect(disc).toMatchObject({ at: [photo.box.x + photo.box.width, photo.box.y] });
    expect(photo.box.width / photo.box.height).toBeCloseTo(60 / 90, 6);
  });

  it('prints the same page in both ways', async () => {
    const page = layOut(content);
    expect((await printPdf(page)).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await sharp(await printPng(page)).metadata()).width).toBe(1190);
  });

  it('ships every face it uses', () => {
    for (const name of ['text', 'strong', 'name', 'upright'] as const) expect(face(name).font.unitsPerEm).toBeGreaterThan(0);
  });
});
