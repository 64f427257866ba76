import { randomUUID } from 'node:crypto';
import type { AuditList } from '@plesion/contract/audit';
import type { EarlierState } from '@plesion/contract/earlier';
import { demoGuides, demoKeys } from '@plesion/demo';
import { widthOf } from '../test/widthOf';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

const at = (kind: string, id: string, version: number) => `/api/earlier/${kind}/${id}/${version}`;
const earlier = async (kind: string, id: string, version: number) =>
  (await visitor.get(at(kind, id, version)).expect(200)).body as EarlierState;
const put = async (path: string, id: string, sent: object) =>
  (await visitor.put(`/api/${path}/${id}`).send(sent).expect(200)).body as Record<string, unknown> & { version: number };

const NAME = {
  qualifier: 'none',
  facets: {},
  by: 'me',
  at: '2026-05-12T10:00:00Z',
  p: 0.9,
  recommended: '',
  overruled: false,
  guideVersion: 1,
};
const SITE = { version: 0, hidden: false, name: 'Tolmar stacks', licences: [] };

/** Each kind: what it is made as, and how it is changed then. */
const kinds = async (): Promise<[kind: string, path: string, made: object, changed: object][]> => {
  const [specimenId, siteId, visitId] = [randomUUID(), randomUUID(), randomUUID()];
  await put('specimens', specimenId, write(guideId));
  await put('sites', siteId, SITE);
  const visit = {
    version: 0,
    hidden: false,
    siteId,
    method: 'watch',
    startedAt: '2026-05-12T10:00:00Z',
    people: ['Mira'],
    overrides: [],
  };
  await put('visits', visitId, visit);
  return [
    ['specimen', 'specimens', write(guideId, { label: 'as it was' }), { label: 'changed', hidden: true }],
    ['lot', 'lots', { version: 0, guideId, label: 'as it was', specimens: [specimenId], hidden: false }, { specimens: [] }],
    ['individual', 'individuals', { version: 0, label: 'as it was', hidden: false }, { label: 'changed' }],
    ['site', 'sites', SITE, { name: 'changed', hidden: true }],
    ['visit', 'visits', visit, { people: ['Mira', 'Tolmar'] }],
    [
      'capture',
      'captures',
      {
        version: 0,
        hidden: false,
        visitId,
        at: '2026-05-12T11:00:00Z',
        what: 'ringed',
        mark: 'H 00012',
        readings: [],
        overrides: [],
      },
      { mark: 'H 00013' },
    ],
    [
      'string',
      'strings',
      {
        ...{ version: 0, hidden: false, letters: 'R', digits: 4, first: 101, last: 110, size: 'C' },
        ringer: 'Mira',
        loadedOn: '2026-05-01',
        unused: [],
      },
      { last: 120 },
    ],
    [
      'count',
      'counts',
      { version: 0, hidden: false, kind: 'inventory', label: 'Pen 3', at: '2026-05-12T11:00:00Z', by: 'Mira', tallies: [] },
      { by: 'Tolmar' },
    ],
    [
      'sheet',
      'sheets',
      { version: 0, hidden: false, fields: [{ field: 'mass', needed: true }], family: 'calendar', families: [] },
      { fields: [{ field: 'mass', needed: false }] },
    ],
    ['measurement', 'measurements', { ...widthOf(specimenId) }, { note: 'changed' }],
  ];
};

it('every kind of record is put back as it was: a version more, with a line of its own', async () => {
  for (const [kind, path, made, changed] of await kinds()) {
    const id = randomUUID();
    const first = await put(path, id, made);
    const second = await put(path, id, { ...made, ...changed, version: 1 });
    expect(second.version).toBe(2);
    const state = await earlier(kind, id, 1);
    expect(state).toMatchObject({ version: 2, now: changed });
    expect(state.then).toEqual(JSON.parse(JSON.stringify(first)));
    expect(
      (
        await visitor
          .put(at(kind, id, 1))
          .send({ version: 2 })
          .expect(200)
      ).body,
    ).toEqual({ version: 3 });
    const now = (await visitor.get(`/api/${path}/${id}`).expect(200)).body as object;
    expect([kind, now]).toEqual([kind, { ...first, version: 3, updatedAt: expect.any(String) }]);
    const { lines } = (await visitor.get(`/api/audit?record=${id}`).expect(200)).body as AuditList;
    expect(lines.map((line) => line.version)).toEqual([3, 2, 1]);
    expect(lines[0]).toMatchObject({ act: 'changed', fields: expect.arrayContaining([Object.keys(changed)[0]]) });
    // And what was there in between is still to be had.
    expect((await earlier(kind, id, 2)).then).toMatchObject(changed);
  }
});

it('the names of a specimen stay, and are not in what is put back', async () => {
  const id = randomUUID();
  const name = { ...NAME, id: randomUUID(), taxon: 'murica' };
  await put('specimens', id, write(guideId, { label: 'one' }));
  await put('specimens', id, write(guideId, { version: 1, label: 'two', determinations: [name] }));
  await visitor
    .put(at('specimen', id, 1))
    .send({ version: 2 })
    .expect(200);
  const { body } = await visitor.get(`/api/specimens/${id}`).expect(200);
  expect(body).toMatchObject({ version: 3, label: 'one', determinations: [{ id: name.id, taxon: 'murica' }] });
});

it('guides and keys go back to a version of theirs', async () => {
  const guide = demoGuides.find(({ id }) => id === 'ledge-crabs')!;
  await put('guides', guideId, { version: 1, guide: { ...guide, title: 'another title' } });
  expect((await earlier('guide', guideId, 1)).then).toMatchObject({ guide: { title: guide.title } });
  await visitor
    .put(at('guide', guideId, 1))
    .send({ version: 2 })
    .expect(200);
  expect((await visitor.get(`/api/guides/${guideId}`)).body).toMatchObject({ version: 3, guide: { title: guide.title } });
  const [id, [key]] = [randomUUID(), demoKeys];
  await put('keys', id, { version: 0, key, hidden: false });
  await put('keys', id, { version: 1, key: { ...key, title: 'changed' }, hidden: false });
  await visitor
    .put(at('key', id, 1))
    .send({ version: 2 })
    .expect(200);
  expect((await visitor.get(`/api/keys/${id}`)).body).toMatchObject({ version: 3, key: { title: key.title } });
});

it('is refused where it was changed since, was not kept, is another’s, or is not one’s to write', async () => {
  const id = randomUUID();
  await put('specimens', id, write(guideId, { label: 'one' }));
  await put('specimens', id, write(guideId, { version: 1, label: 'two' }));
  const stale = await visitor
    .put(at('specimen', id, 1))
    .send({ version: 1 })
    .expect(409);
  expect(stale.body).toMatchObject({ code: 'stale-version', stored: { label: 'two' }, sent: { label: 'one' } });
  expect((await visitor.get(at('specimen', id, 7)).expect(404)).body.message).toMatch(/version/);
  for (const [path, field] of [
    [at('rumour', id, 1), 'kind'],
    [at('specimen', 'x', 1), 'id'],
    [at('specimen', id, 0), 'version'],
  ])
    expect((await visitor.get(path).expect(400)).body.field).toContain(field);
  const { visitor: stranger } = await newStation(server);
  await stranger.get(at('specimen', id, 1)).expect(404);
  await stranger
    .put(at('specimen', id, 1))
    .send({ version: 2 })
    .expect(404);
  const { visitor: learner } = await join(server, visitor, 'learner');
  await learner.get(at('specimen', id, 1)).expect(200);
  await learner
    .put(at('specimen', id, 1))
    .send({ version: 2 })
    .expect(403);
  expect((await visitor.get(`/api/specimens/${id}`)).body).toMatchObject({ version: 2, label: 'two' });
});

it('a specimen whose guide is not what it was is checked like any other, and nothing is half saved', async () => {
  const id = randomUUID();
  const readings = [{ character: 'granules', states: ['dense'] }];
  await put('specimens', id, write(guideId, { readings }));
  await put('specimens', id, write(guideId, { version: 1 }));
  const guide = demoGuides.find((one) => one.id === 'ledge-crabs')!;
  const { version } = (await visitor.get(`/api/guides/${guideId}`).expect(200)).body as { version: number };
  const renamed = JSON.parse(JSON.stringify(guide).replaceAll('"granules"', '"grains"')) as object;
  await put('guides', guideId, { version, guide: renamed });
  const refused = await visitor
    .put(at('specimen', id, 1))
    .send({ version: 2 })
    .expect(400);
  expect(refused.body.field).toMatch(/^readings\[0\]/);
  expect((await visitor.get(`/api/specimens/${id}`)).body).toMatchObject({ version: 2, readings: [] });
});

it('tells from which device each thing was done', async () => {
  const { visitor: own, guideId: guide } = await newStation(server);
  const phone = server.visitor();
  const name = ((await own.get('/api/session')).body as { account: { name: string } }).account.name;
  await phone.post('/api/session').set('user-agent', 'Linux; Android 15').send({ name, password: 'long enough' }).expect(200);
  const id = randomUUID();
  await phone.put(`/api/specimens/${id}`).send(write(guide)).expect(200);
  const { token } = (await own.post('/api/account/tokens').send({ name: 'weather hut', scope: 'write' }).expect(201)).body as {
    token: string;
  };
  await server
    .visitor()
    .put(`/api/specimens/${id}`)
    .set('authorization', `Bearer ${token}`)
    .send(write(guide, { version: 1, label: 'by a script' }))
    .expect(200);
  const { lines } = (await own.get(`/api/audit?record=${id}`).expect(200)).body as AuditList;
  expect(lines.map(({ device }) => device)).toEqual([
    'API token “weather hut”',
    expect.stringMatching(/^Phone or tablet, signed in \d{4}-\d\d-\d\dT\d\d:\d\dZ$/),
  ]);
});
