import type { SetItem } from '@plesion/contract/sets';
import { CERTAINTY_WORDS } from '@plesion/core/practice/schema';
import { seeded } from '@plesion/core/probability';
import { terns } from '@plesion/demo';
import { PracticeSetEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { makeItems } from '../practice/make';
import { scoreGiven } from '../practice/service';
import type { Writer } from '../records/write';

const ID = '0192f3a0-0000-7062-8000-000000000001';
const ITEMS = 8;
const DRAWN = 80;

/** Who took it, and how often each knows it. */
const LEARNERS: [name: string, knows: number][] = [
  ['Isolde Varn', 0.9],
  ['Corin Thale', 0.75],
  ['Pell Austrey', 0.7],
  ['Wenna Skaith', 0.55],
  ['Jory Lamb', 0.4],
];

/** The demo station's set of terns at rest, made once and taken by five who learn. */
export async function putDemoSet(em: Em, { stationId, accountName }: Writer, guides: ReadonlyMap<string, string>): Promise<void> {
  const guideId = guides.get(terns.id);
  if (!guideId || (await em.count(PracticeSetEntity, { stationId })) > 0) return;
  const asked = { level: { kind: 'rank' as const, rank: 'species' as const }, view: 'perched' };
  const drawn = Array.from({ length: DRAWN }, (_, i): SetItem => ({ asked, seed: `at rest ${i}` }));
  const told = makeItems({ guide: terns, wanted: drawn }).flatMap((made, i) => (made?.item.truth.best.kind === 'one' ? [i] : []));
  const items = told.slice(0, ITEMS).map((i) => drawn[i]);
  const random = seeded('demo set');
  const begun = new Date(Date.now() - 5 * 86_400_000);
  const answers = LEARNERS.flatMap(([account, knows]) => {
    const bare = makeItems({ guide: terns, wanted: items });
    const said = bare.map((made) => {
      const { choices, truth } = made!.item;
      const others = choices.filter(({ id }) => id !== truth.group);
      const group = random() < knows ? truth.group : others[Math.floor(random() * Math.min(2, others.length))].id;
      return { groups: [group], sure: CERTAINTY_WORDS[1 + Math.floor(random() * 4)] };
    });
    const made = makeItems({ guide: terns, wanted: items.map((item, n) => ({ ...item, said: said[n] })) });
    return made.map((one, n) => {
      const scored = scoreGiven({ asked, answer: said[n] }, one!);
      return { set_id: ID, account, n, answer: said[n], scored, seconds: Math.round(6 + 20 * random()), at: begun.toISOString() };
    });
  });
  await em.transactional(async (tx) => {
    await tx.insert(PracticeSetEntity, {
      ...{ stationId, id: ID, version: 1, title: 'Terns at rest', guideId, guideVersion: 1, kind: 'lesson', minutes: null },
      ...{ items, given: true, closed: false, told: false, hidden: false, madeBy: accountName, updatedAt: begun },
    });
    const run = (sql: string, values: unknown[]) => tx.getConnection().execute(sql, values, 'run', tx.getTransactionContext());
    await run(
      `insert into practice_attempt (station_id, set_id, account, begun_at)
       select ?::uuid, ?::uuid, name, ?::timestamptz from jsonb_array_elements_text(?::jsonb) as name`,
      [stationId, ID, begun.toISOString(), JSON.stringify(LEARNERS.map(([name]) => name))],
    );
    await run(
      `insert into practice_set_answer (station_id, set_id, account, n, answer, scored, seconds, at)
       select ?::uuid, set_id, account, n, answer, scored, seconds, at
       from jsonb_to_recordset(?::jsonb) as sent (set_id uuid, account text, n int, answer jsonb, scored jsonb, seconds float, at timestamptz)`,
      [stationId, JSON.stringify(answers)],
    );
  });
}
