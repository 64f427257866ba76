import { randomUUID } from 'node:crypto';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const put = (path: string, id: string, body: object) =>
  visitor
    .put(`/api/${path}/${id}`)
    .send({ version: 0, hidden: false, ...body })
    .expect(200);

it('places are told by site, by where a catch was, and by where a specimen was seen, as sums by month and kind', async () => {
  const [site, bare, visit, other] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await put('sites', site, { name: 'Spit', licences: [], position: { latitude: 12.5, longitude: -40.25 } });
  await put('sites', bare, { name: 'Nowhere', licences: [] });
  const made = { people: ['Mira'], method: 'watch', overrides: [], startedAt: '2025-06-02T19:00:00Z' };
  await put('visits', visit, { ...made, siteId: site });
  await put('visits', other, { ...made, siteId: bare });
  const capture = { visitId: visit, at: '2025-06-02T20:00:00Z', what: 'unringed', name: 'pip', readings: [], overrides: [] };
  for (const more of [
    {},
    {},
    { at: '2025-07-02T20:00:00Z' },
    { position: { latitude: 12.50004, longitude: -40.2, accuracy: 8 } },
    { visitId: other },
  ])
    await put('captures', randomUUID(), { ...capture, ...more });
  await put('specimens', randomUUID(), write(guideId, { situation: { latitude: 1, longitude: 2, date: '2024-03-01' } }));
  await put('specimens', randomUUID(), write(guideId, { situation: { latitude: 1 } }));
  const { body } = await visitor.get('/api/places').expect(200);
  expect(body.more).toBe(false);
  expect(body.places).toHaveLength(4);
  expect(body.places).toEqual(
    expect.arrayContaining([
      { longitude: -40.25, latitude: 12.5, month: '2025-06', n: 2, siteId: site, name: 'pip' },
      { longitude: -40.25, latitude: 12.5, month: '2025-07', n: 1, siteId: site, name: 'pip' },
      { longitude: -40.2, latitude: 12.5, month: '2025-06', n: 1, name: 'pip' },
      expect.objectContaining({ longitude: 2, latitude: 1, month: '2024-03', n: 1, guideId }),
    ]),
  );
});

describe('the ground', () => {
  const square = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 0],
  ];
  const map = (geometry: object) => ({
    type: 'FeatureCollection',
    features: [{ type: 'Feature', properties: { name: 'Isle' }, geometry }],
  });

  it('is the isles, until the station puts its own there, and again', async () => {
    const isles = (await visitor.get('/api/base-map').expect(200)).body;
    expect(isles.own).toBe(false);
    expect(isles.map.features.length).toBeGreaterThan(5);
    const own = map({ type: 'Polygon', coordinates: [square] });
    const { body } = await visitor.post('/api/base-map').send({ map: own }).expect(200);
    expect(body).toEqual({ own: true, map: own });
    const { visitor: neighbour } = await newStation(server);
    expect((await neighbour.get('/api/base-map').expect(200)).body.own).toBe(false);
    expect((await visitor.post('/api/base-map').send({ map: null }).expect(200)).body).toEqual(isles);
  });

  it.each([
    [map({ type: 'Point', coordinates: [0, 0] }), 'map.features[0].geometry.type'],
    [map({ type: 'Polygon', coordinates: [square.slice(0, 3)] }), 'map.features[0].geometry.coordinates[0]'],
    [map({ type: 'Polygon', coordinates: [[]] }), 'map.features[0].geometry.coordinates[0]'],
    [map({ type: 'MultiPolygon', coordinates: [[[]]] }), 'map.features[0].geometry.coordinates[0][0]'],
    [map({ type: 'Polygon', coordinates: [[...square.slice(0, 3), [5, 5]]] }), 'map.features[0].geometry.coordinates[0]'],
    [
      map({
        type: 'LineString',
        coordinates: [
          [0, 0],
          [200, 0],
        ],
      }),
      'map.features[0].geometry.coordinates[1][0]',
    ],
    [{ type: 'FeatureCollection', features: [] }, 'map.features'],
    [{ type: 'Feature' }, 'map.type'],
  ])('%# that cannot be drawn is refused by field, and what was there stays', async (sent, field) => {
    const { body } = await visitor.post('/api/base-map').send({ map: sent }).expect(400);
    expect(body.field).toBe(field);
    expect((await visitor.get('/api/base-map').expect(200)).body.own).toBe(false);
  });
});
