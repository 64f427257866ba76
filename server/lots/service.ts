import type { Lot, LotWrite } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import { LotEntity, type LotRecord, LotSpecimenEntity, SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { checkGuideId } from '../guides/service';
import { badRequest } from '../http/errors';
import { checkWalk } from '../keys/service';
import { findRecord, type RecordKind, type Writer, writeVersioned } from '../records/write';

export async function listLots(em: Em, stationId: string, query: { guideId?: string; hidden?: 'yes' }): Promise<Lot[]> {
  const where = { stationId, hidden: query.hidden === 'yes', ...(query.guideId ? { guideId: query.guideId } : {}) };
  const records = await em.find(LotEntity, where, { orderBy: { updatedAt: 'desc' }, limit: 500 });
  const members = await membersOf(em, stationId, records);
  return records.map((record) => lotOf(record, members.get(record.id) ?? []));
}

export const findLot = (em: Em, stationId: string, id: string): Promise<Lot> => findRecord(em, LOT, stationId, id);

const LOT: RecordKind<LotRecord, LotWrite, Lot> = {
  name: 'lot',
  entity: LotEntity,
  wireOf: async (em, record, written) =>
    lotOf(record, written?.specimens ?? (await membersOf(em, record.stationId, [record])).get(record.id) ?? []),
  same: (stored, sent) => contentOf(stored) === contentOf(sent),
  parts: putMembers,
};

export async function writeLot(em: Em, writer: Writer, id: string, sent: LotWrite): Promise<Lot> {
  const { stationId } = writer;
  await checkGuideId(em, stationId, sent.guideId);
  await checkParts(em, stationId, sent);
  return writeVersioned(em, LOT, writer, id, sent, (stored, version) => {
    const now = new Date();
    return {
      id,
      stationId,
      guideId: sent.guideId ?? null,
      version,
      label: sent.label,
      walk: sent.walk ?? null,
      note: sent.note ?? null,
      hidden: sent.hidden,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
  });
}

const contentOf = ({ guideId, label, specimens, walk, note, hidden }: Omit<LotWrite, 'version'>) =>
  stableJson({ guideId, label, specimens, walk, note, hidden });

/** The specimens of some lots, in their order, fetched as a set. */
async function membersOf(em: Em, stationId: string, lots: readonly { id: string }[]): Promise<Map<string, string[]>> {
  const rows = await em.find(
    LotSpecimenEntity,
    { stationId, lotId: { $in: lots.map(({ id }) => id) } },
    { orderBy: { position: 'asc' } },
  );
  const members = new Map<string, string[]>();
  for (const { lotId, specimenId } of rows) members.set(lotId, [...(members.get(lotId) ?? []), specimenId]);
  return members;
}

async function putMembers(tx: Em, { id: lotId, stationId }: LotRecord, { specimens }: LotWrite): Promise<void> {
  await tx.nativeDelete(LotSpecimenEntity, { stationId, lotId });
  if (specimens.length === 0) return;
  await tx.insertMany(
    LotSpecimenEntity,
    specimens.map((specimenId, position) => ({ stationId, lotId, specimenId, position })),
  );
}

/** Its specimens and its key are the station's, and the specimens of one guide, or of none. */
async function checkParts(em: Em, stationId: string, { specimens, guideId, walk }: LotWrite): Promise<void> {
  if (new Set(specimens).size < specimens.length) {
    throw badRequest([{ code: 'specimen-twice', message: 'A specimen is named twice in the lot.', field: 'specimens' }]);
  }
  const where = { id: { $in: specimens }, stationId, guideId: guideId ?? null };
  const known = await em.find(SpecimenEntity, where, { fields: ['id'] });
  const missing = specimens.findIndex((id) => !known.some((record) => record.id === id));
  if (missing >= 0) {
    const message = guideId
      ? 'That is no specimen of this station read with the lot’s guide.'
      : 'That is no specimen of this station without a guide; a lot without one holds only such.';
    throw badRequest([{ code: 'unknown-specimen', message, field: `specimens[${missing}]` }]);
  }
  await checkWalk(em, stationId, walk);
}

function lotOf(record: LotRecord, specimens: string[]): Lot {
  const { id, version, guideId, label, walk, note, hidden, createdAt, updatedAt } = record;
  return {
    id,
    version,
    ...(guideId ? { guideId } : {}),
    label,
    specimens,
    ...(walk ? { walk } : {}),
    ...(note ? { note } : {}),
    hidden,
    createdAt: createdAt.toISOString(),
    updatedAt: updatedAt.toISOString(),
  };
}
