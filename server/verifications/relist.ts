import type { Facets } from '@plesion/core/guide';
import { listedInstead } from '@plesion/core/verification';
import { SpecimenEntity, type SpecimenRecord } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { type ListedName, noteCorrection } from '../records/corrections';
import type { Writer } from '../records/write';
import { surest } from './surest';

/** What a specimen goes by on lists: the name given last, where it is not doubted; or what it turned out to be instead. */
export function listedName({ guideId, determinations, listedInstead: instead }: ListedParts): ListedName | undefined {
  if (!guideId) return undefined;
  if (instead) return { guideId, taxon: instead };
  return givenName({ guideId, determinations });
}

export type ListedParts = Pick<SpecimenRecord, 'guideId' | 'determinations' | 'listedInstead'>;

function givenName({ guideId, determinations }: Pick<ListedParts, 'guideId' | 'determinations'>) {
  const last = determinations.at(-1);
  if (!guideId || !last?.taxon || !['none', 'or'].includes(last.qualifier)) return undefined;
  return { guideId, taxon: last.taxon, ...(last.other ? { other: last.other } : {}) };
}

/** The taxon that a specimen stands under instead of its name, by the surest word on it. */
export async function insteadOf(tx: Em, record: SpecimenRecord): Promise<string | null> {
  const { stationId, id, guideId } = record;
  if (!guideId) return null;
  const [truth] = await tx
    .getConnection()
    .execute<{ taxon: string; facets: Facets }[]>(
      `select sure.taxon, sure.facets from specimen s join lateral ${surest('v.*')} as sure on true where s.station_id = ? and s.id = ?`,
      [stationId, id],
      'all',
      tx.getTransactionContext(),
    );
  if (!truth) return null;
  const { guide } = await findGuide(tx, stationId, guideId);
  return listedInstead(guide, givenName(record), truth) ?? null;
}

/** A word on a specimen was said or taken back: lists follow, and say what moved and why. */
export async function relist(tx: Em, writer: Writer, specimenId: string, cause: string): Promise<void> {
  const { stationId } = writer;
  const record = await tx.findOneOrFail(SpecimenEntity, { stationId, id: specimenId }, { disableIdentityMap: true });
  const instead = await insteadOf(tx, record);
  const before = record.listedInstead ?? null;
  if (instead === before) return;
  await tx.nativeUpdate(SpecimenEntity, { stationId, id: specimenId }, { listedInstead: instead });
  const asListed = (one: string | null) => ({ hidden: record.hidden, name: listedName({ ...record, listedInstead: one }) });
  await noteCorrection(
    tx,
    writer,
    { kind: 'specimen', id: specimenId, version: record.version, day: dayOf(record), recordedBy: record.recordedBy, cause },
    asListed(before),
    asListed(instead),
  );
}

export const dayOf = ({ seenOn, createdAt }: Pick<SpecimenRecord, 'seenOn' | 'createdAt'>): string =>
  seenOn ?? createdAt.toISOString().slice(0, 10);
