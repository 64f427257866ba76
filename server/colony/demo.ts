import { type DemoKept, demoColony } from '@plesion/demo/colony';
import type { Kept } from '@plesion/core/colony/schema';
import type { Em } from '../database/orm';
import { IndividualEntity } from '../database/entities';
import { writeIndividual } from '../individuals/service';
import type { Writer } from '../records/write';
import { idOf } from '../verifications/demoRecords';

const idFor = (no: number): string => idOf(485, no);

/** The moth cages of the demo, made once; what visitors wrote in them stays. */
export async function putDemoColony(em: Em, writer: Writer, guides: ReadonlyMap<string, string>): Promise<void> {
  const guideId = guides.get('lantern-moths');
  if (!guideId || (await em.count(IndividualEntity, { stationId: writer.stationId, id: idFor(demoColony[0].no) }))) return;
  for (const one of demoColony)
    await writeIndividual(em, writer, idFor(one.no), {
      ...{ version: 0, guideId, label: `Moth ${one.no}`, hidden: false, kept: keptOf(one) },
      ...(one.note ? { note: one.note } : {}),
    });
}

const keptOf = ({
  sex,
  certainty = 1,
  hatched,
  father,
  fathers,
  mother,
  strain,
  pen,
  status = 'here',
  morph,
  seenRightly,
}: DemoKept): Kept => ({
  ...{ sex: { called: sex, certainty }, hatched, strain, pen, status },
  ...(father === undefined ? {} : { father: idFor(father) }),
  ...(fathers ? { fathers: fathers.map(idFor) } : {}),
  ...(mother === undefined ? {} : { mother: idFor(mother) }),
  phenotypes: morph ? { morph: seenRightly === undefined ? morph : { states: [morph], certainty: seenRightly } } : {},
});
