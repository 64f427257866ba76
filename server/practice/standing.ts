import type { PracticeStanding } from '@plesion/contract';
import type { CertaintyWord } from '@plesion/core/practice';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';

/** Pairs told of each guide. */
const PAIRS = 12;

interface Row {
  guide_id: string;
  answers: number;
  correct: number;
  bits: number;
  confused: { truth: string; said: string; n: number }[] | null;
  certainty: { sure: CertaintyWord; answers: number; right: number }[] | null;
}

/** One's own answers, summed up by guide. */
export async function practiceStanding(em: Em, { stationId, accountName }: Writer): Promise<PracticeStanding> {
  const rows = await em.getConnection().execute<Row[]>(
    `with own as (select * from practice_answer where station_id = ? and account = ?),
     pairs as (
       select guide_id, truth, said, count(*)::int as n,
         row_number() over (partition by guide_id order by count(*) desc, truth, said) as place
       from own, jsonb_array_elements_text(answer->'groups') as said where said <> truth group by guide_id, truth, said
     ),
     sure as (
       select guide_id, answer->>'sure' as sure, count(*)::int as answers, (count(*) filter (where correct))::int as right
       from own where jsonb_array_length(answer->'groups') > 0 group by 1, 2
     )
     select guide_id, count(*)::int as answers, (count(*) filter (where correct))::int as correct, avg(bits)::float as bits,
       (select jsonb_agg(jsonb_build_object('truth', truth, 'said', said, 'n', n) order by place) from pairs
        where pairs.guide_id = own.guide_id and place <= ${PAIRS}) as confused,
       (select jsonb_agg(jsonb_build_object('sure', sure, 'answers', answers, 'right', "right")) from sure where sure.guide_id = own.guide_id) as certainty
     from own group by guide_id order by max(at) desc`,
    [stationId, accountName],
  );
  return {
    guides: rows.map(({ guide_id, correct, confused, certainty, ...rest }) => ({
      ...rest,
      guideId: guide_id,
      right: correct,
      confused: confused ?? [],
      certainty: certainty ?? [],
    })),
  };
}
