import type { StoredGuide } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
  visitor = server.visitor();
  await visitor.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
});
afterAll(() => server.close());

async function ternsOf(own: Visitor): Promise<Guide> {
  const { guides } = (await own.get('/api/guides').expect(200)).body as { guides: { id: string; slug: string }[] };
  const { id } = guides.find(({ slug }) => slug === 'tessary-terns')!;
  return ((await own.get(`/api/guides/${id}`).expect(200)).body as StoredGuide).guide;
}

it('the demo’s terns are photographed: whose, on what terms, with what is pointed at on the bird itself', async () => {
  const guide = await ternsOf(visitor);
  const { figures = [] } = guide;
  expect(figures.map(({ taxon }) => taxon)).toEqual(['sodalis', 'consors', 'furtiva']);
  for (const { photo, credit, licence, caption, pins = [], facets, width, height } of figures) {
    expect([credit, caption].every(Boolean)).toBe(true);
    expect(licence).toBe('CC-BY-4.0');
    expect(facets).toMatchObject({ stage: ['adult'] });
    const file = await visitor.get(`/api/photos/${photo}`).query({ size: 'whole' }).expect(200);
    expect(file.headers['content-type']).toBe('image/jpeg');
    expect(width / height).toBeCloseTo(4 / 3, 2);
    expect(pins).toHaveLength(2);
  }
  // In its own millimetres the drawing says where a part lies: the tip of the tail is right of the legs, the bill left of them.
  const [sodalis, , furtiva] = figures;
  const at = ({ pins = [] }: (typeof figures)[number], character: string) => pins.find((pin) => pin.character === character)!;
  expect(at(sodalis, 'tail-reach').x).toBeGreaterThan(at(sodalis, 'leg-ratio').x + 0.2);
  expect(at(furtiva, 'bill-shape').x).toBeLessThan(at(furtiva, 'leg-ratio').x - 0.1);
  expect(at(sodalis, 'leg-ratio').y).toBeGreaterThan(0.5);
});

it('a new station begins with the guide and no photographs, which are not its own', async () => {
  const { visitor: own } = await newStation(server);
  expect((await ternsOf(own)).figures).toBeUndefined();
});
