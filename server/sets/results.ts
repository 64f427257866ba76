import type { SetResults } from '@plesion/contract/sets';
import type { ScoredAnswer } from '@plesion/contract/practice';
import type { PracticeAnswer } from '@plesion/core/practice';
import { setAnswersCsv } from '@plesion/core/formats';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import type { Caller } from '../http/route';
import type { PagePool } from '../page/pool';
import { findSet } from './sets';

/** What was taken for what, at most. */
const PAIRS = 40;

/** How a set went, summed up by the database. */
export async function setResults(em: Em, caller: Caller, id: string): Promise<SetResults> {
  await findSet(em, caller, id);
  const own = [caller.stationId, id];
  const [row] = await em.getConnection().execute<{ results: SetResults }[]>(
    `with given as (
       select account, n, seconds, scored->>'truth' as truth, (scored->>'right')::boolean as "right", (scored->>'bits')::float as bits,
         answer.answer->'groups' as groups, coalesce(items->n->'asked'->>'character', items->n->'asked'->>'spot') is null as names
       from practice_set_answer answer join practice_set on practice_set.station_id = answer.station_id and practice_set.id = set_id
       where answer.station_id = ? and set_id = ?
     ),
     said as (
       select n, truth, coalesce(named, '') as named, count(*)::int as times
       from given left join lateral jsonb_array_elements_text(groups) as named on true
       where names and not "right" and coalesce(named, '') <> truth group by 1, 2, 3
     )
     select jsonb_build_object(
       'learners', coalesce((select jsonb_agg(jsonb_build_object('name', account, 'begunAt', to_char(begun_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
           'answered', answered, 'right', "right", 'bits', bits, 'seconds', seconds) order by "right" desc, account)
         from (select account, begun_at, count(n)::int as answered, (count(*) filter (where "right"))::int as "right",
             coalesce(avg(bits), 0) as bits, coalesce(sum(seconds), 0) as seconds
           from practice_attempt left join given using (account) where station_id = ? and set_id = ? group by 1, 2) as learner), '[]'),
       'items', coalesce((select jsonb_agg(jsonb_build_object('n', n, 'truth', truth, 'answered', answered, 'right', "right",
           'said', coalesce((select jsonb_agg(jsonb_build_object('group', named, 'n', times) order by times desc, named) from said where said.n = item.n), '[]')) order by n)
         from (select n, truth, count(*)::int as answered, (count(*) filter (where "right"))::int as "right" from given group by 1, 2) as item), '[]'),
       'confused', coalesce((select jsonb_agg(jsonb_build_object('truth', truth, 'said', named, 'n', times) order by times desc, truth, named)
         from (select truth, named, sum(times)::int as times from said where named <> '' group by 1, 2
           order by times desc, truth, named limit ${PAIRS}) as pair), '[]')
     ) as results`,
    [...own, ...own],
  );
  return row.results;
}

interface Line {
  account: string;
  n: number;
  answer: PracticeAnswer;
  scored: Omit<ScoredAnswer, 'id'>;
  seconds: number;
  at: string | Date;
}

/** Every answer to a set, a line each. */
export async function setCsv(em: Em, caller: Caller, id: string): Promise<string> {
  await findSet(em, caller, id);
  const lines = await em
    .getConnection()
    .execute<Line[]>(
      'select account, n, answer, scored, seconds, at from practice_set_answer where station_id = ? and set_id = ? order by account, n',
      [caller.stationId, id],
    );
  return setAnswersCsv(
    lines.map(({ account, n, answer, scored, seconds, at }) => ({
      ...{ learner: account, item: n + 1, truth: scored.truth, said: answer.groups, sure: answer.sure, seconds },
      ...{ wentBy: answer.wentBy?.character, right: scored.right, bits: scored.bits, at: new Date(at).toISOString() },
    })),
  );
}

/** A set to print. */
export async function setSheet(em: Em, pages: PagePool, caller: Caller, id: string, paper: 'a4' | 'a5' = 'a4'): Promise<Buffer> {
  const { set } = await findSet(em, caller, id);
  const { guide } = await findGuide(em, caller.stationId, set.guideId, set.guideVersion);
  return pages.draw({ page: 'set', guide, title: set.title, items: set.items, paper });
}
