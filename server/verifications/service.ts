import type { Verification, VerificationList, VerificationQuery, VerificationWrite } from '@plesion/contract/verifications';
import { formsOf, isFormOf } from '@plesion/core/guide';
import { keepDeed } from '../audit/deeds';
import type { AnalysisPool } from '../analysis/pool';
import { IndividualEntity, SpecimenEntity, VerificationEntity, type VerificationColumns } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { checkPhotos } from '../photos/service';
import { checkAttachment } from './attachments';
import { forgetJudged, judgedOf } from './judging';
import { relist, relistMark, truthOfMark } from './relist';

const toldOf = (row: VerificationColumns): Verification => {
  const {
    id,
    specimenId,
    mark,
    individualId,
    kind,
    taxon,
    facets,
    wrong,
    onDay: on,
    sameCall,
    madeBy: by,
    at,
    note,
    photo,
    fileHash,
    fileName,
    withdrawnBy,
  } = row;
  return {
    ...{ id, kind, taxon, facets, wrong, on, sameCall, by, at: at.toISOString() },
    ...(specimenId ? { specimenId } : {}),
    ...(mark ? { mark } : {}),
    ...(individualId ? { individualId } : {}),
    ...(note ? { note } : {}),
    ...(photo ? { photo } : {}),
    ...(fileHash && fileName ? { file: { hash: fileHash, name: fileName } } : {}),
    ...(withdrawnBy ? { withdrawnBy } : {}),
  };
};

/** By which guide it is said what something is; of the bearer of a mark, that of its newest capture that has one. */
async function guideOf(
  em: Em,
  stationId: string,
  { specimenId, mark, individualId }: VerificationQuery,
): Promise<string | undefined> {
  if (individualId) {
    const individual = await em.findOne(IndividualEntity, { stationId, id: individualId }, { fields: ['guideId'] });
    if (!individual) throw notFound('individual');
    return individual.guideId ?? undefined;
  }
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

/** What a specimen, the bearer of a mark or an individual turned out to be, the newest first; of a specimen, with what was said of its individual. */
export async function listVerifications(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  of: VerificationQuery,
): Promise<VerificationList> {
  const { specimenId } = of;
  await guideOf(em, stationId, of);
  const where = { stationId, ...(specimenId ? { $or: await spokenOf(em, stationId, specimenId) } : of) };
  const rows = await em.find(VerificationEntity, where, { orderBy: { at: 'desc', id: 'asc' } });
  const counts = rows.some(({ withdrawnBy, sameCall }) => !withdrawnBy && !sameCall);
  const judged = counts && specimenId ? await judgedOf(em, pool, stationId, specimenId) : undefined;
  return { verifications: rows.map(toldOf), ...(judged ? { judged } : {}) };
}

/** A specimen, and the individual it is of. */
async function spokenOf(em: Em, stationId: string, specimenId: string) {
  const { individualId } = await em.findOneOrFail(SpecimenEntity, { stationId, id: specimenId }, { fields: ['individualId'] });
  return [{ specimenId }, ...(individualId ? [{ individualId }] : [])];
}

/** Keep what something turned out to be; sent twice, it is one. */
export async function verify(em: Em, caller: Caller, sent: VerificationWrite): Promise<Verification> {
  const { stationId, accountName } = caller;
  const { id, specimenId, mark, individualId, taxon, facets, photo } = sent;
  const guideId = await guideOf(em, stationId, { specimenId, mark, individualId });
  if (!guideId)
    throw badRequest([
      {
        code: 'no-guide',
        message: 'Choose a guide for it first: by it is said what it turned out to be.',
        field: specimenId ? 'specimenId' : mark ? 'mark' : 'individualId',
      },
    ]);
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.taxa.some((one) => one.id === taxon))
    throw badRequest([{ code: 'unknown-taxon', message: `There is no “${taxon}” in the guide it is named by.`, field: 'taxon' }]);
  if (!formsOf(guide).some((form) => isFormOf(guide, form, taxon, facets)))
    throw badRequest([{ code: 'no-such-form', message: 'The guide knows no such form of it.', field: 'facets' }]);
  await checkPhotos(em, stationId, { photo });
  const { on, note, file, ...rest } = sent;
  await checkAttachment(em, stationId, file);
  const row = {
    ...{
      ...rest,
      specimenId: specimenId ?? null,
      mark: mark ?? null,
      individualId: individualId ?? null,
      photo: photo ?? null,
      fileHash: file?.hash ?? null,
      fileName: file?.name ?? null,
      note: note || null,
    },
    ...{
      stationId,
      onDay: on,
      madeBy: accountName,
      at: new Date(),
      withdrawnBy: null,
      withdrawnAt: null,
      device: caller.device ?? '',
    },
  };
  await em.transactional(async (tx) => {
    const before = mark ? await truthOfMark(tx, stationId, mark) : undefined;
    const { affectedRows } = await tx
      .createQueryBuilder(VerificationEntity)
      .insert(row)
      .onConflict()
      .ignore()
      .execute<{ affectedRows: number }>('run', false);
    if (affectedRows) await follow(tx, caller, sent, before, `said ${id}`);
  });
  return toldOf(await em.findOneOrFail(VerificationEntity, { stationId, id }));
}

/** Take one back: it stays, with who did so. */
export async function withdrawVerification(em: Em, caller: Caller, id: string): Promise<Verification> {
  const { stationId, accountName } = caller;
  const at = new Date();
  return em.transactional(async (tx) => {
    const found = await tx.findOne(VerificationEntity, { stationId, id }, { fields: ['mark'], disableIdentityMap: true });
    if (!found) throw notFound('verification');
    const before = found.mark ? await truthOfMark(tx, stationId, found.mark) : undefined;
    const taken = await tx.nativeUpdate(
      VerificationEntity,
      { stationId, id, withdrawnBy: null },
      { withdrawnBy: accountName, withdrawnAt: at },
    );
    const row = await tx.findOneOrFail(VerificationEntity, { stationId, id });
    if (taken) {
      await keepDeed(tx, caller, { act: 'took back', kind: 'verification', ...deedOf(row), at });
      await follow(tx, caller, toldOf(row), before, `taken back ${id}`);
    }
    return toldOf(row);
  });
}

/** What a word is of, and what more is told of it among the deeds. */
function deedOf({ id, specimenId, individualId, mark, kind }: VerificationColumns): { id: string; fields: string[] } {
  const of = mark ? [mark] : individualId ? ['', 'individual'] : [];
  return { id: specimenId ?? individualId ?? id, fields: [kind, ...of] };
}

/**
 * What was worked out of a specimen follows a word on it, or on the individual it is of; and captures one on their bearer.
 *
 * @param before what the bearer of a mark had turned out to be.
 */
async function follow(
  tx: Em,
  caller: Caller,
  { specimenId, individualId, mark }: VerificationQuery,
  before: string | undefined,
  cause: string,
): Promise<void> {
  const { stationId } = caller;
  if (mark) await relistMark(tx, caller, mark, before, cause);
  const ids = individualId
    ? (await tx.find(SpecimenEntity, { stationId, individualId }, { fields: ['id'] })).map(({ id }) => id)
    : [];
  for (const id of specimenId ? [specimenId] : ids) {
    await forgetJudged(tx, stationId, id);
    await relist(tx, caller, id, cause);
  }
}
