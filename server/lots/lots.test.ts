import { randomUUID } from 'node:crypto';
import { demoKeys } from '@plesion/demo';
import { loadDemo } from '../demo';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
const specimens = [randomUUID(), randomUUID()];
beforeAll(async () => {
  server = await openTestServer({ demo: true });
  ({ visitor, guideId } = await newStation(server));
  for (const id of specimens) await visitor.put(`/api/specimens/${id}`).send(write(guideId)).expect(200);
});
afterAll(() => server.close());

const lot = (more: object = {}) => ({ version: 0, guideId, label: 'Ledge 4', specimens, hidden: false, ...more });

describe('a lot', () => {
  it('is kept with its specimens in order, and changed by version', async () => {
    const id = randomUUID();
    const put = (body: object) => visitor.put(`/api/lots/${id}`).send(body);
    expect((await put(lot()).expect(200)).body).toMatchObject({ id, version: 1, specimens });
    const turned = lot({ version: 1, specimens: [...specimens].reverse(), note: 'two sexes' });
    expect((await put(turned).expect(200)).body).toMatchObject({ version: 2, note: 'two sexes' });
    expect((await put(turned).expect(200)).body.version).toBe(2);
    expect((await put(lot({ version: 1, label: 'other' })).expect(409)).body).toMatchObject({
      code: 'stale-version',
      stored: { version: 2 },
    });
    expect((await visitor.get(`/api/lots/${id}`).expect(200)).body.specimens).toEqual([...specimens].reverse());
    expect((await visitor.get('/api/lots').expect(200)).body.lots).toHaveLength(1);
  });

  it.each([
    [{ label: ' ' }, 'bad-shape', 'label'],
    [{ specimens: [specimens[0], specimens[0]] }, 'specimen-twice', 'specimens'],
    [{ specimens: [specimens[0], '0192f3a0-0000-7001-8000-000000000009'] }, 'unknown-specimen', 'specimens[1]'],
    [{ guideId: '0192f3a0-0000-7001-8000-000000000009' }, 'unknown-guide', 'guideId'],
    [{ walk: { keyId: '0192f3a0-0000-7001-8000-000000000009', keyVersion: 1, answers: [] } }, 'unknown-key', 'walk.keyId'],
  ])('with %j is refused, and nothing of it is saved', async (more, code, field) => {
    const id = randomUUID();
    expect((await visitor.put(`/api/lots/${id}`).send(lot(more)).expect(400)).body).toMatchObject({ code, field });
    await visitor.get(`/api/lots/${id}`).expect(404);
  });

  it('of another station is not there', async () => {
    const id = randomUUID();
    await visitor.put(`/api/lots/${id}`).send(lot()).expect(200);
    const other = await newStation(server);
    await other.visitor.get(`/api/lots/${id}`).expect(404);
    await other.visitor
      .put(`/api/lots/${id}`)
      .send(lot({ version: 1, guideId: other.guideId, specimens: [] }))
      .expect(404);
  });
});

describe('the demo station', () => {
  it('has its beetle lots once, however often it is started', async () => {
    await loadDemo(server.orm.em.fork(), server);
    const demo = server.visitor();
    await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
    const { lots } = (await demo.get('/api/lots').expect(200)).body as { lots: { label: string; specimens: string[] }[] };
    expect(lots.map(({ label, specimens: own }) => [label, own.length]).sort()).toEqual([
      ['D2, three from the dunes', 3],
      ['W7, four from one pitfall', 4],
    ]);
    // And the one that was read in from print.
    expect((await demo.get('/api/keys').expect(200)).body.keys).toHaveLength(demoKeys.length + 1);
  });
});
