import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { Job, Specimen, StoredGuide } from '@plesion/contract';
import type { Standing } from '@plesion/core/evidence';
import pg from 'pg';
import { openPlace, type Place } from '../server/test/place';
import { type Fleet, openFleet } from './ordeal/fleet';
import { Visitor } from './ordeal/visitor';

/** Three server processes on one database that none of them has seen before, behind one address. */
let fleet: Fleet;
let place: Place;
let own: pg.Client;
let ann: Visitor;
const name = 'ann of the fleet';

beforeAll(async () => {
  place = await openPlace('fleet');
  own = new pg.Client({ connectionString: place.database.href });
  await own.connect();
  fleet = await openFleet(3, place);
  await fleet.ready();
  ann = new Visitor(fleet.url);
  expect((await ann.ask('POST', '/api/stations', { station: name, name, password: 'long enough' })).status).toBe(201);
});
afterAll(async () => {
  await fleet.close();
  await own.end();
  await place.close();
});

const at = (member: number, who = ann) => who.at(fleet.members[member]);
const beetles = async () =>
  ((await ann.ask('GET', '/api/guides')).body as { guides: { id: string; slug: string }[] }).guides.find(
    ({ slug }) => slug === 'ledge-crabs',
  )!.id;

/** A table whose guide takes a while to learn. */
function longTable(): string {
  const columns = Array.from({ length: 24 }, (_, c) => `c${c}`);
  const rows = Array.from({ length: 3000 }, (_, i) =>
    [
      `form ${i % 12}`,
      ...columns.map((__, c) => ((((i * 7919 + c * 104_729) % 1000) / 1000) * 3 + (i % 12) * ((c % 5) / 5) + 5).toFixed(3)),
    ].join(),
  );
  return [`taxon,${columns.join()}`, ...rows].join('\n');
}
const learn = (title: string, member: number) =>
  at(member).ask('POST', '/api/guides/learn', { title, csv: longTable(), labels: { taxon: 'taxon' } });
const jobAt = async (member: number, id: string) => (await at(member).ask('GET', `/api/jobs/${id}`)).body as Job;

describe('three processes', () => {
  it('know each other’s sessions, and that they ended', async () => {
    for (const member of [0, 1, 2]) expect((await at(member).ask('GET', '/api/specimens')).status).toBe(200);
    const bob = new Visitor(fleet.url);
    const enter = { name, password: 'long enough' };
    expect((await bob.at(fleet.members[0]).ask('POST', '/api/session', enter)).status).toBe(200);
    const here = bob.at(fleet.members[1]);
    await here.ask('POST', '/api/session', enter);
    expect((await here.at(fleet.members[2]).ask('GET', '/api/specimens')).status).toBe(200);
    await here.at(fleet.members[0]).ask('DELETE', '/api/session');
    for (const url of fleet.members) expect((await here.at(url).ask('GET', '/api/specimens')).status).toBe(401);
  });

  it('see a guide that was changed at another at once, and weigh with it', async () => {
    const id = await beetles();
    const standingAt = async (member: number) =>
      ((await at(member).ask('POST', `/api/guides/${id}/standing`, { readings: [] })).body as Standing).outside;
    const before = await Promise.all([0, 1, 2].map(standingAt));
    expect(new Set(before.map((outside) => outside.toFixed(6))).size).toBe(1);
    const { guide, version } = (await at(0).ask('GET', `/api/guides/${id}`)).body as StoredGuide;
    const changed = { ...guide, settings: { ...guide.settings, outside: 0.2 } };
    expect((await at(0).ask('PUT', `/api/guides/${id}`, { version, guide: changed })).status).toBe(200);
    for (const member of [0, 1, 2]) expect(await standingAt(member)).toBeCloseTo(0.2, 3);
  });

  it('take one creation sent to all of them at once as one write', async () => {
    const id = randomUUID();
    const body = {
      version: 0,
      guideId: await beetles(),
      label: 'once',
      situation: {},
      readings: [],
      determinations: [],
      hidden: false,
    };
    const answers = await Promise.all([0, 1, 2].map((member) => at(member).ask('PUT', `/api/specimens/${id}`, body)));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect(answers.map((answer) => (answer.body as Specimen).version)).toEqual([1, 1, 1]);
    const { rows } = await own.query('select count(*)::int as n from change where record_id = $1', [id]);
    expect(rows).toEqual([{ n: 1 }]);
  });

  it('tell of long work begun at another, and stop it', async () => {
    const { status, body } = await learn('Stopped elsewhere', 0);
    expect(status).toBe(202);
    const { jobId } = body as { jobId: string };
    while ((await jobAt(1, jobId)).progress === 0) await pause(50);
    expect(((await at(2).ask('DELETE', `/api/jobs/${jobId}`)).body as Job).state).toBe('cancelled');
    for (const member of [0, 1, 2]) expect((await jobAt(member, jobId)).state).toBe('cancelled');
  });

  it('take over long work from one that is killed', async () => {
    const { jobId } = (await learn('Outlives its server', 0)).body as { jobId: string };
    while ((await jobAt(1, jobId)).progress === 0) await pause(50);
    [0, 1, 2].forEach((member) => fleet.kill(member));
    // What is silent for a quarter of a minute is taken for dead; the clock is turned on instead of waiting.
    await own.query(`update job set beat_at = beat_at - interval '1 minute' where id = $1`, [jobId]);
    await own.query(`update graphile_worker._private_jobs set locked_at = locked_at - interval '1 minute'`);
    await fleet.ready();
    let job = await jobAt(1, jobId);
    for (; job.state === 'running'; job = await jobAt(1, jobId)) await pause(100);
    expect(job).toMatchObject({ state: 'done', result: { crossValidation: { n: 3000 } } });
    const { rows } = await own.query(`select count(*)::int as n from guide where title = 'Outlives its server'`);
    expect(rows).toEqual([{ n: 1 }]);
  });

  it('count wrong passwords together', async () => {
    const guess = (i: number) =>
      new Visitor(fleet.members[i % 3], fleet.url).ask('POST', '/api/session', { name: `nobody ${i}`, password: 'wrong one' });
    const statuses: number[] = [];
    for (let i = 0; i < 24; i++) statuses.push((await guess(i)).status);
    expect(statuses.slice(0, 20)).toEqual(Array.from({ length: 20 }, () => 401));
    expect(new Set(statuses.slice(20))).toEqual(new Set([429]));
  });
});
