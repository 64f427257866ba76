import { randomUUID } from 'node:crypto';
import type { AgreementView, Ask, BlindRecord, WaitingAsk } from '@plesion/contract/opinions';
import type { Role } from '@plesion/contract/roles';
import sharp from 'sharp';
import { join, newStation, openTestServer, type TestServer, type Visitor, write } from '../test/testServer';

let server: TestServer;
let asker: Visitor;
let guideId: string;
let name: string;
let others: { name: string; visitor: Visitor }[];
let made = 0;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor: asker, guideId, name } = await newStation(server));
  others = [await member('member'), await member('member'), await member('reviewer')];
});
afterAll(() => server.close());

const member = (role: Role) => join(server, asker, role);

const granules = { character: 'granules', states: ['dense'] };
const determination = () => ({
  ...{ id: randomUUID(), qualifier: 'none', taxon: 'murica', facets: {}, by: name, at: '2026-05-01T10:00:00.000Z', p: 0.9 },
  ...{ recommended: '', overruled: false, guideVersion: 1 },
});
/** A named specimen with a photo. */
async function specimen(more: object = {}) {
  const id = randomUUID();
  const file = await sharp({ create: { width: 9, height: 9, channels: 3, background: { r: made++, g: 1, b: 2 } } })
    .png()
    .toBuffer();
  const hash = (await asker.post('/api/photos').attach('photo', file, 'x.png').expect(201)).body.hash as string;
  const situation = { date: '2026-05-01', note: 'surely a murica', place: 'Ledge 4', latitude: -41.2, longitude: -28.1 };
  const media = [{ id: randomUUID(), kind: 'photo', hash, view: 'dorsal', note: 'my murica' }];
  await asker
    .put(`/api/specimens/${id}`)
    .send(write(guideId, { photo: hash, media, situation, readings: [granules], determinations: [determination()], ...more }))
    .expect(200);
  return { id, hash };
}

const ask = async (specimenId: string, more: object = {}) =>
  (
    await asker
      .post('/api/opinions')
      .send({ id: randomUUID(), specimenId, ...more })
      .expect(201)
  ).body as Ask;
const opinion = (taxon?: string, readings: object[] = []) => ({
  ...(taxon ? { name: { qualifier: 'none', taxon, facets: {} } } : { note: 'the front edge cannot be seen' }),
  ...{ readings, certainty: 'likely' },
});
const give = (visitor: Visitor, askId: string, said: object) =>
  visitor.post(`/api/opinions/${askId}/answers`).send({ id: randomUUID(), opinion: said });
const waiting = async (visitor: Visitor) =>
  ((await visitor.get('/api/opinions/waiting').expect(200)).body as { waiting: WaitingAsk[] }).waiting.map(({ id }) => id);
const asks = async (visitor: Visitor, specimenId: string) =>
  ((await visitor.get(`/api/opinions?specimenId=${specimenId}`).expect(200)).body as { asks: Ask[] }).asks;

describe('a second opinion', () => {
  it('is asked blind: picture and situation, no name, no note, and nobody’s word before one’s own', async () => {
    const { id, hash } = await specimen();
    const [one, two] = others;
    const sent = { id: randomUUID(), specimenId: id, to: [one.name, two.name], question: 'the granules?' };
    const { body: made } = await asker.post('/api/opinions').send(sent).expect(201);
    expect(
      (
        await asker
          .post('/api/opinions')
          .send({ ...sent, question: 'another' })
          .expect(201)
      ).body,
    ).toEqual(made);
    expect(await waiting(one.visitor)).toContain(sent.id);
    expect(await waiting(others[2].visitor)).not.toContain(sent.id);
    const record = (await one.visitor.get(`/api/opinions/${sent.id}/record`).expect(200)).body as BlindRecord;
    expect(record).toMatchObject({ by: name, question: 'the granules?', situation: { date: '2026-05-01', place: 'Ledge 4' } });
    expect(record.media).toEqual([{ id: expect.any(String), kind: 'photo', hash, view: 'dorsal' }]);
    expect(JSON.stringify({ ...record, guide: undefined })).not.toContain('murica');
    await others[2].visitor.get(`/api/opinions/${sent.id}/record`).expect(403);

    await give(two.visitor, sent.id, opinion('velloma', [granules])).expect(201);
    expect((await asks(one.visitor, id))[0]).toMatchObject({ answered: [two.name] });
    expect((await asks(one.visitor, id))[0].opinions).toBeUndefined();
    expect((await asks(others[2].visitor, id))[0].opinions).toBeUndefined();
    expect((await asks(asker, id))[0].opinions).toHaveLength(1);
    const { body: after } = await give(one.visitor, sent.id, opinion('murica')).expect(201);
    expect((after as Ask).opinions!.map(({ by }) => by)).toEqual([two.name, one.name]);
    // Changed after the others' words were seen, it would be no word of one's own.
    await give(one.visitor, sent.id, opinion('velloma')).expect(201);
    expect((await asks(asker, id))[0].opinions![1].opinion.name!.taxon).toBe('murica');
    expect(await waiting(one.visitor)).not.toContain(sent.id);
  });

  it.each([
    ['of a taxon that is none', { ...opinion('nobody') }, 'opinion.name.taxon', /no taxon “nobody”/],
    [
      'of a mark that is none',
      opinion('murica', [{ character: 'no-such', states: ['x'] }]),
      'opinion.readings[0].character',
      /no character/,
    ],
    ['that says nothing', { readings: [], certainty: 'sure' }, 'opinion.note', /cannot be told/],
    [
      'of two alike',
      { name: { qualifier: 'or', taxon: 'murica', other: 'murica', facets: {} }, readings: [] },
      'opinion.name.other',
      /two different/,
    ],
  ])('%s is refused by its field', async (_, said, field, message) => {
    const { id } = await ask((await specimen()).id);
    const { body } = await give(others[0].visitor, id, said).expect(400);
    expect(body).toMatchObject({ field, message: expect.stringMatching(message) });
    expect(await waiting(others[0].visitor)).toContain(id);
  });

  it.each([
    ['somebody who is not here', () => ['nobody at all'], /Nobody here is called/],
    ['oneself', () => [name], /your own opinion/],
  ])('is not asked of %s', async (_, to, message) => {
    const { id } = await specimen();
    const { body } = await asker.post('/api/opinions').send({ id: randomUUID(), specimenId: id, to: to() }).expect(400);
    expect(body).toMatchObject({ field: 'to[0]', message: expect.stringMatching(message) });
  });

  it('is pooled as far as those who gave it are independent: twelve who copied each other are hardly more than one', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    for (const { visitor } of others) await give(visitor, askId, opinion('murica', [granules])).expect(201);
    const [{ pooled }] = await asks(asker, id);
    expect(pooled).toMatchObject({ opinions: 3, correlation: 0.7, pairs: 0 });
    expect(pooled!.count).toBeCloseTo(3 / 2.4, 9);
    const alone = await asker
      .post(`/api/guides/${guideId}/standing`)
      .send({ situation: { date: '2026-05-01' }, readings: [granules] })
      .expect(200);
    const one = (alone.body as { taxa: { taxon: string; p: number }[] }).taxa.find(({ taxon }) => taxon === 'murica')!.p;
    const three = pooled!.taxa.find(({ taxon }) => taxon === 'murica')!.p;
    expect(three).toBeGreaterThan(one);
    const odds = (p: number) => Math.log2(p / (1 - p));
    expect(odds(three) - odds(one)).toBeLessThan(1.5);
  });

  it('is decided by who asked, who says why; then nothing more is taken', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    await others[0].visitor.put(`/api/opinions/${askId}/decision`).send({ why: 'I say so' }).expect(403);
    await asker.put(`/api/opinions/${askId}/decision`).send({ why: ' ' }).expect(400);
    const { body } = await asker.put(`/api/opinions/${askId}/decision`).send({ why: 'the front edge' }).expect(200);
    expect((body as Ask).decided).toMatchObject({ by: name, why: 'the front edge' });
    expect((await give(others[0].visitor, askId, opinion('murica')).expect(409)).body).toMatchObject({ code: 'decided' });
    expect(await waiting(others[0].visitor)).not.toContain(askId);
    const { id: back } = await ask(id);
    await asker.delete(`/api/opinions/${back}`).expect(200);
    await give(others[0].visitor, back, opinion('murica')).expect(409);
  });

  it('shows the photo on top, though it stands in no list', async () => {
    const { id, hash } = await specimen({ media: undefined });
    const { id: askId } = await ask(id);
    const record = (await others[0].visitor.get(`/api/opinions/${askId}/record`).expect(200)).body as BlindRecord;
    expect(record.media).toMatchObject([{ kind: 'photo', hash }]);
    const { body } = await asker.post(`/api/opinions/${askId}/link`).expect(201);
    await server.visitor().get(`/api/opinions/links/${body.token}/photos/${hash}`).expect(200);
  });

  it('is gone with its record, and comes again with it', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    const { body } = await asker.post(`/api/opinions/${askId}/link`).expect(201);
    const at = `/api/opinions/links/${body.token}`;
    const { body: stored } = await asker.get(`/api/specimens/${id}`).expect(200);
    const hide = (hidden: boolean, version: number) =>
      asker
        .put(`/api/specimens/${id}`)
        .send(write(guideId, { version, hidden, determinations: stored.determinations }))
        .expect(200);
    await hide(true, 1);
    await server.visitor().get(at).expect(404);
    await others[0].visitor.get(`/api/opinions/${askId}/record`).expect(404);
    expect(await waiting(others[0].visitor)).not.toContain(askId);
    await hide(false, 2);
    await server.visitor().get(at).expect(200);
  });

  it('is taken of two hundred, and then it is enough', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    const { body } = await asker.post(`/api/opinions/${askId}/link`).expect(201);
    await server.pool.query(
      `insert into opinion (station_id, ask_id, given_by, id, outside, opinion, at)
       select station_id, id, 'somebody ' || i, gen_random_uuid(), true, '{"readings": [], "certainty": "guess", "note": "hm"}', now()
       from opinion_ask, generate_series(1, 200) i where id = $1`,
      [askId],
    );
    const said = { id: randomUUID(), by: 'one more', opinion: opinion('murica') };
    const answer = await server.visitor().post(`/api/opinions/links/${body.token}/answers`).send(said).expect(409);
    expect(answer.body).toMatchObject({ code: 'enough' });
  });

  it('twenty of one person at once are one', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    await Promise.all(
      Array.from({ length: 20 }, (_, i) => give(others[0].visitor, askId, opinion(i % 2 ? 'murica' : 'velloma')).expect(201)),
    );
    expect((await asks(asker, id))[0].opinions).toHaveLength(1);
  });

  it('is no other station’s', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    const { visitor: stranger } = await newStation(server);
    await stranger.get(`/api/opinions?specimenId=${id}`).expect(404);
    await stranger.get(`/api/opinions/${askId}/record`).expect(404);
    await give(stranger, askId, opinion('murica')).expect(404);
    await stranger.post(`/api/opinions/${askId}/link`).expect(404);
    expect(await waiting(stranger)).toEqual([]);
  });
});

describe('somebody outside', () => {
  const outside = (token: string) => `/api/opinions/links/${token}`;

  it('sees this one record by a link, without where it was, says a word without an account, and sees nobody’s', async () => {
    const { id, hash } = await specimen();
    const { hash: otherHash } = await specimen();
    const { id: askId } = await ask(id);
    const { body } = await asker.post(`/api/opinions/${askId}/link`).expect(201);
    const at = outside((body as { token: string }).token);
    const stranger = server.visitor();
    const record = (await stranger.get(at).expect(200)).body as BlindRecord;
    expect(record.situation).toEqual({ date: '2026-05-01' });
    await stranger.get(`${at}/photos/${hash}`).expect(200).expect('content-type', /image/);
    await stranger.get(`${at}/photos/${otherHash}`).expect(404);
    const said = { id: randomUUID(), by: 'Ada of Ostren', opinion: opinion('velloma') };
    expect((await stranger.post(`${at}/answers`).send(said).expect(201)).body).toEqual({});
    await stranger
      .post(`${at}/answers`)
      .send({ ...said, opinion: opinion('murica') })
      .expect(201);
    const [{ opinions, link }] = await asks(asker, id);
    expect(opinions).toMatchObject([{ by: 'Ada of Ostren', outside: true, opinion: { name: { taxon: 'velloma' } } }]);
    expect(Date.parse(link!)).toBeGreaterThan(Date.now());
  });

  it('comes no more when the link is withdrawn, made anew, has lapsed, or it was decided', async () => {
    const { id } = await specimen();
    const { id: askId } = await ask(id);
    const link = async () =>
      outside(((await asker.post(`/api/opinions/${askId}/link`).expect(201)).body as { token: string }).token);
    const gone = async (at: string) =>
      expect((await server.visitor().get(at).expect(404)).body).toMatchObject({ code: 'lapsed' });
    const first = await link();
    const second = await link();
    await gone(first);
    await server.visitor().get(second).expect(200);
    await others[0].visitor.delete(`/api/opinions/${askId}/link`).expect(403);
    await asker.delete(`/api/opinions/${askId}/link`).expect(200);
    await gone(second);
    const third = await link();
    await server.pool.query("update opinion_ask set link_until = now() - interval '1 second' where id = $1", [askId]);
    await gone(third);
    const fourth = await link();
    await asker.put(`/api/opinions/${askId}/decision`).send({ why: 'seen again' }).expect(200);
    await gone(fourth);
    await gone(outside('nonsense'));
  });
});

describe('how far they agree', () => {
  it('is κ of all and of each two, over what they judged together', async () => {
    const station = await newStation(server);
    [asker, guideId, name] = [station.visitor, station.guideId, station.name];
    const [one, two] = [await member('member'), await member('member')];
    const said = [
      ...Array.from({ length: 4 }, () => ['murica', 'murica']),
      ...Array.from({ length: 3 }, () => ['velloma', 'velloma']),
      ['murica', 'velloma'],
    ];
    for (const [a, b] of said) {
      const { id } = await ask((await specimen()).id);
      await give(one.visitor, id, opinion(a)).expect(201);
      await give(two.visitor, id, opinion(b)).expect(201);
    }
    const view = (await asker.get(`/api/opinions/agreement?guideId=${guideId}`).expect(200)).body as AgreementView;
    // Cohen by hand: 7/8 agreed; chance 5/8 · 4/8 + 3/8 · 4/8 = ½.
    expect(view.pairs).toMatchObject([{ people: [one.name, two.name], n: 8, agreed: 0.875, chance: 0.5, kappa: 0.75 }]);
    // Fleiss: chance (9/16)² + (7/16)².
    expect(view.all!.kappa).toBeCloseTo((0.875 - 130 / 256) / (1 - 130 / 256), 9);
    const none = (await asker.get(`/api/opinions/agreement?guideId=${randomUUID()}`).expect(200)).body as AgreementView;
    expect(none).toEqual({ pairs: [] });
  });
});
