import type { SpecimenWrite } from '@plesion/contract';
import { demoGuides, demoLots, demoSpecimens } from '@plesion/demo';
import { putDemoAnswers } from './answers/demo';
import { putDemoDraft, putDemoKeyGuide, putDemoTiles } from './authoring/demo';
import { putDemoColony } from './colony/demo';
import { putDemoConversation } from './conversations/demo';
import { LotEntity, SpecimenEntity, StationEntity } from './database/entities';
import { AccountEntity } from './database/personEntities';
import type { Em } from './database/orm';
import { putDemoFieldwork } from './fieldwork/demo';
import { putFirstLook } from './firstLook/service';
import { withDemoFigures } from './guides/demoFigures';
import { addGuide, listGuides } from './guides/service';
import type { Caller } from './http/route';
import { putDemoKeys } from './keys/demo';
import { writeLot } from './lots/service';
import { keepDeedsOfRows } from './audit/deeds';
import { putDemoOpinions } from './opinions/demo';
import { putDemoPractice } from './practice/demo';
import { putDemoReview } from './review/demo';
import { putDemoSet } from './sets/demo';
import { inStation, makeStation } from './session/service';
import { writeSpecimen } from './specimens/service';
import type { Parts } from './parts';
import { putDemoOutcomes } from './verifications/demo';

/** The photographed tern of the demo; what visitors did to it, renamed or removed, stays. */
const PIER_TERN = '0192f3a0-0000-7041-8000-000000000001';

/** The demo station, made once; what people change in it stays, and what it has not yet is added. */
export async function loadDemo(em: Em, parts: Pick<Parts, 'files' | 'weighing'>): Promise<void> {
  const caller =
    (await demoCaller(em)) ??
    (await makeStation(em, { station: 'Quell Harbour demo station', name: 'demo', password: 'demo', demo: true }));
  const { stationId } = caller;
  const had = new Set((await listGuides(em, stationId)).map(({ slug }) => slug));
  for (const guide of demoGuides)
    if (!had.has(guide.id)) await addGuide(em, caller, await withDemoFigures(em, parts.files, caller, guide));
  await putDemoKeys(em, caller);
  await putDemoKeyGuide(em, parts.weighing, caller);
  await putDemoTiles(em, caller);
  await putDemoDraft(em, caller);
  const guides = new Map((await listGuides(em, stationId)).map((guide) => [guide.slug, guide.id]));
  const known = new Set(
    (await em.find(SpecimenEntity, { stationId, id: { $in: demoSpecimens.map(({ id }) => id) } }, { fields: ['id'] })).map(
      ({ id }) => id,
    ),
  );
  for (const { id, guide, ...content } of demoSpecimens) {
    if (known.has(id)) continue;
    const write: SpecimenWrite = { ...content, version: 0, guideId: guides.get(guide)!, hidden: false };
    await writeSpecimen(em, parts.weighing, caller, id, write);
  }
  if (!(await em.count(SpecimenEntity, { stationId, id: PIER_TERN }))) await putFirstLook(em, parts, caller, PIER_TERN);
  await putDemoFieldwork(em, caller, guides);
  await putDemoPractice(em, caller, guides);
  await putDemoSet(em, caller, guides);
  await putDemoOutcomes(em, parts, caller, guides);
  await putDemoOpinions(em, caller);
  await putDemoReview(em, parts, caller, guides);
  await putDemoConversation(em, caller);
  await putDemoAnswers(em, caller, guides);
  await keepDeedsOfRows(em, stationId);
  await putDemoColony(em, parts, caller, guides);
  const kept = new Set((await em.find(LotEntity, { stationId }, { fields: ['id'] })).map(({ id }) => id));
  for (const { id, guide, ...content } of demoLots) {
    if (!kept.has(id)) await writeLot(em, caller, id, { ...content, version: 0, guideId: guides.get(guide)!, hidden: false });
  }
}

async function demoCaller(em: Em): Promise<Caller | undefined> {
  const station = await em.findOne(StationEntity, { demo: true });
  const account = station && (await em.findOne(AccountEntity, { stationId: station.id }));
  return account ? inStation(account) : undefined;
}
