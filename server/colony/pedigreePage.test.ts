import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let demo: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
  demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  guideId = (await demo.get('/api/colonies').expect(200)).body.colonies[0].guideId;
});
afterAll(() => server.close());

const sheet = (query: object, status = 200, id = guideId) =>
  demo
    .get(`/api/guides/${id}/colony/pedigree`)
    .query(query)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(status);
const refusal = ({ body }: { body: Buffer }) => JSON.parse(body.toString()) as object;

it('is drawn as SVG: everybody with its plate, dashed where in doubt, red where wrong, shaded by who carries', async () => {
  const { members } = (await demo.get(`/api/guides/${guideId}/colony`).expect(200)).body as {
    members: { id: string; label: string }[];
  };
  const { body, headers } = await sheet({ as: 'svg', carries: 'pale p' });
  expect(headers['content-type']).toContain('image/svg+xml');
  expect(headers['content-disposition']).toContain('pedigree.svg');
  const svg = (body as Buffer).toString();
  expect(svg).toContain(`<title>Lantern moths of the Tessary Isles: pedigree of ${members.length}</title>`);
  expect(svg).not.toMatch(/NaN|undefined/);
  // Outlines of symbols: squares, circles and diamonds, once white and once as a line.
  expect(
    svg.match(
      /d="M-37 -37H37V37H-37Z" fill="#FFFFFF"|d="M-37 0A37 37 0 1 1 37 0A37 37 0 1 1 -37 0Z" fill="#FFFFFF"|d="M0 -41[^"]*" fill="#FFFFFF"/g,
    ),
  ).toHaveLength(members.length);
  expect(svg.match(/stroke-dasharray="6 5"/g)!.length).toBeGreaterThan(1);
  expect(svg.match(/stroke="#A80F3F"/g)).toHaveLength(1);
  const plain = ((await sheet({ as: 'svg' })).body as Buffer).toString();
  const shaded = (drawn: string) => drawn.match(/fill="#DFDBF1"/g)?.length ?? 0;
  expect([shaded(plain), shaded(svg) > 20]).toEqual([0, true]);
  const one = members.find(({ label }) => label === 'Moth 61')!.id;
  const line = ((await sheet({ as: 'svg', of: one })).body as Buffer).toString();
  expect(line).toMatch(/pedigree of (1\d)</);
});

it('or as PDF with its own fonts', async () => {
  const { body, headers } = await sheet({});
  expect(headers['content-type']).toContain('application/pdf');
  expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  expect((body as Buffer).toString('latin1')).toMatch(/SchibstedGrotesk/);
});

it('is refused by the field', async () => {
  expect(refusal(await sheet({ carries: 'pale q' }, 400))).toMatchObject({ field: 'carries', code: 'no-allele' });
  expect(refusal(await sheet({ carries: 'pale' }, 400))).toMatchObject({ field: 'carries', code: 'bad-shape' });
  expect(refusal(await sheet({ of: guideId }, 400))).toMatchObject({ field: 'of', code: 'unknown-individual' });
  const { visitor } = await newStation(server);
  await visitor.get(`/api/guides/${guideId}/colony/pedigree`).expect(404);
  const own = (await visitor.get('/api/guides').expect(200)).body.guides.find(
    ({ slug }: { slug: string }) => slug === 'lantern-moths',
  ).id;
  expect((await visitor.get(`/api/guides/${own}/colony/pedigree`).expect(400)).body).toMatchObject({ code: 'nobody' });
});
