import { randomUUID } from 'node:crypto';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
});
afterAll(() => server.close());

const BIB = `@book{vask84, author={Vask, Edda and {The Tessary Station}}, title={A handbook of \\emph{Petralda}}, year={1984}, publisher={Quell Press}}
@article{dun09, author={I. Dunmarrow}, title={Petralda revised: no subspecies \\& more}, journal={Annals}, volume={12}, pages={41--77}, year=2009}`;
const read = (text: unknown) => visitor.post('/api/citations').send({ text });

it('BibTeX is read, made sources of a draft, and goes out again as BibTeX and CSL-JSON that say the same', async () => {
  const { body } = await read(BIB).expect(200);
  expect(body.sources.map(({ label, citation, kind }: Record<string, string>) => [label, citation, kind])).toEqual([
    ['Vask 1984', 'E. Vask & The Tessary Station, 1984. A handbook of Petralda. Quell Press.', 'book'],
    ['Dunmarrow 2009', 'I. Dunmarrow, 2009. Petralda revised: no subspecies & more. Annals 12: 41–77.', 'paper'],
  ]);
  const id = randomUUID();
  await visitor.put(`/api/drafts/${id}`).send({ title: 'Ledges' }).expect(200);
  const edits = body.sources.map((source: object, i: number) => ({ do: 'source', source: { ...source, id: `s${i}` } }));
  await visitor.post(`/api/drafts/${id}/edits`).send({ batch: randomUUID(), after: 0, edits }).expect(200);
  const bib = await visitor
    .get(`/api/drafts/${id}/citations?as=bibtex`)
    .expect(200)
    .expect('content-disposition', /sources\.bib/);
  const again = await read(bib.text).expect(200);
  const said = (sources: { citation: string }[]) => sources.map(({ citation }) => citation);
  expect(said(again.body.sources).slice(1)).toEqual(said(body.sources));
  const csl = await visitor
    .get(`/api/drafts/${id}/citations?as=csl`)
    .expect(200)
    .expect('content-disposition', /sources\.json/);
  const items = JSON.parse(csl.text) as { id: string; type: string }[];
  expect(items.map((item) => [item.id, item.type])).toEqual([
    ['own', 'document'],
    ['s0', 'book'],
    ['s1', 'article-journal'],
  ]);
  expect(said((await read(csl.text).expect(200)).body.sources).slice(1)).toEqual(said(body.sources));
});

it.each<[string, unknown, string]>([
  ['BibTeX cut short', '@book{a, title={b}}\n\n@book{x, title={a', 'not-bibtex'],
  ['words', 'no literature at all', 'no-literature'],
  ['an empty list', '[]', 'no-literature'],
  ['broken JSON', '[{ "type": "book" ', 'not-json'],
  ['items that are none', '[{ "type": 4 }]', 'bad-item'],
  ['lists in lists', '[[1]]', 'bad-item'],
  ['too many', JSON.stringify(Array.from({ length: 1001 }, () => ({ type: 'book' }))), 'too-many'],
  ['nothing', '', 'bad-shape'],
])('%s is refused by the name of the field, and what to do', async (_, text, code) => {
  const { body } = await read(text).expect(400);
  expect([body.code, body.field]).toEqual([code, 'text']);
  expect(body.message.length).toBeGreaterThan(10);
});

it('of BibTeX that is broken it is said in which line', async () => {
  expect((await read('@book{a, title={b}}\n\n@book{x, title={a').expect(400)).body.message).toContain('line 3');
});

it('a draft of another station is not to be had', async () => {
  const id = randomUUID();
  const other = await newStation(server);
  await other.visitor.put(`/api/drafts/${id}`).send({ title: 'Theirs' }).expect(200);
  await visitor.get(`/api/drafts/${id}/citations?as=csl`).expect(404);
});
