import { randomUUID } from 'node:crypto';
import type { CaptureWrite, ImportTried, Job } from '@plesion/contract';
import yauzl from 'yauzl';
import yazl from 'yazl';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
beforeAll(async () => {
  server = await openTestServer({ works: true });
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor } = await newStation(server));
});

async function ended(jobId: string, by = visitor): Promise<Job> {
  for (;;) {
    const { body } = await by.get(`/api/jobs/${jobId}`).expect(200);
    if ((body as Job).state !== 'running') return body as Job;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

async function tried(file: string | Buffer, how: object = {}, by = visitor): Promise<ImportTried> {
  const { body } = await by
    .post('/api/import/dry-run')
    .field('how', JSON.stringify(how))
    .attach('file', Buffer.from(file), 'earlier years.csv')
    .expect(202);
  const job = await ended((body as { jobId: string }).jobId, by);
  if (job.state !== 'done') throw new Error(`${job.problem?.code}: ${job.problem?.message}`);
  return job.result as ImportTried;
}

async function readIn(id: string, by = visitor): Promise<Job> {
  const { body } = await by.post('/api/import').send({ tried: id }).expect(202);
  return ended((body as { jobId: string }).jobId, by);
}

const captures = async (by = visitor): Promise<(CaptureWrite & { id: string; version: number })[]> => {
  const all = [];
  let after: string | undefined;
  do {
    const { body } = await by.get('/api/captures').query({ limit: 500, after }).expect(200);
    all.push(...body.captures);
    after = body.next;
  } while (after);
  return all;
};

const CSV =
  'day,site,ring,species\n2024-05-12,Spit,H 04001,spit tern\n2024-05-13,Spit,H 04001,spit tern\n2024-05-13,Spit,,reed pip\n';
const HOW = { method: 'watch' };

describe('a table of earlier years', () => {
  it('is tried without storing anything, read in whole, and taken back as one', async () => {
    const dry = await tried(CSV, HOW);
    expect(dry).toMatchObject({ file: 'earlier years.csv', rows: 3, sites: 1, visits: 2, captures: 3, wrongLines: 0 });
    expect(dry.sample[0].says).toBe('2024-05-12 · Spit · newly ringed · H 04 · 001 · spit tern');
    expect(await captures()).toEqual([]);

    const job = await readIn(dry.id);
    expect(job).toMatchObject({ state: 'done', result: { sites: 1, visits: 2, captures: 3 } });
    expect((await captures()).map(({ what, mark, name }) => [what, mark, name]).reverse()).toEqual(
      expect.arrayContaining([
        ['ringed', 'H 04001', 'spit tern'],
        ['again', 'H 04001', 'spit tern'],
        ['unringed', undefined, 'reed pip'],
      ]),
    );
    const { body } = await visitor.get('/api/imports').expect(200);
    expect(body.imports).toMatchObject([{ file: 'earlier years.csv', captures: 3 }]);
    const changes = (await visitor.get('/api/changes').query({ limit: 2000 })).body.changes as { kind: string }[];
    expect(changes.filter(({ kind }) => kind === 'capture')).toHaveLength(3);

    const id = (body as { imports: { id: string }[] }).imports[0].id;
    expect((await visitor.post(`/api/imports/${id}/back`).expect(200)).body).toEqual({ captures: 3, kept: 0 });
    expect([await captures(), (await visitor.get('/api/sites')).body.sites]).toEqual([[], []]);
    await visitor.post(`/api/imports/${id}/back`).expect(400);

    // Read in once more, it comes back.
    const again = await readIn((await tried(CSV, HOW)).id);
    expect(again.result).toMatchObject({ sites: 1, visits: 2, captures: 3 });
    expect((await captures()).map(({ version }) => version)).toEqual([3, 3, 3]);
  });

  it('sent twice adds nothing, and what was changed since is neither read over nor taken back', async () => {
    const first = await readIn((await tried(CSV, HOW)).id);
    const one = (await captures()).find(({ what }) => what === 'unringed')!;
    const { id, ...write } = one;
    const kept = ['createdAt', 'updatedAt', 'recordedBy'];
    const sent = Object.fromEntries(Object.entries(write).filter(([name]) => !kept.includes(name)));
    await visitor
      .put(`/api/captures/${id}`)
      .send({ ...sent, note: 'seen again in the book' })
      .expect(200);
    const dry = await tried(`${CSV}2024-05-14,Spit,,reed pip\n`, HOW);
    expect(dry).toMatchObject({ there: 3, captures: 1 });
    expect((await readIn(dry.id)).result).toMatchObject({ captures: 1 });
    const { body } = await visitor.post(`/api/imports/${(first.result as { id: string }).id}/back`).expect(200);
    expect(body).toEqual({ captures: 2, kept: 1 });
    expect((await captures()).map(({ note }) => note).sort()).toEqual(['seen again in the book', undefined]);
  });

  it('leaves a site at which something was counted meanwhile', async () => {
    const made = await readIn((await tried(CSV, HOW)).id);
    const { sites } = (await visitor.get('/api/sites').expect(200)).body as { sites: { id: string; name: string }[] };
    const count = { kind: 'inventory', label: 'Roost', siteId: sites[0].id, at: '2026-05-12T10:00:00Z', by: 'ann', tallies: [] };
    await visitor
      .put(`/api/counts/${randomUUID()}`)
      .send({ version: 0, hidden: false, ...count })
      .expect(200);
    await visitor.post(`/api/imports/${(made.result as { id: string }).id}/back`).expect(200);
    expect((await visitor.get('/api/sites').expect(200)).body.sites).toMatchObject([{ name: 'Spit' }]);
    expect((await visitor.get('/api/visits').expect(200)).body.visits).toEqual([]);
  });

  it('with a line that is wrong is not read in at all, until that is mended; the file is not sent again', async () => {
    const dry = await tried(`${CSV}2024-02-30,Spit,H 04002,spit tern\n`, HOW);
    expect(dry).toMatchObject({ wrongLines: 1, problems: [{ line: 5, code: 'bad-day', column: 'day' }], captures: 3 });
    expect(await readIn(dry.id)).toMatchObject({ state: 'failed', problem: { code: 'lines-wrong' } });
    expect(await captures()).toEqual([]);
    const { body } = await visitor
      .post('/api/import/dry-run')
      .field('from', dry.id)
      .field('how', JSON.stringify({ ...dry.how, leaveOut: [5] }))
      .expect(202);
    const mended = (await ended((body as { jobId: string }).jobId)).result as ImportTried;
    expect(mended).toMatchObject({ wrongLines: 0, captures: 3 });
    expect((await readIn(mended.id)).result).toMatchObject({ captures: 3 });
  });

  it.each([
    ['', {}, 'no-columns'],
    [Buffer.from([1, 0, 2, 0]), {}, 'no-table'],
    [Buffer.from('PK\u0003\u0004 cut short'), {}, 'bad-zip'],
    [CSV, { columns: [{ column: 'ringer', to: 'people' }] }, 'unknown-column'],
  ])('%# is refused with a sentence', async (file, how, code) => {
    await expect(tried(file, how)).rejects.toThrow(code);
  });

  it('of another station is not to be had, and bad words about it are named', async () => {
    const dry = await tried(CSV, HOW);
    const { visitor: other } = await newStation(server);
    await other.post('/api/import').send({ tried: dry.id }).expect(404);
    await other.post('/api/import/dry-run').field('from', dry.id).expect(404);
    const bad = await visitor
      .post('/api/import/dry-run')
      .field('how', '{"offset":"1"}')
      .attach('file', Buffer.from(CSV), 'a.csv');
    expect([bad.status, bad.body.field]).toEqual([400, 'offset']);
    await visitor.post('/api/import/dry-run').field('how', '{').attach('file', Buffer.from(CSV), 'a.csv').expect(400);
    await visitor.post('/api/import/dry-run').expect(400);
    await server.visitor().post('/api/import/dry-run').expect(401);
  });

  it('of 20,000 rows comes in as one, with the captures of each ring in order', async () => {
    const rows = Array.from({ length: 20_000 }, (_, i) => {
      const day = new Date(Date.UTC(2015, 0, 1) + (i % 2003) * 86_400_000).toISOString().slice(0, 10);
      return `${day},Site ${i % 7},H ${String(i % 8_000).padStart(5, '0')},spit tern ${i}`;
    });

    const dry = await tried(`day,site,ring,species\n${rows.join('\n')}\n`, HOW);

    expect(dry).toMatchObject({ rows: 20_000, captures: 20_000, sites: 7, wrongLines: 0 });
    expect(await readIn(dry.id)).toMatchObject({ state: 'done', result: { captures: 20_000 } });

    const { body } = await visitor.get('/api/marks/H 00007').expect(200);
    expect((body.captures as CaptureWrite[]).map(({ what }) => what)).toEqual(['ringed', 'again', 'again']);
  });
});

const zipOf = (files: Record<string, string | Buffer>): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const zip = new yazl.ZipFile();
    for (const [name, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), name);
    zip.end();
    const chunks: Buffer[] = [];
    zip.outputStream.on('data', (chunk: Buffer) => chunks.push(chunk)).on('error', reject);
    zip.outputStream.on('end', () => resolve(Buffer.concat(chunks)));
  });

const filesIn = async (zip: Buffer): Promise<Record<string, string>> => {
  const opened = await yauzl.fromBufferPromise(zip);
  const files: Record<string, string> = {};
  for await (const entry of opened.eachEntry()) {
    const chunks: Buffer[] = [];
    for await (const chunk of await opened.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
    files[entry.fileName] = Buffer.concat(chunks).toString('utf8');
  }
  return files;
};

describe('a Darwin Core archive', () => {
  it('of this station, read into another, gives the same visits and captures', async () => {
    const csv = [
      'day,time,site,lat,lon,ring,species,sex,mass,note',
      '2024-05-12,06:10,Spit,12.5,-40.25,H 04001,spit tern,f,118,"=not a formula, ""quoted""',
      'two lines"',
      '2024-05-12,06:20,Spit,12.5,-40.25,,reed pip,,,',
    ].join('\n');
    await readIn((await tried(csv, { stands: 'as written' })).id);
    const zip = await visitor.get('/api/export/archive.zip').buffer(true).parse(binary).expect(200);
    const { visitor: other } = await newStation(server);
    const dry = await tried(zip.body as Buffer, {}, other);
    expect(dry).toMatchObject({ rows: 2, captures: 2, visits: 1, sites: 1, wrongLines: 0, notUnderstood: [] });
    await readIn(dry.id, other);
    const plain = (all: object[]) => all.map((one) => ({ ...one, createdAt: '', updatedAt: '', recordedBy: '' }));
    expect(plain(await captures(other))).toEqual(plain(await captures()));
    const visits = async (by: Visitor) => plain((await by.get('/api/visits').expect(200)).body.visits as object[]);
    expect(await visits(other)).toEqual(await visits(visitor));
    // Into the station that it came from, it adds nothing.
    expect((await readIn((await tried(zip.body as Buffer)).id)).result).toMatchObject({ captures: 0, visits: 0, sites: 0 });
  });

  it('of others comes in by its terms: tabs, Latin-1, breaks within quotes, columns in any order', async () => {
    const meta = `<?xml version="1.0"?><archive xmlns="http://rs.tdwg.org/dwc/text/">
      <core encoding="ISO-8859-1" fieldsTerminatedBy="\\t" linesTerminatedBy="\\n" fieldsEnclosedBy='"' ignoreHeaderLines="1" rowType="http://rs.tdwg.org/dwc/terms/Occurrence">
        <files><location>occ.txt</location></files><id index="0"/>
        <field index="3" term="http://rs.tdwg.org/dwc/terms/eventDate"/><field index="1" term="http://rs.tdwg.org/dwc/terms/scientificName"/>
        <field index="2" term="http://rs.tdwg.org/dwc/terms/locality"/><field index="4" term="http://rs.tdwg.org/dwc/terms/habitat"/>
        <field index="5" term="http://rs.tdwg.org/dwc/terms/occurrenceStatus"/><field default="Selka" term="http://rs.tdwg.org/dwc/terms/recordedBy"/>
      </core>
      <extension fieldsTerminatedBy="," ignoreHeaderLines="0" rowType="http://rs.tdwg.org/dwc/terms/MeasurementOrFact"><files><location>mof.csv</location></files><coreid index="0"/>
        <field index="1" term="http://rs.tdwg.org/dwc/terms/measurementType"/><field index="2" term="http://rs.tdwg.org/dwc/terms/measurementValue"/><field index="3" term="http://rs.tdwg.org/dwc/terms/measurementUnit"/>
      </extension>
      <extension rowType="http://example.org/Sound"><files><location>sound.csv</location></files><coreid index="0"/></extension>
    </archive>`;
    const occ = [
      'id\tname\tplace\twhen\thabitat\tstatus',
      'a1\tHalistris "sodalis"\t"Ros\u00e9\nCove"\t2023-06-01T05:00Z/2023-06-01T09:00Z\tsand\tpresent',
      'a2\tPetralda murica\tWall\t2023-06-02\trock\tabsent',
    ].join('\n');
    const zip = await zipOf({
      'data/meta.xml': meta,
      'data/occ.txt': Buffer.from(occ, 'latin1'),
      'data/mof.csv': 'a1,weight,118,g\na1,shine,much,\n',
      'data/sound.csv': 'a1,loud\n',
    });
    const dry = await tried(zip, { method: 'watch' });
    expect(dry.how.columns).toEqual([
      { column: 'eventDate', to: 'day' },
      { column: 'scientificName', to: 'kind' },
      { column: 'locality', to: 'site' },
      { column: 'recordedBy', to: 'people' },
      { column: 'weight g', to: 'mass' },
    ]);
    expect(dry.notUnderstood).toEqual([
      'Column “habitat”',
      'Column “shine”',
      '1 occurrences that say a kind was absent',
      'sound.csv: rows of the type “Sound”',
    ]);
    expect(dry).toMatchObject({ rows: 1, captures: 1, wrongLines: 0 });
    await readIn(dry.id);
    expect(await captures()).toMatchObject([
      { at: '2023-06-01T05:00:00Z', mass: 118, name: 'Halistris "sodalis"', what: 'unringed' },
    ]);
    const { body } = await visitor.get('/api/sites').expect(200);
    expect(body.sites).toMatchObject([{ name: 'Rosé\nCove' }]);
  });

  it.each([
    [{ 'meta.xml': '<archive>' }, 'bad-meta'],
    [{ 'meta.xml': '<archive><core><files><location>gone.csv</location></files></core></archive>' }, 'file-missing'],
    [{ 'a.csv': 'a,b\n1,2', 'b.csv': 'a,b\n1,2' }, 'no-meta'],
    [{ 'readme.pdf': 'x' }, 'no-meta'],
  ])('%# that is none is refused', async (files, code) => {
    await expect(tried(await zipOf(files as Record<string, string>))).rejects.toThrow(code);
  });

  it('tells no precise place of a sensitive kind, in no field', async () => {
    const guides = (await visitor.get('/api/guides').expect(200)).body.guides as { id: string; slug: string }[];
    const found: string[] = [];
    for (const { id } of guides) {
      const { guide } = (await visitor.get(`/api/guides/${id}`).expect(200)).body;
      const taxon = (guide.taxa as { id: string; name: string; sensitive?: boolean }[]).find(({ sensitive }) => sensitive);
      if (!taxon) continue;
      found.push(taxon.id);
      const csv = `day,site,lat,lon,species\n2024-05-12,Secret Ledge,12.56789,-40.24321,${taxon.name}\n`;
      await readIn((await tried(csv, { guideId: id, method: 'watch' })).id);
    }
    expect(found.length).toBeGreaterThan(0);
    const zip = await visitor.get('/api/export/archive.zip').buffer(true).parse(binary).expect(200);
    const all = Object.values(await filesIn(zip.body as Buffer)).join('\n');
    expect(all).toContain('urn:uuid:');
    expect(all).not.toMatch(/12\.56|40\.24|Secret Ledge/);
  });
});

function binary(response: unknown, done: (error: Error | null, body: Buffer) => void) {
  const stream = response as NodeJS.ReadableStream;
  const chunks: Buffer[] = [];
  stream.on('data', (chunk: Buffer) => chunks.push(chunk));
  stream.on('end', () => done(null, Buffer.concat(chunks)));
}
