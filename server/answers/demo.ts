import type { Em } from '../database/orm';
import { StockAnswerEntity } from '../database/remarkEntities';
import type { Writer } from '../records/write';
import { idOf } from '../verifications/demoRecords';

const CALLED = 'vexillax';
const TRUTH = 'lenior';

/** What the demo station answers to what it is asked most: made once. */
export async function putDemoAnswers(
  em: Em,
  { stationId, accountName }: Writer,
  guides: ReadonlyMap<string, string>,
): Promise<void> {
  const guideId = guides.get('tent-cones');
  if (!guideId || (await em.count(StockAnswerEntity, { stationId }))) return;
  await em.insert(StockAnswerEntity, {
    ...{
      stationId,
      id: idOf(484, 1),
      guideId,
      called: CALLED,
      truth: TRUTH,
      madeBy: accountName,
      at: new Date(Date.UTC(2026, 8, 6)),
    },
    text: 'Tents and a rose stain do not make it the dangerous one: both have them. Please send a picture of the spire from above, taken without touching it. Until then nobody picks it up.',
  });
}
