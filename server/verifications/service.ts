import type { Verification, VerificationList, VerificationQuery, VerificationWrite } from '@plesion/contract/verifications';
import { formsOf, isFormOf } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import { SpecimenEntity, VerificationEntity, type VerificationColumns } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { checkPhotos } from '../photos/service';
import { forgetJudged, judgedOf } from './judging';
import { relist } from './relist';

const toldOf = (row: VerificationColumns): Verification => {
  const { id, specimenId, mark, kind, taxon, facets, wrong, onDay: on, sameCall, madeBy: by, at, note, photo, withdrawnBy } = row;
  return {
    ...{ id, kind, taxon, facets, wrong, on, sameCall, by, at: at.toISOString() },
    ...(specimenId ? { specimenId } : {}),
    ...(mark ? { mark } : {}),
    ...(note ? { note } : {}),
    ...(photo ? { photo } : {}),
    ...(withdrawnBy ? { withdrawnBy } : {}),
  };
};

/** By which guide it is said what a specimen is, or the bearer of a mark: that of its newest capture that has one. */
async function guideOf(em: Em, stationId: string, { specimenId, mark }: VerificationQuery): Promise<string | undefined> {
  if (specimenId) {
    const specimen = await em.findOne(SpecimenEntity, { stationId, id: specimenId }, { fields: ['guideId'] });
    if (!specimen) throw notFound('specimen');
    return specimen.guideId ?? undefined;
  }
  const [captured] = await em.getConnection().execute<{ guideId: string | null }[]>(
    `select content->>'guideId' as "guideId" from capture where station_id = ? and mark = ? and not hidden
     order by content->>'guideId' is null, at desc limit 1`,
    [stationId, mark],
  );
  if (!captured) throw notFound('ring');
  return captured.guideId ?? undefined;
}

/** What a specimen, or the bearer of a mark, turned out to be, the newest first. */
export async function listVerifications(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  { specimenId, mark }: VerificationQuery,
): Promise<VerificationList> {
  await guideOf(em, stationId, { specimenId, mark });
  const where = { stationId, ...(specimenId ? { specimenId } : { mark }) };
  const rows = await em.find(VerificationEntity, where, { orderBy: { at: 'desc', id: 'asc' } });
  const counts = rows.some(({ withdrawnBy, sameCall }) => !withdrawnBy && !sameCall);
  const judged = counts && specimenId ? await judgedOf(em, pool, stationId, specimenId) : undefined;
  return { verifications: rows.map(toldOf), ...(judged ? { judged } : {}) };
}

/** Keep what something turned out to be; sent twice, it is one. */
export async function verify(em: Em, caller: Caller, sent: VerificationWrite): Promise<Verification> {
  const { stationId, accountName } = caller;
  const { id, specimenId, mark, taxon, facets, photo } = sent;
  const guideId = await guideOf(em, stationId, { specimenId, mark });
  if (!guideId)
    throw badRequest([
      {
        code: 'no-guide',
        message: 'Choose a guide for it first: by it is said what it turned out to be.',
        field: specimenId ? 'specimenId' : 'mark',
      },
    ]);
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.taxa.some((one) => one.id === taxon))
    throw badRequest([{ code: 'unknown-taxon', message: `There is no “${taxon}” in the guide it is named by.`, field: 'taxon' }]);
  if (!formsOf(guide).some((form) => isFormOf(guide, form, taxon, facets)))
    throw badRequest([{ code: 'no-such-form', message: 'The guide knows no such form of it.', field: 'facets' }]);
  await checkPhotos(em, stationId, { photo });
  const { on, note, ...rest } = sent;
  const row = {
    ...{ ...rest, specimenId: specimenId ?? null, mark: mark ?? null, photo: photo ?? null, note: note || null },
    ...{ stationId, onDay: on, madeBy: accountName, at: new Date(), withdrawnBy: null, withdrawnAt: null, device: caller.device ?? '' },
  };
  await em.transactional(async (tx) => {
    const { affectedRows } = await tx
      .createQueryBuilder(VerificationEntity)
      .insert(row)
      .onConflict()
      .ignore()
      .execute<{ affectedRows: number }>('run', false);
    if (specimenId && affectedRows) await follow(tx, caller, specimenId, `said ${id}`);
  });
  return toldOf(await em.findOneOrFail(VerificationEntity, { stationId, id }));
}

/** Take one back: it stays, with who did so. */
export async function withdrawVerification(em: Em, caller: Caller, id: string): Promise<Verification> {
  const { stationId, accountName } = caller;
  return em.transactional(async (tx) => {
    const taken = await tx.nativeUpdate(VerificationEntity, { stationId, id, withdrawnBy: null }, { withdrawnBy: accountName, withdrawnAt: new Date() });
    const row = await tx.findOne(VerificationEntity, { stationId, id });
    if (!row) throw notFound('verification');
    if (row.specimenId && taken) await follow(tx, caller, row.specimenId, `taken back ${id}`);
    return toldOf(row);
  });
}

/** What was worked out of a specimen follows a word on it. */
async function follow(tx: Em, caller: Caller, specimenId: string, cause: string): Promise<void> {
  await forgetJudged(tx, caller.stationId, specimenId);
  await relist(tx, caller, specimenId, cause);
}
