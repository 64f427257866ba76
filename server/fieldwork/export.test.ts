import { randomUUID } from 'node:crypto';
import { ARCHIVE_FILES } from '@plesion/core/formats';
import Papa from 'papaparse';
import yauzl from 'yauzl';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let terns: string;
const [siteId, visitId, quiet] = [randomUUID(), randomUUID(), randomUUID()];
const [first, second] = [randomUUID(), randomUUID()];

const put = (path: string, id: string, body: object) =>
  visitor
    .put(`/api/${path}/${id}`)
    .send({ version: 0, hidden: false, ...body })
    .expect(200);

beforeAll(async () => {
  server = await openTestServer();
  ({ visitor } = await newStation(server));
  const { guides } = (await visitor.get('/api/guides').expect(200)).body as { guides: { id: string; slug: string }[] };
  terns = guides.find(({ slug }) => slug === 'tessary-terns')!.id;
  await put('sites', siteId, {
    name: 'Long "Spit", north',
    licences: [],
    position: { latitude: -41.19321, longitude: -28.05823, accuracy: 10 },
  });
  const visit = { siteId, people: ['Mira', 'Odo'], method: 'watch', effort: { units: 4, hours: 4.5 }, overrides: [] };
  await put('visits', visitId, { ...visit, startedAt: '2026-06-02T19:00:00Z', endedAt: '2026-06-02T23:00:00Z' });
  await put('visits', quiet, { ...visit, startedAt: '2026-06-03T19:00:00Z', note: 'line one\nline two' });
  const capture = { visitId, guideId: terns, taxon: 'sodalis', mark: 'H 04501', overrides: [], readings: [] };
  const wing = { id: 'w', character: 'wing-chord', value: 271, error: 1 };
  await put('captures', first, {
    ...capture,
    at: '2026-06-02T20:00:00Z',
    what: 'ringed',
    age: { family: 'letters', code: 'AHY' },
    sex: 'male',
    mass: 118.5,
    readings: [wing, { id: 's', character: 'saddle', states: ['plain'] }],
  });
  await put('captures', second, { ...capture, at: '2026-06-02T22:00:00Z', what: 'again', note: '=1+1' });
  await put('captures', randomUUID(), {
    visitId,
    at: '2026-06-02T21:00:00Z',
    what: 'other-kind',
    name: 'little owl',
    overrides: [],
    readings: [],
  });
});
afterAll(() => server.close());

const bytes = async (path: string): Promise<Buffer> =>
  (
    await visitor
      .get(path)
      .buffer()
      .parse((response, give) => {
        const parts: Buffer[] = [];
        const stream = response as unknown as NodeJS.ReadableStream;
        stream.on('data', (part: Buffer) => parts.push(part)).on('end', () => give(null, Buffer.concat(parts)));
      })
      .expect(200)
  ).body as Buffer;

/** The files of a zip, by name. */
const filesOf = (zip: Buffer) =>
  new Promise<Map<string, string>>((resolve, reject) => {
    const files = new Map<string, string>();
    yauzl.fromBuffer(zip, { lazyEntries: true }, (error, open) => {
      if (error || !open) return reject(error ?? new Error('no zip'));
      open.on('end', () => resolve(files)).on('error', reject);
      open.on('entry', (entry: yauzl.Entry) =>
        open.openReadStream(entry, (wrong, stream) => {
          if (wrong || !stream) return reject(wrong ?? new Error('no stream'));
          const parts: Buffer[] = [];
          stream
            .on('data', (part: Buffer) => parts.push(part))
            .on('end', () => {
              files.set(entry.fileName, Buffer.concat(parts).toString());
              open.readEntry();
            });
        }),
      );
      open.readEntry();
    });
  });
const rowsOf = (text: string) => Papa.parse<Record<string, string>>(text.trimEnd(), { header: true }).data;

describe('the Darwin Core archive', () => {
  it('describes its files as they are: every column where meta.xml says', async () => {
    const files = await filesOf(await bytes('/api/export/archive.zip'));
    const meta = files.get('meta.xml')!;
    expect([...files.keys()].sort()).toEqual(
      ['eml.xml', 'meta.xml', ...Object.keys(ARCHIVE_FILES).map((name) => `${name}.csv`)].sort(),
    );
    const events = new Set(rowsOf(files.get('event.csv')!).map(({ eventID }) => eventID));
    const parts = [...meta.matchAll(/<(core|extension) [\s\S]*?<\/\1>/g)].map(([part]) => part);
    expect(parts).toHaveLength(Object.keys(ARCHIVE_FILES).length);
    for (const part of parts) {
      const text = files.get(/<location>(.+)<\/location>/.exec(part)![1])!;
      const columns = text.split('\r\n')[0].split(',');
      const fields = [...part.matchAll(/<field index="(\d+)" term="([^"]+)"/g)];
      expect(fields).toHaveLength(columns.length);
      for (const [, index, term] of fields) expect(term.split('/').at(-1)).toBe(columns[Number(index)]);
      // What belongs to an event is told by the first column.
      expect(part).toMatch(/<(id|coreid) index="0"/);
      for (const row of rowsOf(text)) expect(events).toContain(row.eventID);
    }
  });

  it('says what was done, caught, measured, and which are one individual', async () => {
    const files = await filesOf(await bytes('/api/export/archive.zip'));
    expect(rowsOf(files.get('event.csv')!)).toMatchObject([
      {
        eventID: `urn:uuid:${visitId}`,
        eventDate: '2026-06-02T19:00:00Z/2026-06-02T23:00:00Z',
        samplingProtocol: 'watching only',
        sampleSizeValue: '18',
        locality: 'Long "Spit", north',
        decimalLatitude: '-41.19321',
        recordedBy: 'Mira | Odo',
        dataGeneralizations: '',
      },
      { eventID: `urn:uuid:${quiet}`, eventRemarks: 'line one\nline two' },
    ]);
    const occurrences = rowsOf(files.get('occurrence.csv')!);
    expect(occurrences.map(({ scientificName }) => scientificName)).toEqual([
      'Halistris sodalis',
      'little owl',
      'Halistris sodalis',
    ]);
    expect(occurrences[0]).toMatchObject({
      sex: 'male',
      lifeStage: 'after its hatching year',
      organismID: 'H 04501',
      taxonRank: 'species',
    });
    // Nothing is run as a formula by a spreadsheet.
    expect(occurrences[2].occurrenceRemarks).toBe('met again; =1+1');
    expect(
      rowsOf(files.get('measurementorfact.csv')!).map((row) => [
        row.measurementType,
        row.measurementValue,
        row.measurementUnit,
        row.measurementAccuracy,
      ]),
    ).toEqual([
      ['mass', '118.5', 'g', ''],
      ['Wing chord', '271', 'mm', '1'],
      ['Feathers of the back', 'plain', '', ''],
    ]);
    expect(rowsOf(files.get('resourcerelationship.csv')!)).toMatchObject([
      { resourceID: `urn:uuid:${second}`, relatedResourceID: `urn:uuid:${first}`, relationshipOfResource: 'same individual as' },
    ]);
    expect(files.get('eml.xml')).toMatch(/<title>Fieldwork of station/);
  });

  it('tells places of sensitive taxa coarsely, in both exports', async () => {
    const stored = (await visitor.get(`/api/guides/${terns}`).expect(200)).body as {
      version: number;
      guide: { taxa: { id: string }[] };
    };
    const taxa = stored.guide.taxa.map((taxon) => (taxon.id === 'sodalis' ? { ...taxon, sensitive: true } : taxon));
    await visitor
      .put(`/api/guides/${terns}`)
      .send({ version: stored.version, guide: { ...stored.guide, taxa } })
      .expect(200);
    const files = await filesOf(await bytes('/api/export/archive.zip'));
    const [event, other] = rowsOf(files.get('event.csv')!);
    expect(event).toMatchObject({
      decimalLatitude: '-41.2',
      decimalLongitude: '-28.1',
      locality: '',
      coordinateUncertaintyInMeters: '',
    });
    expect(event.dataGeneralizations).toMatch(/rounded to 0.1 degrees, locality withheld/);
    expect(other.decimalLatitude).toBe('-41.19321');
    for (const text of [...files.values()])
      expect(
        text
          .split('\r\n')
          .filter((line) => line.includes(visitId))
          .join(),
      ).not.toMatch(/41\.19|Spit/);
    const { features } = JSON.parse((await bytes('/api/export/occurrences.geojson')).toString()) as {
      features: { geometry: { coordinates: number[] }; properties: { dataGeneralizations?: string } }[];
    };
    expect(features).toHaveLength(3);
    for (const { geometry, properties } of features) {
      expect(geometry.coordinates).toEqual([-28.1, -41.2]);
      expect(properties.dataGeneralizations).toMatch(/Sensitive taxon/);
    }
    // On the grid that the station sets, in every file.
    const { body } = await visitor.put('/api/station').send({ grid: 0.2 }).expect(400);
    expect(body).toMatchObject({ field: 'grid' });
    await visitor.put('/api/station').send({ grid: 0.5 }).expect(200);
    expect((await visitor.get('/api/station').expect(200)).body).toMatchObject({ grid: 0.5 });
    const [wide] = rowsOf((await filesOf(await bytes('/api/export/archive.zip'))).get('event.csv')!);
    expect(wide).toMatchObject({ decimalLatitude: '-41', decimalLongitude: '-28' });
    expect(wide.dataGeneralizations).toMatch(/rounded to 0.5 degrees/);
    const points = JSON.parse((await bytes('/api/export/occurrences.geojson')).toString()) as {
      features: { geometry: { coordinates: number[] } }[];
    };
    for (const { geometry } of points.features) expect(geometry.coordinates).toEqual([-28, -41]);
    await visitor.put('/api/station').send({ grid: 0.1 }).expect(200);
  });

  it('of a station without fieldwork is empty, and well formed', async () => {
    const { visitor: other } = await newStation(server);
    const points = await other
      .get('/api/export/occurrences.geojson')
      .buffer()
      .parse((response, give) => {
        let text = '';
        (response as unknown as NodeJS.ReadableStream)
          .on('data', (part: Buffer) => (text += part.toString()))
          .on('end', () => give(null, text));
      });
    expect(JSON.parse(points.body as string)).toEqual({ type: 'FeatureCollection', features: [] });
    const answer = await other.get('/api/export/archive.zip').buffer().expect(200);
    expect(answer.headers['content-type']).toBe('application/zip');
  });
});
