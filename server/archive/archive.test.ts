import { createHash, randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ArchiveMade, ArchiveRead, Job, StationView, StoredGuide } from '@plesion/contract';
import sharp from 'sharp';
import type { Response } from 'supertest';
import yauzl from 'yauzl';
import yazl from 'yazl';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';
import { widthOf } from '../test/widthOf';
import { columnsOf, FORM_VERSION, PART_NAMES, PARTS, SINCE } from './parts';

const LATER = Object.keys(SINCE);

let there: TestServer;
let here: TestServer;
let folder: string;
let visitor: Visitor;
let archive: string;
beforeAll(async () => {
  [there, here] = [await openTestServer({ works: true }), await openTestServer({ works: true })];
  folder = mkdtempSync(join(tmpdir(), 'plesion-archive-'));
  visitor = await fill(there);
  archive = join(folder, 'station.zip');
  writeFileSync(archive, await fetchArchive(visitor));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await Promise.all([there.close(), here.close()]);
});

/** A station with something of every kind, some of it changed and some hidden. */
async function fill(server: TestServer): Promise<Visitor> {
  const { visitor: own, guideId } = await newStation(server);
  const photo = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#385' } })
    .jpeg()
    .toBuffer();
  const { hash } = (await own.post('/api/photos').attach('photo', photo, 'x.jpg').expect(201)).body as { hash: string };
  const individual = randomUUID();
  await own.put(`/api/individuals/${individual}`).send({ version: 0, label: 'Old one', guideId, hidden: false }).expect(200);
  const named = {
    ...{ id: randomUUID(), qualifier: 'none', taxon: 'murica', facets: {}, by: '', at: '2026-05-12T10:00:00Z', p: 0.9 },
    ...{ recommended: '', overruled: false, guideVersion: 1 },
  };
  const ids = Array.from({ length: 6 }, () => randomUUID());
  for (const [i, id] of ids.entries()) {
    const more = {
      label: `L${i} “İ̇” 🦀\n\t\\u0041`,
      situation: { place: 'Quell reef', date: '2026-05-12', note: i === 2 ? 'line one\nline two' : undefined },
      ...(i === 0
        ? { determinations: [named], photo: hash, individualId: individual, media: [{ id: randomUUID(), kind: 'photo', hash }] }
        : {}),
    };
    await own.put(`/api/specimens/${id}`).send(write(guideId, more)).expect(200);
    if (i === 1)
      await own
        .put(`/api/specimens/${id}`)
        .send(write(guideId, { ...more, version: 1, hidden: true }))
        .expect(200);
  }
  await own
    .put(`/api/measurements/${randomUUID()}`)
    .send(widthOf(ids[0], { photo: hash, size: { width: 300, height: 200 } }))
    .expect(200);
  await own
    .put(`/api/lots/${randomUUID()}`)
    .send({ version: 0, guideId, label: 'Jar 4', specimens: ids.slice(2, 5), hidden: false })
    .expect(200);
  const ask = randomUUID();
  await own.post('/api/opinions').send({ id: ask, specimenId: ids[0], question: 'the edge?' }).expect(201);
  const { token } = (await own.post(`/api/opinions/${ask}/link`).expect(201)).body as { token: string };
  const review = { id: randomUUID(), specimenId: ids[0], determination: named.id, word: 'view', view: 'ventral' };
  await own.post('/api/reviews').send(review).expect(201);
  const remark = {
    id: randomUUID(),
    specimenId: ids[0],
    text: 'here',
    place: { photo: hash, drawn: 'pin', points: [{ x: 0.2, y: 0.3 }] },
  };
  await own.post('/api/conversations').send(remark).expect(201);
  await own
    .post('/api/conversations')
    .send({ id: randomUUID(), specimenId: ids[0], text: 'no, there', replyTo: remark.id })
    .expect(201);
  const answer = { guideId, called: 'velloma', truth: 'murica', text: 'Look at the edge.' };
  await own.put(`/api/answers/${randomUUID()}`).send(answer).expect(200);
  const opinion = { readings: [], note: 'from below it would be told' };
  await own.post(`/api/opinions/links/${token}/answers`).send({ id: randomUUID(), by: 'Ada', opinion }).expect(201);
  await fillField(own, guideId, hash);
  const { guide, version } = (await own.get(`/api/guides/${guideId}`).expect(200)).body as StoredGuide;
  await own
    .put(`/api/guides/${guideId}`)
    .send({ version, guide: { ...guide, title: 'Ledge crabs, again' } })
    .expect(200);
  const draft = randomUUID();
  await own.put(`/api/drafts/${draft}`).send({ guideId }).expect(200);
  const edits = [{ do: 'head', set: { title: 'Crabs anew' } }];
  await own.post(`/api/drafts/${draft}/edits`).send({ batch: randomUUID(), after: 0, edits }).expect(200);
  const { body: letter } = await own
    .post('/api/attachments')
    .attach('file', Buffer.from('what the laboratory wrote'), 'letter.txt')
    .expect(201);
  const file = { hash: (letter as { hash: string }).hash, name: 'letter.txt' };
  const outcome = { kind: 'dissection', taxon: 'murica', wrong: 0.01, on: '2026-05-12', file };
  await own
    .post('/api/verifications')
    .send({ id: randomUUID(), individualId: individual, ...outcome })
    .expect(201);
  return own;
}

/** One of every kind of fieldwork's records. */
async function fillField(own: Visitor, guideId: string, photo: string): Promise<void> {
  const put = (path: string, id: string, body: object) =>
    own
      .put(`/api/${path}/${id}`)
      .send({ version: 0, hidden: false, ...body })
      .expect(200);
  const [siteId, visitId] = [randomUUID(), randomUUID()];
  const at = '2026-05-12T20:00:00Z';
  await put('sites', siteId, { name: 'Long Spit', licences: [] });
  await put('visits', visitId, { siteId, startedAt: at, people: ['Mira'], method: 'watch', overrides: [] });
  const caught = { visitId, at, what: 'ringed', mark: 'H 04501', guideId, taxon: 'murica', readings: [], photo, overrides: [] };
  const capture = randomUUID();
  await put('captures', capture, { ...caught, followUp: { due: '2026-06-01', text: 'look again' } });
  // Named anew, so that there is a correction too.
  await put('captures', capture, { ...caught, version: 1, taxon: 'cinerata' });
  await own.put('/api/station').send({ grid: 0.25 }).expect(200);
  const string = {
    letters: 'H',
    digits: 5,
    first: 4501,
    last: 4600,
    size: 'C',
    ringer: 'Mira',
    loadedOn: '2026-05-01',
    unused: [],
  };
  await put('strings', randomUUID(), string);
  await put('counts', randomUUID(), { kind: 'inventory', label: 'Pen 1', siteId, at, by: 'Mira', tallies: [] });
  const [father, mother] = [randomUUID(), randomUUID()];
  for (const [id, called] of [
    [father, 'male'],
    [mother, 'female'],
  ])
    await put('individuals', id, {
      label: called,
      guideId,
      kept: { sex: { called, certainty: 1 }, weights: [{ on: '2026-05-01', grams: 2 }] },
    });
  const clutches = [{ id: randomUUID(), laid: '2026-05-03', eggs: 6 }];
  await put('pairings', randomUUID(), { guideId, fathers: [father], mothers: [mother], from: '2026-05-01', clutches });
  await put('pens', randomUUID(), { guideId, name: 'Pen 1', holds: 12, place: 'by the door' });
  await put('sheets', randomUUID(), { fields: [{ field: 'age', needed: true }], family: 'letters', families: [] });
}

async function ended(own: Visitor, jobId: string): Promise<Job> {
  for (;;) {
    const { body } = await own.get(`/api/jobs/${jobId}`).expect(200);
    if ((body as Job).state !== 'running') return body as Job;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

async function fetchArchive(own: Visitor): Promise<Buffer> {
  const { jobId } = (await own.post('/api/station/archives').expect(202)).body as { jobId: string };
  const job = await ended(own, jobId);
  expect(job).toMatchObject({ state: 'done', progress: 1 });
  const { archive: id, bytes, content } = job.result as ArchiveMade;
  expect(content).toEqual({
    specimens: 6,
    individuals: 3,
    lots: 1,
    guides: 6,
    keys: expect.any(Number),
    photos: 1,
    measurements: 1,
    visits: 1,
    captures: 1,
    counts: 1,
    changes: expect.any(Number),
  });
  const { body } = await own
    .get(`/api/station/archives/${id}.zip`)
    .buffer()
    .parse(wholeOf)
    .expect(200)
    .expect('content-type', 'application/zip');
  expect((body as Buffer).length).toBe(bytes);
  return body as Buffer;
}

const wholeOf = (response: Response, give: (error: Error | null, body: Buffer) => void) => {
  const parts: Buffer[] = [];
  const stream = response as unknown as NodeJS.ReadableStream;
  stream.on('data', (part: Buffer) => parts.push(part)).on('end', () => give(null, Buffer.concat(parts)));
};

const send = (own: Visitor, path: string) => own.post('/api/station/archives/read').attach('archive', path);
async function readIn(own: Visitor, path: string): Promise<Job> {
  const { jobId } = (await send(own, path).expect(202)).body as { jobId: string };
  return ended(own, jobId);
}

/** Every row of a station, without whose it is and where in the feed. */
async function rowsOf(server: TestServer, own: Visitor): Promise<Record<string, string[]>> {
  const stationId = ((await own.get('/api/session').expect(200)).body as { station: { id: string } }).station.id;
  const { grid } = (await own.get('/api/station').expect(200)).body as { grid: number };
  const rows: Record<string, string[]> = { grid: [String(grid)] };
  for (const name of PART_NAMES) {
    const columns = columnsOf(name).filter((column) => name !== 'changes' || column !== 'seq');
    const { rows: found } = await server.pool.query<{ row: string }>(
      `select row_to_json(one)::text as row from (select ${columns.join(', ')} from ${PARTS[name].table} where station_id = $1 order by ${PARTS[name].order}) one`,
      [stationId],
    );
    rows[name] = found.map(({ row }) => row);
  }
  return rows;
}

async function filesOf(server: TestServer): Promise<Record<string, string>> {
  const files = (await readdir(server.place.files, { recursive: true, withFileTypes: true })).filter((entry) => entry.isFile());
  return Object.fromEntries(
    await Promise.all(
      files.map(async ({ parentPath, name }) => [name, (await readFile(join(parentPath, name))).toString('base64')]),
    ),
  );
}

/** What is in an archive, by name. */
async function unpacked(path: string): Promise<Map<string, Buffer>> {
  const zip = await yauzl.openPromise(path);
  const all = new Map<string, Buffer>();
  for await (const entry of zip.eachEntry()) {
    const parts: Buffer[] = [];
    for await (const part of await zip.openReadStreamPromise(entry)) parts.push(part as Buffer);
    all.set(entry.fileName, Buffer.concat(parts));
  }
  return all;
}

/** An archive of the same station, with something changed in it, as somebody with a zip program would. */
async function changed(change: (all: Map<string, Buffer>) => void, { honest = true } = {}): Promise<string> {
  const all = await unpacked(archive);
  change(all);
  if (honest) {
    const { createHash } = await import('node:crypto');
    const manifest = JSON.parse(all.get('station.json')!.toString()) as {
      parts: Record<string, { rows: number; sha256: string }>;
    };
    for (const name of PART_NAMES) {
      const bytes = all.get(`${name}.jsonl`);
      if (bytes && manifest.parts?.[name])
        manifest.parts[name] = {
          rows: bytes.toString().split('\n').length - 1,
          sha256: createHash('sha256').update(bytes).digest('hex'),
        };
    }
    all.set('station.json', Buffer.from(JSON.stringify(manifest)));
  }
  const zip = new yazl.ZipFile();
  for (const [name, bytes] of all) zip.addBuffer(bytes, name);
  zip.end();
  const parts: Buffer[] = [];
  for await (const part of zip.outputStream) parts.push(part as Buffer);
  const path = join(folder, `${randomUUID()}.zip`);
  writeFileSync(path, Buffer.concat(parts));
  return path;
}

const lines = (all: Map<string, Buffer>, name: string) =>
  all
    .get(name)!
    .toString()
    .trimEnd()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, never>);
const putLines = (all: Map<string, Buffer>, name: string, rows: object[]) =>
  all.set(name, Buffer.from(rows.map((row) => `${JSON.stringify(row)}\n`).join('')));

describe('an archive of a station', () => {
  it('holds every column that a station has', async () => {
    const { rows } = await there.pool.query<{ table: string; column: string }>(
      `select table_name as table, column_name as column from information_schema.columns where table_schema = 'public' and column_name <> 'station_id' and is_generated = 'NEVER'`,
    );
    // Where photos lay before they were files; links, which are good at their own station only; what is between stations.
    const left: Record<string, string[]> = {
      photo: ['original', 'whole', 'thumb'],
      opinion_ask: ['link_hash', 'link_until'],
      guide_sharing: ['offered_at', 'offered_by', 'taken_from', 'taken_version'],
    };
    for (const name of PART_NAMES) {
      const { table } = PARTS[name];
      const columns = rows.filter((one) => one.table === table && !left[table]?.includes(one.column)).map(({ column }) => column);
      expect([name, columnsOf(name).sort()]).toEqual([name, columns.sort()]);
    }
  });

  it('holds every table that has a station’s records', async () => {
    const { rows } = await there.pool.query<{ table: string }>(
      `select table_name as table from information_schema.columns join information_schema.tables using (table_schema, table_name)
       where table_schema = 'public' and column_name = 'station_id' and table_type = 'BASE TABLE'`,
    );
    // Who may come in, and what is worked out anew from the records.
    const others = ['account', 'api_token', 'invitation', 'job', 'judged_call', 'person', 'review_look', 'session'];
    expect(
      rows
        .map(({ table }) => table)
        .filter((table) => !others.includes(table))
        .sort(),
    ).toEqual(PART_NAMES.map((name) => PARTS[name].table).sort());
  });

  it('read into a new station of another server is the original, row by row and byte by byte', async () => {
    const { visitor: own } = await newStation(here);
    const before = ((await own.get('/api/changes?since=0').expect(200)).body as { cursor: number }).cursor;
    const job = await readIn(own, archive);
    expect(job).toMatchObject({ state: 'done' });
    expect((job.result as ArchiveRead).content).toMatchObject({ specimens: 6, lots: 1, photos: 1 });
    const [original, copy] = [await rowsOf(there, visitor), await rowsOf(here, own)];
    expect(original.specimens).toHaveLength(6);
    expect(original.guide_versions).toHaveLength(7);
    expect(copy).toEqual(original);
    const [from, to] = [await filesOf(there), await filesOf(here)];
    expect(Object.keys(to).sort()).toEqual(
      Object.keys(from)
        .filter((name) => !name.endsWith('.zip'))
        .sort(),
    );
    for (const name of Object.keys(to)) expect([name, to[name] === from[name]]).toEqual([name, true]);
    // Devices that followed it go on from where they were.
    const feed = (await own.get(`/api/changes?since=${before}`).expect(200)).body as { changes: unknown[] };
    expect(feed.changes).toHaveLength(original.changes.length);
    const view = (await own.get('/api/station').expect(200)).body as StationView;
    expect(view).toMatchObject({ fresh: false, use: { specimens: { used: 6 } } });
    // It is worked with as the original is.
    const { guides } = (await own.get('/api/guides').expect(200)).body as { guides: { id: string; title: string }[] };
    const guideId = guides.find(({ title }) => title === 'Ledge crabs, again')!.id;
    await own.put(`/api/specimens/${randomUUID()}`).send(write(guideId)).expect(200);
    const list = (await own.get('/api/specimens').expect(200)).body as { total: number };
    expect(list.total).toBe(6);
  });

  it('is read into a station in which nothing was written yet, and no other', async () => {
    const { visitor: own, guideId } = await newStation(here);
    expect((await own.get('/api/station').expect(200)).body).toMatchObject({ fresh: true });
    await own.put(`/api/specimens/${randomUUID()}`).send(write(guideId)).expect(200);
    expect((await own.get('/api/station').expect(200)).body).toMatchObject({ fresh: false });
    expect((await send(own, archive).expect(409)).body).toMatchObject({ code: 'station-not-fresh', field: 'archive' });
  });

  it('is nobody else’s, and gone when another is made', async () => {
    const { visitor: stranger } = await newStation(there);
    const { jobId } = (await visitor.post('/api/station/archives').expect(202)).body as { jobId: string };
    await ended(visitor, jobId);
    await visitor.get(`/api/station/archives/${jobId}.zip`).expect(200);
    await stranger.get(`/api/station/archives/${jobId}.zip`).expect(404);
    const { jobId: next } = (await visitor.post('/api/station/archives').expect(202)).body as { jobId: string };
    await ended(visitor, next);
    await visitor.get(`/api/station/archives/${jobId}.zip`).expect(404);
    expect(Object.keys(await filesOf(there)).filter((name) => name.endsWith('.zip'))).toEqual([`${next}.zip`]);
  });

  it('of the first form, from before there were measurements and fieldwork, is read', async () => {
    const { visitor: reader } = await newStation(here);
    const archive = await changed((all) => {
      for (const name of LATER) all.delete(`${name}.jsonl`);
      const { parts, ...rest } = JSON.parse(all.get('station.json')!.toString()) as { parts: Record<string, unknown> };
      const older = Object.fromEntries(Object.entries(parts).filter(([name]) => !LATER.includes(name)));
      all.set('station.json', Buffer.from(JSON.stringify({ ...rest, parts: older, version: 1 })));
    });
    const job = await readIn(reader, archive);
    expect(job.result).toMatchObject({ content: { specimens: 6, measurements: 0, captures: 0 } });
  });

  it('of the second form, from before photos told whose they are, is read', async () => {
    const { visitor: reader } = await newStation(here);
    const archive = await changed((all) => {
      const manifest = JSON.parse(all.get('station.json')!.toString()) as { parts: Record<string, { sha256: string }> };
      const rows = all.get('media.jsonl')!.toString().trim().split('\n');
      const older = rows.map((row) => {
        const { credit, ...rest } = JSON.parse(row) as { credit: unknown };
        expect(credit).toBeNull();
        return JSON.stringify(rest);
      });
      const media = Buffer.from(`${older.join('\n')}\n`);
      all.set('media.jsonl', media);
      const sha256 = createHash('sha256').update(media).digest('hex');
      const parts = { ...manifest.parts, media: { ...manifest.parts.media, sha256 } };
      for (const name of LATER.filter((one) => one !== 'measurements')) {
        all.delete(`${name}.jsonl`);
        delete (parts as Record<string, unknown>)[name];
      }
      all.set('station.json', Buffer.from(JSON.stringify({ ...manifest, parts, version: 2 })));
    });
    const job = await readIn(reader, archive);
    expect(job).toMatchObject({ state: 'done', result: { content: { specimens: 6 } } });
  });

  const REFUSED: [string, RegExp, (all: Map<string, Buffer>) => void, ...how: { honest: boolean }[]][] = [
    [
      'of a newer form',
      /form \d+, which a newer Plesion made/,
      (all) =>
        all.set(
          'station.json',
          Buffer.from(
            JSON.stringify({ ...(JSON.parse(all.get('station.json')!.toString()) as object), version: FORM_VERSION + 1 }),
          ),
        ),
      { honest: false },
    ],
    ['without its manifest', /not an archive of a Plesion station/, (all) => all.delete('station.json'), { honest: false }],
    [
      'with a row that was changed',
      /specimens\.jsonl is not what was written/,
      (all) => all.set('specimens.jsonl', Buffer.from(all.get('specimens.jsonl')!.toString().replace('Quell', 'Other'))),
      { honest: false },
    ],
    ['that lacks a file', /lots\.jsonl is not what was written/, (all) => all.delete('lots.jsonl')],
    [
      'with a file that does not belong to it',
      /“photos\/x\.html” does not belong/,
      (all) => all.set('photos/x.html', Buffer.from('<script>')),
    ],
    [
      'with lines that are no JSON',
      /lots\.jsonl, line 1: it is not JSON/,
      (all) => all.set('lots.jsonl', Buffer.from('{"id":\n')),
    ],
    [
      'with a value that no record has',
      /specimens\.jsonl, line 1: situation\.latitude/,
      (all) =>
        putLines(
          all,
          'specimens.jsonl',
          lines(all, 'specimens.jsonl').map((row) => ({ ...row, situation: { latitude: 400 } })),
        ),
    ],
    [
      'with a line that is longer than any record',
      /lots\.jsonl has a line that is longer/,
      (all) => all.set('lots.jsonl', Buffer.alloc(65 * 1024 * 1024, 'x')),
    ],
    [
      'with a column too many',
      /individuals\.jsonl, line 1:.*is not known here/,
      (all) =>
        putLines(
          all,
          'individuals.jsonl',
          lines(all, 'individuals.jsonl').map((row) => ({ ...row, station_id: randomUUID() })),
        ),
    ],
    [
      'with a character that no database keeps',
      /lots\.jsonl, line 1:.*NUL/,
      (all) =>
        putLines(
          all,
          'lots.jsonl',
          lines(all, 'lots.jsonl').map((row) => ({ ...row, label: 'a\0' })),
        ),
    ],
    [
      'whose guide is none',
      /guide_versions\.jsonl, line \d+: content\./,
      (all) =>
        putLines(
          all,
          'guide_versions.jsonl',
          lines(all, 'guide_versions.jsonl').map((row) => ({ ...row, content: { ...(row.content as object), taxa: [] } })),
        ),
    ],
    [
      'whose guide is another than its hash says',
      /its hash is not that of its content/,
      (all) =>
        putLines(
          all,
          'guide_versions.jsonl',
          lines(all, 'guide_versions.jsonl').map((row) => ({ ...row, content: { ...(row.content as object), title: 'Other' } })),
        ),
    ],
    [
      'that refers to a specimen it has not',
      /lot_specimens\.jsonl, line 1: its lot or its specimen/,
      (all) =>
        putLines(
          all,
          'lot_specimens.jsonl',
          lines(all, 'lot_specimens.jsonl').map((row) => ({ ...row, specimen_id: randomUUID() })),
        ),
    ],
    [
      'that refers to a photo it has not',
      /specimens\.jsonl, line \d+: photo f{64} is not/,
      (all) =>
        putLines(
          all,
          'specimens.jsonl',
          lines(all, 'specimens.jsonl').map((row) => ({ ...row, photo: 'f'.repeat(64) })),
        ),
    ],
    [
      'whose photo was changed',
      /the original is not what was written/,
      (all) =>
        all.set(
          [...all.keys()].find((name) => name.endsWith('original'))!,
          Buffer.from([0xff, 0xd8, 0xff, 1]),
        ),
    ],
    [
      'whose attachment was changed',
      /attachments\/[0-9a-f]{64}: the file is not what was written/,
      (all) =>
        all.set(
          [...all.keys()].find((name) => name.startsWith('attachments/'))!,
          Buffer.from('what it did not write'),
        ),
    ],
    [
      'that refers to an attachment it has not',
      /verifications\.jsonl, line 1: file f{64} is not in the archive/,
      (all) =>
        putLines(
          all,
          'verifications.jsonl',
          lines(all, 'verifications.jsonl').map((row) => ({ ...row, file_hash: 'f'.repeat(64) })),
        ),
    ],
    [
      'whose photo is a page',
      /what is to be shown is not a JPEG/,
      (all) =>
        all.set(
          [...all.keys()].find((name) => name.endsWith('whole.jpg'))!,
          Buffer.from('<html>'),
        ),
    ],
    [
      'that has a record twice',
      /twice|already|not fit/,
      (all) => putLines(all, 'lots.jsonl', [...lines(all, 'lots.jsonl'), ...lines(all, 'lots.jsonl')]),
    ],
  ];
  it.each(REFUSED)('%s is refused with a sentence, and nothing is read in', async (_, words, change, ...how) => {
    const { visitor: own } = await newStation(here);
    const before = await rowsOf(here, own);
    const job = await readIn(own, await changed(change, ...how));
    expect(job).toMatchObject({ state: 'failed', problem: { field: 'archive', message: expect.stringMatching(words) } });
    expect(job.problem!.message).toMatch(/\.$/);
    expect(await rowsOf(here, own)).toEqual(before);
    expect((await own.get('/api/station').expect(200)).body).toMatchObject({ fresh: true });
  });

  it('that is no zip, cut short, or not there at all, is refused', async () => {
    const { visitor: own } = await newStation(here);
    const path = join(folder, 'other');
    for (const bytes of [Buffer.from('no archive'), Buffer.alloc(0), readFileSync(archive).subarray(0, 5000)]) {
      writeFileSync(path, bytes);
      expect(await readIn(own, path)).toMatchObject({ state: 'failed', problem: { code: 'no-archive' } });
    }
    expect((await own.post('/api/station/archives/read').expect(400)).body).toMatchObject({
      code: 'archive-missing',
      field: 'archive',
    });
    // Nothing of what was sent is left behind.
    expect(Object.keys(await filesOf(here)).filter((name) => name.endsWith('.zip'))).toEqual([]);
  });
});

describe('quotas', () => {
  it('are shown, and held with words', async () => {
    const small = await openTestServer({ works: true, quotas: { specimens: 2, guides: 6, keys: 50, photos: 3000 } });
    try {
      const { visitor: own, guideId } = await newStation(small);
      for (let i = 0; i < 2; i++) await own.put(`/api/specimens/${randomUUID()}`).send(write(guideId)).expect(200);
      const id = randomUUID();
      expect((await own.put(`/api/specimens/${id}`).send(write(guideId)).expect(400)).body).toMatchObject({
        code: 'station-full',
        field: 'specimens',
        message: expect.stringMatching(/may have 2 specimens/),
      });
      await own.get(`/api/specimens/${id}`).expect(404);
      const { guide } = (await own.get(`/api/guides/${guideId}`).expect(200)).body as StoredGuide;
      expect(
        (
          await own
            .post('/api/guides')
            .send({ ...guide, id: 'one-more' })
            .expect(400)
        ).body,
      ).toMatchObject({ code: 'station-full', field: 'guides' });
      const noise = await sharp({
        create: { width: 200, height: 200, channels: 3, background: '#456', noise: { type: 'gaussian', mean: 128, sigma: 60 } },
      })
        .jpeg()
        .toBuffer();
      expect((await own.post('/api/photos').attach('photo', noise, 'x.jpg').expect(400)).body).toMatchObject({
        code: 'station-full',
        field: 'photos',
      });
      expect(await filesOf(small)).toEqual({});
      expect(((await own.get('/api/station').expect(200)).body as StationView).use).toMatchObject({
        specimens: { used: 2, most: 2 },
        photos: { used: 0, most: 3000 },
      });
      const { visitor: next } = await newStation(small);
      expect(await readIn(next, archive)).toMatchObject({
        state: 'failed',
        problem: { code: 'station-full', field: 'specimens' },
      });
    } finally {
      await small.close();
    }
  });
});
