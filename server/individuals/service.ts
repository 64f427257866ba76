import type { Individual, IndividualQuery, IndividualWrite } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import { IndividualEntity, type IndividualRecord } from '../database/entities';
import type { Em } from '../database/orm';
import { checkKept } from '../colony/checkKept';
import { checkGuideId } from '../guides/service';
import { findRecord, type RecordKind, type Writer, writeVersioned } from '../records/write';

export async function listIndividuals(em: Em, stationId: string, { guideId, hidden }: IndividualQuery): Promise<Individual[]> {
  const where = { stationId, hidden: hidden === 'yes', ...(guideId ? { guideId } : {}) };
  const records = await em.find(IndividualEntity, where, { orderBy: { updatedAt: 'desc' }, limit: 500 });
  return records.map(individualOf);
}

export const findIndividual = (em: Em, stationId: string, id: string): Promise<Individual> =>
  findRecord(em, INDIVIDUAL, stationId, id);

const INDIVIDUAL: RecordKind<IndividualRecord, IndividualWrite, Individual> = {
  name: 'individual',
  entity: IndividualEntity,
  wireOf: (_, record) => individualOf(record),
  same: (stored, sent) => contentOf(stored) === contentOf(sent),
};

export async function writeIndividual(em: Em, writer: Writer, id: string, sent: IndividualWrite): Promise<Individual> {
  const { stationId } = writer;
  await checkGuideId(em, stationId, sent.guideId);
  if (sent.kept) await checkKept(em, stationId, id, sent.guideId, sent.kept);
  return writeVersioned(em, INDIVIDUAL, writer, id, sent, (stored, version) => {
    const now = new Date();
    return {
      id,
      stationId,
      guideId: sent.guideId ?? null,
      version,
      label: sent.label,
      note: sent.note ?? null,
      kept: sent.kept ?? null,
      hidden: sent.hidden,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
  });
}

const contentOf = ({ guideId, label, note, kept, hidden }: Omit<IndividualWrite, 'version'>) =>
  stableJson({ guideId, label, note, kept, hidden });

function individualOf({ id, version, guideId, label, note, kept, hidden, createdAt, updatedAt }: IndividualRecord): Individual {
  return {
    id,
    version,
    ...(guideId ? { guideId } : {}),
    label,
    ...(note ? { note } : {}),
    ...(kept ? { kept } : {}),
    hidden,
    createdAt: createdAt.toISOString(),
    updatedAt: updatedAt.toISOString(),
  };
}
