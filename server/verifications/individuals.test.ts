import { randomUUID } from 'node:crypto';
import type { VerificationList } from '@plesion/contract/verifications';
import type { VerifiedPhoto } from '@plesion/core/practice';
import sharp from 'sharp';
import { newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  ({ visitor, guideId } = await newStation(server));
});

const tinyPhoto = () =>
  sharp({ create: { width: 20, height: 20, channels: 3, background: '#785028' } })
    .png()
    .toBuffer();
async function specimen(more: object = {}): Promise<string> {
  const id = randomUUID();
  await visitor.put(`/api/specimens/${id}`).send(write(guideId, more)).expect(200);
  return id;
}
const outcome = (more: object) => ({
  ...{ id: randomUUID(), kind: 'dissection', taxon: 'murica', wrong: 0.01, on: '2026-05-12' },
  ...more,
});
const say = (body: object) => visitor.post('/api/verifications').send(body);

describe('what an individual turned out to be', () => {
  const individual = async (more: object = {}) => {
    const id = randomUUID();
    await visitor
      .put(`/api/individuals/${id}`)
      .send({ version: 0, label: 'Old One-claw', guideId, hidden: false, ...more })
      .expect(200);
    return id;
  };
  const onPage = async (query: string) =>
    ((await visitor.get(`/api/verifications?${query}`).expect(200)).body as VerificationList).verifications.map(({ id }) => id);
  const named = {
    ...{ id: randomUUID(), qualifier: 'none', taxon: 'cinerata', facets: {}, by: '', at: '2026-05-01T10:00:00Z', p: 0.9 },
    ...{ recommended: '', overruled: false, guideVersion: 1 },
  };
  /** How the station's specimens stand on its lists. */
  const stand = async () => {
    const { body } = await visitor.get('/api/lists').expect(200);
    return (body as { records: { taxon?: string }[] }).records;
  };

  it('holds for each of its specimens: lists move, calls are held against it, and it is taken back from all', async () => {
    const individualId = await individual();
    const now = { determinations: [named] };
    const first = await specimen({ individualId, ...now });
    const unnamed = await specimen({ individualId });
    const other = await specimen({ determinations: [{ ...named, id: randomUUID() }] });
    const said = outcome({ individualId });
    await say(said).expect(201);
    for (const query of [`individualId=${individualId}`, `specimenId=${first}`, `specimenId=${unnamed}`])
      expect(await onPage(query)).toEqual([said.id]);
    expect(await onPage(`specimenId=${other}`)).toEqual([]);
    const { body: page } = await visitor.get(`/api/verifications?specimenId=${first}`).expect(200);
    expect((page as VerificationList).judged).toMatchObject({ called: { taxon: 'cinerata' }, right: false });
    const { body: audit } = await visitor.get(`/api/audit?kind=verification&record=${individualId}`).expect(200);
    expect(audit.lines).toMatchObject([{ act: 'verified', id: individualId, fields: ['dissection', '', 'individual'] }]);
    expect((await stand()).map(({ taxon }) => taxon).sort()).toEqual(['cinerata', 'murica']);
    await visitor.delete(`/api/verifications/${said.id}`).expect(200);
    expect((await stand()).map(({ taxon }) => taxon)).toEqual(['cinerata']);
    const { body: after } = await visitor.get(`/api/verifications?specimenId=${first}`).expect(200);
    expect((after as VerificationList).judged).toBeUndefined();
  });

  it('reaches a specimen that is told to be it afterwards', async () => {
    const individualId = await individual();
    const said = outcome({ individualId });
    await say(said).expect(201);
    const hash = (
      await visitor
        .post('/api/photos')
        .attach('photo', await tinyPhoto(), 'x.png')
        .expect(201)
    ).body.hash as string;
    const media = [{ id: randomUUID(), kind: 'photo', hash, view: 'dorsal' }];
    const specimenId = await specimen({ individualId, photo: hash, media });
    expect(await onPage(`specimenId=${specimenId}`)).toEqual([said.id]);
    const { photos } = (await visitor.get(`/api/practice/photos?guideId=${guideId}`).expect(200)).body as {
      photos: VerifiedPhoto[];
    };
    expect(photos.map((photo) => photo.specimenId)).toEqual([specimenId]);
    const { body } = await visitor.get(`/api/specimens?individualId=${individualId}`).expect(200);
    expect((body as { specimens: { id: string }[] }).specimens.map(({ id }) => id)).toEqual([specimenId]);
  });

  it('is of one thing, of an individual there is, and of one that has a guide', async () => {
    const individualId = await individual({ guideId: undefined });
    const specimenId = await specimen();
    expect((await say(outcome({ specimenId, individualId })).expect(400)).body).toMatchObject({ field: 'specimenId' });
    const said = (id: string) => outcome({ individualId: id });
    await say(said(randomUUID())).expect(404);
    expect((await say(said(individualId)).expect(400)).body).toMatchObject({ code: 'no-guide', field: 'individualId' });
  });
});
