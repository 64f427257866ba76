import { randomUUID } from 'node:crypto';
import type { BookImported, Colony } from '@plesion/contract/colony';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
beforeAll(async () => {
  server = await openTestServer({ demo: true });
});
afterAll(() => server.close());

const mothsOf = async (visitor: Visitor): Promise<string> =>
  ((await visitor.get('/api/guides')).body as { guides: { id: string; slug: string }[] }).guides.find(
    ({ slug }) => slug === 'lantern-moths',
  )!.id;
const begin = async () => {
  const { visitor } = await newStation(server);
  const guideId = await mothsOf(visitor);
  const read = async (sent: object, status = 200) =>
    (await visitor.post(`/api/guides/${guideId}/colony/import`).send(sent).expect(status)).body as BookImported & {
      field: string;
      code: string;
    };
  const book = async () => (await visitor.get(`/api/guides/${guideId}/colony`).expect(200)).body as Colony;
  return { visitor, guideId, read, book };
};
const file = async (visitor: Visitor, guideId: string, query: object) =>
  (await visitor.get(`/api/guides/${guideId}/colony/export`).query(query).expect(200)).text;

it('the demo’s book goes out as CSV, into another station, and is the same there: what each carries too', async () => {
  const demo = server.visitor();
  await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
  const csv = await file(demo, await mothsOf(demo), { as: 'csv' });
  const { visitor, guideId, read, book } = await begin();
  const told = await read({ as: 'csv', text: csv });
  expect(told).toMatchObject({ same: [], otherwise: [], problems: [], taken: false });
  expect((await book()).members).toEqual([]);
  expect((await read({ as: 'csv', text: csv, take: true })).taken).toBe(true);
  const [here, there] = [await book(), (await demo.get(`/api/guides/${await mothsOf(demo)}/colony`).expect(200)).body as Colony];
  expect(here.members.map(({ name }) => name)).toEqual(there.members.map(({ name }) => name));
  expect(here.posterior!.individuals).toEqual(there.posterior!.individuals);
  expect(await file(visitor, guideId, { as: 'csv' })).toBe(csv);
  // A second time brings nothing.
  const again = await read({ as: 'csv', text: csv, take: true });
  expect(again).toMatchObject({ added: [], otherwise: [], taken: false });
  expect(again.same).toHaveLength(there.members.length);
  const { changes } = (await visitor.get('/api/changes?limit=2000').expect(200)).body as { changes: { kind: string }[] };
  expect(changes.filter(({ kind }) => kind === 'individual')).toHaveLength(there.members.length);
});

it('a pedigree file of six columns comes in, and goes out the same', async () => {
  const { visitor, guideId, read, book } = await begin();
  const text = '1 a 0 0 1 1\n1 b 0 0 2 2\n1 c a b 0 1\n';
  expect(await read({ as: 'linkage', text, take: true })).toMatchObject({ added: ['a', 'b', 'c'], taken: true });
  const { members } = await book();
  expect(members[2].kept).toMatchObject({ father: members[0].id, mother: members[1].id, phenotypes: { morph: 'pale' } });
  expect(await file(visitor, guideId, { as: 'linkage' })).toBe(text);
  expect(await read({ as: 'linkage', text: text.replace('1 c a b 0 1', '1 c a b 2 1') })).toMatchObject({
    same: ['a', 'b'],
    otherwise: ['c'],
  });
  expect(await read({ as: 'linkage', text, character: 'hue' }, 400)).toMatchObject({ field: 'character', code: 'no-character' });
  const { body } = await visitor
    .get(`/api/guides/${guideId}/colony/export`)
    .query({ as: 'linkage', character: 'hue' })
    .expect(400);
  expect(body.field).toBe('character');
});

it('nothing is half written: what is wrong is named by line, and the rest stays out too', async () => {
  const { read, book } = await begin();
  const text = 'individual,father,morph\nx,,pale\ny,nobody,pale\nz,,blue\nx,,pale';
  const { problems, taken } = await read({ as: 'csv', text, take: true });
  expect([taken, problems.map(({ line, column }) => [line, column])]).toEqual([
    false,
    [
      [4, 'morph'],
      [5, 'individual'],
      [3, 'father'],
    ],
  ]);
  expect((await book()).members).toEqual([]);
  const many = ['individual', ...Array.from({ length: 2001 }, (_, i) => `m${i}`)].join('\n');
  expect(await read({ as: 'csv', text: many, take: true }, 400)).toMatchObject({ field: 'text', code: 'too-many' });
  expect(await read({ as: 'xml', text: '' }, 400)).toMatchObject({ field: 'as' });
});

it('parents may be in the book already, by name', async () => {
  const { visitor, guideId, read, book } = await begin();
  const id = randomUUID();
  const one = { version: 0, guideId, label: 'old', hidden: false, kept: { sex: { called: 'male', certainty: 1 } } };
  await visitor.put(`/api/individuals/${id}`).send(one).expect(200);
  await read({ as: 'csv', text: 'individual,father\nnew,old', take: true });
  expect((await book()).members.at(-1)!.kept.father).toBe(id);
});

describe('pairings and clutches', () => {
  it('of the demo go out as CSV, into another station after its book, and are the same there with their young', async () => {
    const demo = server.visitor();
    await demo.post('/api/session').send({ name: 'demo', password: 'demo' }).expect(200);
    const from = await mothsOf(demo);
    const [csv, pairs] = [await file(demo, from, { as: 'csv' }), await file(demo, from, { as: 'pairings' })];
    const { visitor, guideId, read, book } = await begin();
    // Nobody of them is in the book yet.
    const early = await read({ as: 'pairings', text: pairs, take: true });
    expect([early.taken, early.problems[0]]).toMatchObject([false, { line: 2, column: 'fathers' }]);
    await read({ as: 'csv', text: csv, take: true });
    const told = await read({ as: 'pairings', text: pairs });
    expect(told).toMatchObject({ same: [], otherwise: [], problems: [], taken: false });
    expect((await book()).pairings).toEqual([]);
    expect((await read({ as: 'pairings', text: pairs, take: true })).taken).toBe(true);
    const there = (await demo.get(`/api/guides/${from}/colony`).expect(200)).body as Colony;
    const here = await book();
    const plain = ({ pairings, members }: Colony) =>
      pairings.map(({ from: since, clutches }) => [
        since,
        clutches.map(({ laid, eggs, id }) => [
          laid,
          eggs,
          members.filter(({ kept }) => kept.clutch === id).map(({ name }) => name),
        ]),
      ]);
    expect(plain(here)).toEqual(plain(there));
    expect(
      plain(here)
        .flatMap(([, clutches]) => clutches as [string, number, string[]][])
        .some(([, , young]) => young.length > 0),
    ).toBe(true);
    expect(await file(visitor, guideId, { as: 'pairings' })).toBe(pairs);
    const again = await read({ as: 'pairings', text: pairs, take: true });
    expect(again).toMatchObject({ added: [], otherwise: [], taken: false });
    expect(again.same).toHaveLength(there.pairings.length);
    const { changes } = (await visitor.get('/api/changes?limit=2000').expect(200)).body as { changes: { kind: string }[] };
    expect(changes.filter(({ kind }) => kind === 'pairing')).toHaveLength(there.pairings.length);
  });

  it('are held against the book: strains kept apart, days, and sexes are named by line and column, and nothing is written', async () => {
    const { read, book } = await begin();
    await read({ as: 'csv', text: 'individual,sex,strain\nq,male,Quell\nn,female,North\nm,female,Quell\n', take: true });
    const head = 'fathers,mothers,from,why mixed,laid,eggs,hatched';
    const wrong = async (...lines: string[]) =>
      (await read({ as: 'pairings', text: [head, ...lines].join('\n'), take: true })).problems.map(({ line, column }) => [
        line,
        column,
      ]);
    expect(await wrong('q,n,2026-05-01,,,,')).toEqual([[2, 'why mixed']]);
    expect(await wrong('q,m,2026-05-01,,,,', 'm,q,2026-05-01,,,,')).toEqual([[3, 'fathers']]);
    expect(await wrong('q,m,2026-05-01,,2026-04-01,4,')).toEqual([[2, 'laid']]);
    expect(await wrong('q,m,2026-05-01,,2026-05-04,4,2026-05-02')).toEqual([[2, 'hatched']]);
    expect((await book()).pairings).toEqual([]);
    expect(await wrong('q,n,2026-05-01,a line of its own,2026-05-04,4,', 'q,m,2026-05-02,,,,')).toEqual([]);
    expect((await book()).pairings).toHaveLength(2);
    // The same pair from the same day is known without an id; said otherwise it stays as it stands.
    const said = await read({ as: 'pairings', text: `${head}\nq,m,2026-05-02,,2026-05-09,3,`, take: true });
    expect([said.otherwise.length, said.taken]).toEqual([1, false]);
  });
});
