import sharp from 'sharp';
import { newStation, openTestServer, type TestServer } from '../test/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());

describe('a first look', () => {
  it('puts a photographed tern, unread, into an empty daybook, and only once', async () => {
    const { visitor } = await newStation(server);
    const { body: made } = await visitor.post('/api/first-look').expect(201);
    expect(made).toMatchObject({
      label: 'Pier tern',
      readings: [],
      determinations: [],
      situation: { subject: 'photograph', views: ['perched'] },
    });
    const { body: again } = await visitor.post('/api/first-look').expect(201);
    expect(again.id).toBe(made.id);
    const { body: list } = await visitor.get('/api/specimens').expect(200);
    expect(list.total).toBe(1);
    const { body: photo } = await visitor.get(`/api/photos/${made.photo}`).buffer(true).expect(200);
    expect(await sharp(photo as Buffer).metadata()).toMatchObject({ width: 1200, height: 860 });
  });

  it('leads to a standing that moves with three characters, and is told why it is not yet a name', async () => {
    const { visitor } = await newStation(server);
    const { body: made } = await visitor.post('/api/first-look').expect(201);
    const stand = async (readings: object[]) =>
      (await visitor.post(`/api/guides/${made.guideId}/standing`).send({ situation: made.situation, readings }).expect(200)).body;
    const readings = [
      { id: '1', character: 'cap', states: ['full'] },
      { id: '2', character: 'bill-tip', states: ['dark'] },
      { id: '3', character: 'leg-colour', states: ['red'] },
    ];
    const before = await stand([]);
    const after = await stand(readings);
    expect(after.beam.left.p).toBeGreaterThan(before.beam.left.p);
    expect(after.forms[0].form).toMatch(/^sodalis|^consors/);
    expect(after.call.kind).not.toBe('taxon');
    expect(after.call.text.length).toBeGreaterThan(20);
  });

  it('needs a session', () => server.visitor().post('/api/first-look').expect(401));
});
