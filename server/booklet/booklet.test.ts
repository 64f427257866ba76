import { randomUUID } from 'node:crypto';
import type { Job } from '@plesion/contract';
import { JobEntity } from '../database/entities';
import { compileGuide, type Guide } from '@plesion/core/guide';
import { makeKey } from '@plesion/core/keys';
import { bogUmbels, demoGuides, ledgeCrabs, oarCaps } from '@plesion/demo';
import type { Page } from '../print/items';
import { newStation, openTestServer, type TestServer, type Visitor } from '../test/testServer';
import { bookletOf } from './booklet';
import { EDGE, HEIGHT, WIDTH } from './sheet';
import { widthOf } from '../print/fonts';

const keyOf = (guide: Guide) => {
  const made = makeKey(compileGuide(guide), { purpose: 'bench', confirm: 1 });
  return made.ok ? made.value.key : undefined;
};
const wordsOn = ({ items }: Page) => items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])).join('\n');

it.each([...demoGuides, oarCaps].map((guide) => [guide.id, guide] as const))(
  '%s: each kind is on the page that is named, and nothing runs off',
  (_, guide) => {
    const pages = bookletOf(guide, 3, keyOf(guide));
    const told = guide.taxa.filter(({ forms }) => forms);
    const plates = pages.map(wordsOn);
    expect(plates[0]).toContain('version 3');
    expect(plates[0]).toContain('Take care');
    for (const { name } of told) {
      // In the index each has the number of a page that it stands on.
      const index = pages.findLast(({ items }) => items.some((item) => item.kind === 'text' && item.text === name))!;
      const at = index.items.findIndex((item) => item.kind === 'text' && item.text === name);
      const number = index.items[at + 1];
      expect(number.kind === 'text' && plates[Number(number.text) - 1]).toContain(name);
    }
    for (const { citation } of guide.sources) expect(plates.join(' ').replace(/\s+/g, ' ')).toContain(citation.split(' ')[0]);
    for (const { items } of pages)
      for (const item of items) {
        if (item.kind !== 'text') continue;
        expect(item.y).toBeLessThan(HEIGHT);
        expect(item.x + widthOf(item.text, item.face, item.size)).toBeLessThan(WIDTH - EDGE / 2);
      }
  },
);

it('a guide that nothing is drawn of, with long words and many of them, is printed all the same', () => {
  const bare: Guide = {
    ...ledgeCrabs,
    plan: undefined,
    plateTraits: undefined,
    caution: `${'Leave it. '.repeat(300)}${'x'.repeat(400)}`,
    glossary: [{ id: 'a', term: 'Ledge', text: 'A shelf of rock. '.repeat(80) }],
  };
  const pages = bookletOf(bare, 1);
  expect(pages.length).toBeGreaterThan(3);
  expect(pages.some(({ items }) => items.some(({ kind }) => kind === 'path'))).toBe(false);
  for (const { items } of pages) for (const item of items) if (item.kind === 'text') expect(item.y).toBeLessThan(HEIGHT);
  expect(pages.map(wordsOn).join('\n')).toContain('Ledge');
});

it('photographs stand with what they show, whose they are and on what terms; one that is not here is left out', () => {
  const jpeg = Buffer.from('a picture');
  const figure = {
    photo: 'a'.repeat(64),
    width: 300,
    height: 200,
    view: 'dorsal',
    credit: 'O. Mereth',
    licence: 'CC-BY-4.0' as const,
  };
  const guide: Guide = {
    ...ledgeCrabs,
    figures: [
      { ...figure, id: 'one', taxon: 'murica', caption: `A ridge ${'of granules '.repeat(30)}` },
      { ...figure, id: 'gone', taxon: 'murica', photo: 'b'.repeat(64), credit: 'A. Orvane' },
    ],
  };
  const pages = bookletOf(guide, 1, undefined, new Map([[figure.photo, jpeg]]));
  const shown = pages.filter(({ items }) => items.some(({ kind }) => kind === 'photo'));
  expect(shown).toHaveLength(1);
  const [photo] = shown[0].items.filter((item) => item.kind === 'photo');
  expect(photo).toMatchObject({ jpeg });
  expect(photo.kind === 'photo' && photo.box.width / photo.box.height).toBeCloseTo(1.5, 6);
  expect(wordsOn(shown[0])).toContain('O. Mereth, CC BY 4.0');
  expect(wordsOn(shown[0])).toMatch(/A ridge of granules/);
  expect(pages.map(wordsOn).join(' ')).not.toContain('A. Orvane');
});

it('what it can do stands where it is described, and what it is wrongly called', () => {
  const words = bookletOf(bogUmbels, 1).map(wordsOn).join('\n');
  for (const { hazards = [] } of bogUmbels.taxa)
    for (const { kind, grade } of hazards) expect(words).toContain(`Can do harm: ${kind}, ${grade}`);
});

describe('as a job', () => {
  let server: TestServer;
  let visitor: Visitor;
  let guideId: string;
  beforeAll(async () => {
    server = await openTestServer({ works: true });
    ({ visitor, guideId } = await newStation(server));
  });
  afterAll(() => server.close());

  const ended = async (id: string): Promise<Job> => {
    for (;;) {
      const { body } = await visitor.get(`/api/jobs/${id}`).expect(200);
      if (body.state !== 'running') return body as Job;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };

  it('is printed, lies ready for its station alone, and one that is not there is refused', async () => {
    const { jobId } = (await visitor.post(`/api/guides/${guideId}/booklet`).expect(202)).body as { jobId: string };
    const { state, result } = await ended(jobId);
    expect([state, result]).toMatchObject(['done', { booklet: jobId }]);
    const { body, headers } = await visitor.get(`/api/booklets/${jobId}.pdf`).buffer(true).parse(bytes).expect(200);
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((body as Buffer).length).toBe((result as { bytes: number }).bytes);
    expect(headers['content-type']).toBe('application/pdf');
    const elsewhere = await newStation(server);
    await elsewhere.visitor.get(`/api/booklets/${jobId}.pdf`).expect(404);
    // The last five of a station lie ready: four more, and one that is begun, and this is the oldest.
    const em = server.orm.em.fork();
    const [row] = await em.find(JobEntity, { id: jobId });
    const more = Array.from({ length: 4 }, () => ({ ...row, id: randomUUID(), createdAt: new Date(Date.now() + 1000) }));
    await em.insertMany(JobEntity, more);
    const { jobId: next } = (await visitor.post(`/api/guides/${guideId}/booklet`).expect(202)).body as { jobId: string };
    await visitor.delete(`/api/jobs/${next}`).expect(200);
    await visitor.get(`/api/booklets/${jobId}.pdf`).expect(404);
    expect(await em.count(JobEntity, { stationId: row.stationId, kind: 'printGuide', state: 'done' })).toBe(4);
    await elsewhere.visitor.post(`/api/guides/${guideId}/booklet`).expect(404);
    await visitor.get(`/api/booklets/${randomUUID()}.pdf`).expect(404);
  });
});

const bytes = (response: unknown, done: (error: null, body: Buffer) => void): void => {
  const parts: Buffer[] = [];
  const stream = response as NodeJS.ReadableStream;
  stream.on('data', (part: Buffer) => parts.push(part));
  stream.on('end', () => done(null, Buffer.concat(parts)));
};
