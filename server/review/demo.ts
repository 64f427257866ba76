import { frameShot } from '@plesion/core/camera';
import { compiledFor, type Guide } from '@plesion/core/guide';
import type { Plan } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { demoGuides } from '@plesion/demo';
import { SpecimenEntity } from '../database/entities';
import { photograph } from '../camera/photograph';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import type { Parts } from '../parts';
import { addPhoto } from '../photos/service';
import { writeSpecimen } from '../specimens/service';
import { idOf, type Record, recordsOf } from '../verifications/demoRecords';

/** Names of others that nobody has looked at yet: by which guide, how many, and the view in which the first was photographed. */
const WAITING: { guide: string; n: number; view?: string }[] = [
  { guide: 'tent-cones', n: 3 },
  { guide: 'ledge-crabs', n: 4 },
  { guide: 'tessary-terns', n: 3, view: 'perched' },
  { guide: 'lantern-moths', n: 2 },
];
const SEASON = [2026];

/** Records that wait for a reviewer, made once. */
export async function putDemoReview(
  em: Em,
  { files, weighing }: Pick<Parts, 'files' | 'weighing'>,
  caller: Caller,
  guides: ReadonlyMap<string, string>,
): Promise<void> {
  const { stationId } = caller;
  const all = WAITING.flatMap(({ guide: slug, n, view }, k) => {
    const guideId = guides.get(slug);
    const guide = demoGuides.find(({ id }) => id === slug);
    if (!guide || !guideId) return [];
    const drawn = recordsOf(guide, guideId, n, ['expert'], 9000 + 100 * k, { seed: `desk of ${slug}`, years: SEASON });
    return drawn.map((record, i) => ({ record, guide, view: i === 0 ? view : undefined }));
  });
  if (all.length === 0 || (await em.count(SpecimenEntity, { stationId, id: all[0].record.id }))) return;
  // One after the other: what draws and keeps photos must not wait for a connection while it does.
  for (const [i, { record, guide, view }] of all.entries()) {
    const photo = view ? await photoOf(em.fork(), files, caller, guide, record, view, i) : {};
    await writeSpecimen(em.fork(), weighing, { ...caller, accountName: record.by }, record.id, { ...record.write, ...photo });
  }
}

/** The field camera before this very individual. */
async function photoOf(
  em: Em,
  files: Parts['files'],
  caller: Caller,
  guide: Guide,
  { traits, write: { label } }: Record,
  view: string,
  i: number,
): Promise<object> {
  const plan = planOf(guide)!;
  const before: Plan = { ...plan, draw: (_, as, detail) => plan.draw(traits, as, detail) };
  const shot = { view };
  const { hash } = await addPhoto(
    em,
    files,
    caller,
    await photograph(frameShot(compiledFor(guide, {}), before, shot, label), guide.plan!, shot, label),
  );
  return { photo: hash, media: [{ id: idOf(475, i + 1), kind: 'photo', hash, view }] };
}
