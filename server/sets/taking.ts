import type { StoredGuide } from '@plesion/contract';
import type { SetAnswer, SetAnswerWrite, SetView } from '@plesion/contract/sets';
import type { ScoredAnswer } from '@plesion/contract/practice';
import type { PracticeAnswer } from '@plesion/core/practice';
import { LRUCache } from 'lru-cache';
import type { PracticeSetColumns } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import type { PracticePool } from '../practice/pool';
import { needChoices, scoreGiven } from '../practice/service';
import { findSet } from './sets';

/** Milliseconds that an answer may be on its way when the time is over. */
const ON_ITS_WAY = 10_000;

interface Attempt {
  begunAt: Date;
  until?: Date;
}

type Scored = Omit<ScoredAnswer, 'id'>;

interface Kept {
  n: number;
  answer: PracticeAnswer;
  scored: Scored;
  at: string | Date;
}

async function attemptOf(em: Em, { stationId, accountName }: Caller, set: PracticeSetColumns): Promise<Attempt | undefined> {
  const [row] = await em
    .getConnection()
    .execute<{ begun_at: string }[]>(
      'select begun_at from practice_attempt where station_id = ? and set_id = ? and account = ?',
      [stationId, set.id, accountName],
      'all',
      em.getTransactionContext(),
    );
  if (!row) return undefined;
  const begunAt = new Date(row.begun_at);
  return { begunAt, ...(typeof set.minutes !== 'number' ? {} : { until: new Date(begunAt.getTime() + set.minutes * 60_000) }) };
}

/** What an answer is told with: of a lesson at once, of a test when its teacher says so. */
const toldOf = ({ kind, told }: PracticeSetColumns, { n, answer, scored, at }: Kept): SetAnswer => ({
  ...{ n, answer, at: new Date(at).toISOString() },
  ...(kind === 'lesson' || told ? { told: scored } : {}),
});

type Shown = NonNullable<SetView['items']>;

/** Sets whose items are kept at hand: a class begins all at once. */
const shown = new LRUCache<string, Shown>({ max: 50 });

/** The items of a set as they are shown; what each is, is left out. */
async function shownItems(pool: PracticePool, set: PracticeSetColumns, { guide, hash }: StoredGuide): Promise<Shown> {
  const key = `${set.stationId} ${set.id} ${set.version} ${hash}`;
  const known = shown.get(key);
  if (known) return known;
  const made = await pool.make({ guide, hash, wanted: set.items });
  const items = made.flatMap((one, n): Shown => {
    if (!one) return [];
    const { truth, ...item } = one.item;
    const { asked } = set.items[n];
    return [{ n, asked, item: { ...item, readings: truth.readings, ...(asked.spot ? { known: truth.group } : {}) } }];
  });
  shown.set(key, items);
  return items;
}

/** A set as who takes it sees it. */
export async function viewSet(em: Em, pool: PracticePool, caller: Caller, id: string): Promise<SetView> {
  const { set, row } = await findSet(em, caller, id);
  const attempt = await attemptOf(em, caller, set);
  if (!attempt) return { ...row, answers: [] };
  const { stationId, accountName } = caller;
  const [stored, kept] = await Promise.all([
    findGuide(em, stationId, set.guideId, set.guideVersion),
    em
      .getConnection()
      .execute<Kept[]>(
        'select n, answer, scored, at from practice_set_answer where station_id = ? and set_id = ? and account = ? order by n',
        [stationId, id, accountName],
      ),
  ]);
  return {
    ...row,
    begunAt: attempt.begunAt.toISOString(),
    ...(attempt.until ? { until: attempt.until.toISOString() } : {}),
    items: await shownItems(pool, set, stored),
    answers: kept.map((one) => toldOf(set, one)),
  };
}

const closed = () => new HttpProblem(409, { code: 'closed', message: 'This set is closed: nothing more is taken.' });

/** Begin a set; who has begun goes on. */
export async function beginSet(em: Em, pool: PracticePool, caller: Caller, id: string): Promise<SetView> {
  const { set } = await findSet(em, caller, id);
  if (set.closed && !(await attemptOf(em, caller, set))) throw closed();
  await em
    .getConnection()
    .execute(
      'insert into practice_attempt (station_id, set_id, account, begun_at) values (?, ?, ?, now()) on conflict do nothing',
      [caller.stationId, id, caller.accountName],
    );
  return viewSet(em, pool, caller, id);
}

/** Answer an item of a set; the first answer counts. */
export async function answerSet(
  em: Em,
  pool: PracticePool,
  caller: Caller,
  id: string,
  { n, answer, seconds }: SetAnswerWrite,
): Promise<SetAnswer> {
  const { set } = await findSet(em, caller, id);
  const attempt = await attemptOf(em, caller, set);
  if (!attempt) throw new HttpProblem(409, { code: 'not-begun', message: 'Begin the set first: its time runs from then.' });
  const own = [caller.stationId, id, caller.accountName, n];
  const known = await em
    .getConnection()
    .execute<Kept[]>(
      'select n, answer, scored, at from practice_set_answer where station_id = ? and set_id = ? and account = ? and n = ?',
      own,
    );
  if (known.length) return toldOf(set, known[0]);
  if (set.closed) throw closed();
  if (attempt.until && Date.now() > attempt.until.getTime() + ON_ITS_WAY)
    throw new HttpProblem(409, { code: 'time-over', message: 'The time for this set is over; what was answered in it is kept.' });
  const source = set.items.at(n);
  if (!source) throw notFound('item');
  const { guide, hash } = await findGuide(em, caller.stationId, set.guideId, set.guideVersion);
  const [made] = await pool.make({ guide, hash, wanted: [{ ...source, said: answer }] });
  if (!made) throw badRequest([{ code: 'no-item', message: 'This item can be drawn no more.', field: 'n' }]);
  needChoices(answer, made.item, 'answer.groups');
  const scored = scoreGiven({ asked: source.asked, answer }, made);
  const [kept] = await em.getConnection().execute<Kept[]>(
    `insert into practice_set_answer (station_id, set_id, account, n, answer, scored, seconds, at)
     values (?, ?, ?, ?, ?::jsonb, ?::jsonb, ?, now())
     on conflict (station_id, set_id, account, n) do update set n = excluded.n
     returning n, answer, scored, at`,
    [...own, JSON.stringify(answer), JSON.stringify(scored), seconds],
  );
  return toldOf(set, kept);
}
