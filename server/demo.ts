import type { SpecimenWrite } from '@plesion/contract';
import { demoSpecimens } from '@plesion/demo';
import { StationEntity } from './database/entities';
import type { Em } from './database/orm';
import { listGuides } from './guides/service';
import { makeStation } from './session/service';
import { writeSpecimen } from './specimens/service';
import type { WeighPool } from './standing/pool';

/** The demo station, made once; what people change in it stays. */
export async function loadDemo(em: Em, weighing: WeighPool): Promise<void> {
  if (await em.count(StationEntity, { demo: true })) return;
  const caller = await makeStation(em, { station: 'Quell Harbour demo station', name: 'demo', password: 'demo', demo: true });
  const guides = new Map((await listGuides(em, caller.stationId)).map((guide) => [guide.slug, guide.id]));
  for (const { id, guide, ...content } of demoSpecimens) {
    const write: SpecimenWrite = { ...content, version: 0, guideId: guides.get(guide)!, hidden: false };
    await writeSpecimen(em, weighing, caller, id, write);
  }
}
