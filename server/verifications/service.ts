import type { Verification, VerificationList, VerificationWrite } from '@plesion/contract/verifications';
import { formsOf, isFormOf } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import { SpecimenEntity, VerificationEntity, type VerificationColumns } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { forgetJudged, judgedOf } from './judging';

const toldOf = (row: VerificationColumns): Verification => {
  const { id, specimenId, kind, taxon, facets, wrong, onDay: on, sameCall, madeBy: by, at, note, withdrawnBy } = row;
  return {
    ...{ id, specimenId, kind, taxon, facets, wrong, on, sameCall, by, at: at.toISOString() },
    ...(note ? { note } : {}),
    ...(withdrawnBy ? { withdrawnBy } : {}),
  };
};

async function specimenOf(em: Em, stationId: string, id: string) {
  const specimen = await em.findOne(SpecimenEntity, { stationId, id }, { fields: ['guideId', 'guideVersion'] });
  if (!specimen) throw notFound('specimen');
  return specimen;
}

/** What a specimen turned out to be, the newest first. */
export async function listVerifications(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  specimenId: string,
): Promise<VerificationList> {
  await specimenOf(em, stationId, specimenId);
  const rows = await em.find(VerificationEntity, { stationId, specimenId }, { orderBy: { at: 'desc', id: 'asc' } });
  const counts = rows.some(({ withdrawnBy, sameCall }) => !withdrawnBy && !sameCall);
  const judged = counts ? await judgedOf(em, pool, stationId, specimenId) : undefined;
  return { verifications: rows.map(toldOf), ...(judged ? { judged } : {}) };
}

/** Keep what a specimen turned out to be; sent twice, it is one. */
export async function verify(em: Em, { stationId, accountName }: Caller, sent: VerificationWrite): Promise<Verification> {
  const { specimenId, taxon, facets } = sent;
  const { guideId } = await specimenOf(em, stationId, specimenId);
  if (!guideId)
    throw badRequest([
      {
        code: 'no-guide',
        message: 'Choose a guide for the specimen first: by it is said what it turned out to be.',
        field: 'specimenId',
      },
    ]);
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.taxa.some(({ id }) => id === taxon))
    throw badRequest([{ code: 'unknown-taxon', message: `There is no “${taxon}” in the specimen’s guide.`, field: 'taxon' }]);
  if (!formsOf(guide).some((form) => isFormOf(guide, form, taxon, facets)))
    throw badRequest([{ code: 'no-such-form', message: 'The guide knows no such form of it.', field: 'facets' }]);
  const { on, note, ...rest } = sent;
  const row = { ...rest, stationId, onDay: on, note: note || null, madeBy: accountName, at: new Date(), withdrawnBy: null };
  await em.transactional(async (tx) => {
    await tx.createQueryBuilder(VerificationEntity).insert(row).onConflict().ignore().execute('run', false);
    await forgetJudged(tx, stationId, specimenId);
  });
  return toldOf(await em.findOneOrFail(VerificationEntity, { stationId, id: sent.id }));
}

/** Take one back: it stays, with who did so. */
export async function withdrawVerification(em: Em, { stationId, accountName }: Caller, id: string): Promise<Verification> {
  return em.transactional(async (tx) => {
    await tx.nativeUpdate(VerificationEntity, { stationId, id, withdrawnBy: null }, { withdrawnBy: accountName });
    const row = await tx.findOne(VerificationEntity, { stationId, id });
    if (!row) throw notFound('verification');
    await forgetJudged(tx, stationId, row.specimenId);
    return toldOf(row);
  });
}
