import type { AnswerList, AnswerWrite, StockAnswer } from '@plesion/contract/answers';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { type StockAnswerColumns, StockAnswerEntity } from '../database/remarkEntities';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { judgeWaiting } from '../verifications/judging';

/** Misnamings told of at most, and how often one must have happened to be told. */
const COMMON = 6;
const OFTEN = 2;

const toldOf = ({ id, guideId, called, truth, text, madeBy: by, at }: StockAnswerColumns): StockAnswer => ({
  ...{ id, guideId, called, truth, text, by },
  at: at.toISOString(),
});

/** The stock answers of a guide, and what has none yet and is misnamed often. */
export async function stockAnswers(em: Em, pool: AnalysisPool, { stationId }: Caller, guideId: string): Promise<AnswerList> {
  await findGuide(em, stationId, guideId);
  await judgeWaiting(em, pool, stationId);
  const rows = await em.find(StockAnswerEntity, { stationId, guideId }, { orderBy: { called: 'asc', truth: 'asc' } });
  const common = await em.getConnection().execute<AnswerList['common']>(
    `select called, truth, count(*)::int as n from judged_call j
     where station_id = ? and guide_id = ? and not is_right and called <> truth and not exists (
       select 1 from stock_answer a where a.station_id = j.station_id and a.guide_id = j.guide_id
         and a.called = j.called and a.truth = j.truth
     ) group by 1, 2 having count(*) >= ${OFTEN} order by 3 desc, 1, 2 limit ${COMMON}`,
    [stationId, guideId],
  );
  return { answers: rows.map(toldOf), common };
}

/** Write the answer to a misnaming: there is one for each. */
export async function writeStockAnswer(em: Em, caller: Caller, id: string, sent: AnswerWrite): Promise<StockAnswer> {
  const { stationId, accountName } = caller;
  const { guideId, called, truth, text } = sent;
  const { guide } = await findGuide(em, stationId, guideId);
  for (const field of ['called', 'truth'] as const)
    if (!guide.taxa.some((taxon) => taxon.id === sent[field]))
      throw badRequest([{ code: 'unknown-taxon', message: `There is no “${sent[field]}” in the guide.`, field }]);
  const row: StockAnswerColumns = { stationId, id, guideId, called, truth, text, madeBy: accountName, at: new Date() };
  await em.transactional(async (tx) => {
    // The same misnaming under another id, and this id for another misnaming, give way.
    await tx.nativeDelete(StockAnswerEntity, { stationId, $or: [{ id }, { guideId, called, truth }] });
    await tx.insert(StockAnswerEntity, row);
  });
  return toldOf(row);
}

export async function removeStockAnswer(em: Em, { stationId }: Caller, id: string): Promise<void> {
  if (!(await em.nativeDelete(StockAnswerEntity, { stationId, id }))) throw notFound('answer');
}

/** The words of an answer, for a page to send. */
export async function answerText(em: Em, stationId: string, id: string): Promise<string> {
  const row = await em.findOne(StockAnswerEntity, { stationId, id });
  if (!row) throw notFound('answer');
  return row.text;
}
