import { LockMode } from '@mikro-orm/core';
import type { Lot, LotWrite } from '@plesion/contract';
import { stableJson } from '@plesion/core/formats';
import { LotEntity, type LotRecord, SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest, notFound, staleVersion } from '../http/errors';
import { checkWalk, guideFor } from '../keys/service';

export async function listLots(em: Em, stationId: string, query: { guideId?: string; hidden?: 'yes' }): Promise<Lot[]> {
  const where = { stationId, hidden: query.hidden === 'yes', ...(query.guideId ? { guideId: query.guideId } : {}) };
  return (await em.find(LotEntity, where, { orderBy: { updatedAt: 'desc' }, limit: 500 })).map(lotOf);
}

export async function findLot(em: Em, stationId: string, id: string): Promise<Lot> {
  const record = await em.findOne(LotEntity, { id, stationId });
  if (!record) throw notFound('lot');
  return lotOf(record);
}

/** Write a lot: new at version 0, else on top of the version named; a stale version gets both sides back. */
export async function writeLot(em: Em, stationId: string, id: string, sent: LotWrite): Promise<Lot> {
  await guideFor(em, stationId, sent.guideId);
  await checkParts(em, stationId, sent);
  return em.transactional(async (tx) => {
    const stored = await tx.findOne(LotEntity, { id }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (stored ? stored.stationId !== stationId : sent.version > 0) throw notFound('lot');
    if (stored && stored.version !== sent.version) {
      const known = lotOf(stored);
      if (contentOf(known) === contentOf(sent)) return known;
      throw staleVersion('lot', known, sent);
    }
    const now = new Date();
    const record: LotRecord = {
      id,
      stationId,
      guideId: sent.guideId,
      version: (stored?.version ?? 0) + 1,
      label: sent.label,
      specimens: sent.specimens,
      walk: sent.walk ?? null,
      note: sent.note ?? null,
      hidden: sent.hidden,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
    if (stored) await tx.nativeUpdate(LotEntity, { id }, record);
    else await tx.insert(LotEntity, record);
    return lotOf(record);
  });
}

const contentOf = ({ guideId, label, specimens, walk, note, hidden }: Omit<LotWrite, 'version'>) =>
  stableJson({ guideId, label, specimens, walk, note, hidden });

/** Its specimens and its key are the station's, and the specimens of one guide. */
async function checkParts(em: Em, stationId: string, { specimens, guideId, walk }: LotWrite): Promise<void> {
  if (new Set(specimens).size < specimens.length) {
    throw badRequest([{ code: 'specimen-twice', message: 'A specimen is named twice in the lot.', field: 'specimens' }]);
  }
  const known = await em.find(SpecimenEntity, { id: { $in: specimens }, stationId, guideId }, { fields: ['id'] });
  const missing = specimens.findIndex((id) => !known.some((record) => record.id === id));
  if (missing >= 0) {
    throw badRequest([
      {
        code: 'unknown-specimen',
        message: 'That is no specimen of this station read with the lot’s guide.',
        field: `specimens[${missing}]`,
      },
    ]);
  }
  await checkWalk(em, stationId, walk);
}

function lotOf({ id, version, guideId, label, specimens, walk, note, hidden, createdAt, updatedAt }: LotRecord): Lot {
  return {
    id,
    version,
    guideId,
    label,
    specimens,
    ...(walk ? { walk } : {}),
    ...(note ? { note } : {}),
    hidden,
    createdAt: createdAt.toISOString(),
    updatedAt: updatedAt.toISOString(),
  };
}
