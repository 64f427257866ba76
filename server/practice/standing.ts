import type { PracticeStanding } from '@plesion/contract';
import type { PracticeAnswer, PracticeLevel, Seen } from '@plesion/core/practice';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';
import type { PracticePool } from './pool';

/** Pairs told of each guide. */
const PAIRS = 12;

/** Weeks told of each guide. */
const WEEKS = 26;

/** Answers by which one is asked harder or easier. */
const LATELY = 40;

/** Answers looked back on for what is remembered: more than a person gives in some years. */
const REMEMBERED = 10_000;

type OfGuide = PracticeStanding['guides'][number];

interface Row {
  guide_id: string;
  level: PracticeLevel;
  answers: number;
  correct: number;
  bits: number;
  confused: OfGuide['confused'] | null;
  certainty: OfGuide['certainty'] | null;
  marks: OfGuide['marks'] | null;
  weeks: OfGuide['weeks'];
  lately: boolean[] | null;
  flocks: OfGuide['flocks'] | null;
  walks: OfGuide['walks'] | null;
}

/** One's own answers, summed up by guide, and what is remembered of them. */
export async function practiceStanding(
  em: Em,
  pool: PracticePool,
  { stationId, accountName }: Writer,
): Promise<PracticeStanding> {
  const [rows, given] = await Promise.all([
    em.getConnection().execute<Row[]>(
      `with own as (select * from practice_answer where station_id = ? and account = ?),
     pairs as (
       select guide_id, truth, said, count(*)::int as n,
         row_number() over (partition by guide_id order by count(*) desc, truth, said) as place
       from own, jsonb_array_elements_text(answer->'groups') as said where said <> truth group by guide_id, truth, said
     ),
     sure as (
       select guide_id, answer->>'sure' as sure, count(*)::int as answers, (count(*) filter (where correct))::int as right
       from own where jsonb_array_length(answer->'groups') > 0 group by 1, 2
     ),
     marks as (
       select guide_id, answer->'wentBy'->>'character' as character, count(*)::int as answers,
         (count(*) filter (where mark_right))::int as right,
         case when count(off) > 0 then jsonb_build_object('values', count(off), 'ratio', exp(avg(off)), 'spread', stddev_samp(off)) end as bias
       from own, lateral (select case when mark_shown > 0 and jsonb_typeof(answer->'wentBy'->'says') = 'number'
           and (answer->'wentBy'->>'says')::float > 0 then ln((answer->'wentBy'->>'says')::float / mark_shown) end as off) as read
       where mark_right is not null group by 1, 2
     ),
     weeks as (
       select guide_id, to_char(date_trunc('week', at at time zone 'utc'), 'YYYY-MM-DD') as from, count(*)::int as answers,
         (count(*) filter (where correct))::int as right, row_number() over (partition by guide_id order by 2 desc) as place
       from own group by guide_id, date_trunc('week', at at time zone 'utc')
     ),
     flocks as (
       select guide_id, asked->>'flock' as task, count(*)::int as answers, (count(*) filter (where correct))::int as right,
         exp(avg(ln((answer->>'number')::float / truth::float)) filter
           (where asked->>'flock' = 'many' and (answer->>'number')::float > 0)) as ratio
       from own where asked->>'flock' is not null group by 1, 2
     ),
     couplets as (
       select guide_id, asked->'walk'->>'keyId' as key, step->>'number' as number, count(*)::int as answers,
         (count(*) filter (where (step->>'right')::boolean))::int as right,
         percentile_cont(.5) within group (order by (step->>'seconds')::float) as seconds
       from own, jsonb_array_elements(steps) as step where asked->'walk' is not null and step->>'seconds' is not null group by 1, 2, 3
     ),
     walks as (
       select guide_id, asked->'walk'->>'keyId' as key, count(*)::int as walks, (count(*) filter (where correct))::int as right
       from own where asked->'walk' is not null group by 1, 2
     )
     select guide_id, count(*)::int as answers, (count(*) filter (where correct))::int as correct, avg(bits)::float as bits,
       (array_agg(asked->'level' order by at desc))[1] as level,
       (select jsonb_agg(jsonb_build_object('truth', truth, 'said', said, 'n', n) order by place) from pairs
        where pairs.guide_id = own.guide_id and place <= ${PAIRS}) as confused,
       (select jsonb_agg(jsonb_build_object('sure', sure, 'answers', answers, 'right', "right")) from sure where sure.guide_id = own.guide_id) as certainty,
       (select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('character', character, 'answers', answers, 'right', "right", 'bias', bias))
          order by answers desc, character)
        from marks where marks.guide_id = own.guide_id) as marks,
       (select jsonb_agg(jsonb_build_object('from', "from", 'answers', answers, 'right', "right") order by "from") from weeks
        where weeks.guide_id = own.guide_id and place <= ${WEEKS}) as weeks,
       (select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('task', task, 'answers', answers, 'right', "right", 'ratio', ratio)) order by task)
        from flocks where flocks.guide_id = own.guide_id) as flocks,
       (select jsonb_agg(jsonb_build_object('keyId', key, 'walks', walks, 'right', "right", 'couplets', (
          select coalesce(jsonb_agg(jsonb_strip_nulls(jsonb_build_object('number', number, 'answers', answers, 'right', c."right", 'seconds', seconds))
            order by c."right"::float / answers, answers desc, number), '[]')
          from couplets c where c.guide_id = walks.guide_id and c.key = walks.key)) order by walks desc, key)
        from walks where walks.guide_id = own.guide_id) as walks,
       (select jsonb_agg(correct order by at, id) from (select correct, at, id from own as newest where newest.guide_id = own.guide_id and asked->'walk' is null and coalesce(asked->>'flock', 'odd') = 'odd'
        order by at desc, id desc limit ${LATELY}) as newest) as lately
     from own group by guide_id order by max(at) desc`,
      [stationId, accountName],
    ),
    em.getConnection().execute<Given[]>(
      `select guide_id, truth, other, answer, correct, mark_right, at from practice_answer
       where station_id = ? and account = ? order by at desc, id desc limit ${REMEMBERED}`,
      [stationId, accountName],
    ),
  ]);
  return {
    guides: rows.map(({ guide_id, correct, confused, certainty, marks, lately, flocks, walks, ...rest }) => ({
      ...rest,
      guideId: guide_id,
      right: correct,
      confused: confused ?? [],
      certainty: certainty ?? [],
      marks: marks ?? [],
      lately: lately ?? [],
      flocks: flocks ?? [],
      walks: walks ?? [],
    })),
    memories: given.length ? await pool.remember(given.reverse().map(seenOf)) : [],
  };
}

interface Given {
  guide_id: string;
  truth: string;
  other: string | null;
  answer: PracticeAnswer;
  correct: boolean;
  mark_right: boolean | null;
  at: string | Date;
}

const seenOf = ({ guide_id, truth, other, answer, correct, mark_right, at }: Given): Seen => ({
  guideId: guide_id,
  at: new Date(at).toISOString(),
  right: correct,
  sure: answer.sure,
  ...(other === null ? {} : { pair: [truth, other] }),
  ...(mark_right === null || !answer.wentBy ? {} : { mark: { character: answer.wentBy.character, right: mark_right } }),
});
