import { planOf } from '@plesion/core/plates/plans';
import { USUAL_WRONG, type VerificationKind } from '@plesion/core/verification';
import { demoGuides, terns } from '@plesion/demo';
import { VerificationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { photograph } from '../firstLook/camera';
import type { Caller } from '../http/route';
import type { Parts } from '../parts';
import { addPhoto } from '../photos/service';
import { writeSpecimen } from '../specimens/service';
import { CAGED, cagedMoth, idOf, type Local, type Record, recordsOf } from './demoRecords';

/** What was found out of the demo's guides, how often, and by what. */
const KNOWN: { guide: string; n: number; kinds: VerificationKind[]; local?: Local }[] = [
  { guide: 'ledge-crabs', n: 30, kinds: ['dissection', 'expert'] },
  { guide: 'lantern-moths', n: 35, kinds: ['egg', 'bred-true', 'dissection'] },
  { guide: 'tessary-terns', n: 34, kinds: ['recapture', 'molecular', 'song'] },
  { guide: 'strand-beetles', n: 24, kinds: ['dissection', 'expert'] },
  { guide: 'bog-umbels', n: 14, kinds: ['bred-true', 'expert'] },
  { guide: 'tent-cones', n: 10, kinds: ['molecular', 'expert'] },
  // On the ledges of Quell Harbour the ashen ledge crab's eyes stand on long stalks; the books have them short.
  {
    ...{ guide: 'ledge-crabs', n: 12, kinds: ['dissection'] },
    local: { taxon: 'cinerata', character: 'eye-stalks', state: 'long', otherwise: 'short', often: 0.85 },
  },
];

const AT_ONCE = 4;

/** So many of the terns were photographed, on the pier. */
const PHOTOGRAPHED = 4;

/** Records of which it turned out what they were, made once: as they are drawn from the guides' own scores, read and named by three people. */
export async function putDemoOutcomes(
  em: Em,
  { files, weighing }: Pick<Parts, 'files' | 'weighing'>,
  caller: Caller,
  guides: ReadonlyMap<string, string>,
): Promise<void> {
  const { stationId } = caller;
  if (await em.count(VerificationEntity, { stationId })) return;
  const all = KNOWN.flatMap(({ guide: slug, n, kinds, local }, k) => {
    const guideId = guides.get(slug);
    const guide = demoGuides.find(({ id }) => id === slug);
    if (!guide || !guideId) return [];
    const records = recordsOf(guide, guideId, n, kinds, 1000 * (k + 1), local ? { local, seed: `local ${slug}` } : {});
    return slug === CAGED.guide ? [...records, cagedMoth(guide, guideId)] : records;
  });
  const photos = await photographs(em, files, caller, all);
  for (let i = 0; i < all.length; i += AT_ONCE) {
    await Promise.all(
      all
        .slice(i, i + AT_ONCE)
        .map(({ id, by, write }) =>
          writeSpecimen(em.fork(), weighing, { ...caller, accountName: by }, id, { ...write, ...photos.get(id) }),
        ),
    );
  }
  await em.transactional(async (tx) => {
    await tx.getConnection().execute(
      `update specimen set created_at = known.at, updated_at = known.at
       from jsonb_to_recordset(?::jsonb) as known (id uuid, at timestamptz) where station_id = ? and specimen.id = known.id`,
      [JSON.stringify(all.map(({ id, at }) => ({ id, at }))), stationId],
      'run',
      tx.getTransactionContext(),
    );
    await tx.insertMany(
      VerificationEntity,
      all.map(({ id, at, outcome: { kind, taxon, facets } }, i) => {
        const known = new Date(at.getTime() + 40 * 86_400_000);
        return {
          ...{ stationId, id: idOf(473, i + 1), specimenId: id, kind, taxon, facets, wrong: USUAL_WRONG[kind], note: null },
          ...{ mark: null, photo: null, fileHash: null, fileName: null },
          ...{
            onDay: known.toISOString().slice(0, 10),
            sameCall: false,
            madeBy: caller.accountName,
            at: known,
            withdrawnBy: null,
            withdrawnAt: null,
          },
        };
      }),
    );
    await putRinged(tx, caller);
  });
}

/** A ringed bird that was called a male by its size, and laid an egg. */
async function putRinged(tx: Em, { stationId, accountName }: Caller): Promise<void> {
  const [bird] = await tx.getConnection().execute<{ mark: string; taxon: string; day: string }[]>(
    `select mark, max(content->>'taxon') as taxon, to_char(max(at), 'YYYY-MM-DD') as day from capture
     where station_id = ? and not hidden and mark is not null group by mark
     having bool_or(content->>'sex' = 'male' and content->>'sexBy' = 'size') and bool_or(content->>'sex' = 'female')
       and count(distinct content->>'taxon') = 1 order by count(*) desc, mark limit 1`,
    [stationId],
    'all',
    tx.getTransactionContext(),
  );
  if (!bird) return;
  const { mark, taxon, day } = bird;
  await tx.insert(VerificationEntity, {
    ...{ stationId, id: idOf(476, 1), specimenId: null, mark, kind: 'egg', taxon, facets: { sex: 'female' } },
    ...{
      wrong: USUAL_WRONG.egg,
      onDay: day,
      note: 'Read through the telescope on a nest with two eggs.',
      photo: null,
      fileHash: null,
      fileName: null,
    },
    ...{ sameCall: false, madeBy: accountName, at: new Date(`${day}T18:00:00Z`), withdrawnBy: null, withdrawnAt: null },
  });
}

/** What the camera saw of some of the terns. */
async function photographs(em: Em, files: Parts['files'], caller: Caller, all: readonly Record[]): Promise<Map<string, object>> {
  const plan = planOf(terns)!;
  const some = all.filter(({ outcome }) => terns.taxa.some(({ id }) => id === outcome.taxon)).slice(0, PHOTOGRAPHED);
  const found = await Promise.all(
    some.map(async ({ id, traits, write: { label } }, i): Promise<[string, object]> => {
      const { hash } = await addPhoto(em.fork(), files, caller, await photograph(plan.draw(traits, 'perched', 'full'), label));
      return [id, { photo: hash, media: [{ id: idOf(474, i + 1), kind: 'photo', hash, view: 'perched' }] }];
    }),
  );
  return new Map(found);
}
