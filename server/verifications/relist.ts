import type { CaptureWrite } from '@plesion/contract';
import type { Facets } from '@plesion/core/guide';
import { listedInstead } from '@plesion/core/verification';
import { SpecimenEntity, type SpecimenRecord } from '../database/entities';
import { CaptureEntity } from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { guideIdsOf, listedCapture } from '../fieldwork/knownCaptures';
import { findGuide, guidesOf } from '../guides/service';
import { type ListedName, noteCorrection } from '../records/corrections';
import type { Writer } from '../records/write';
import { surest, surestOfMark } from './surest';

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

/** What the bearer of a mark turned out to be, by the surest word; nothing where there is none. */
export async function truthOfMark(tx: Em, stationId: string, mark: string): Promise<string | undefined> {
  const [truth] = await tx
    .getConnection()
    .execute<{ taxon: string }[]>(
      `select sure.taxon from (select ?::uuid as station_id, ? as mark) m join lateral ${surestOfMark('v.taxon')} as sure on true`,
      [stationId, mark],
      'all',
      tx.getTransactionContext(),
    );
  return truth?.taxon;
}

/**
 * A word on the bearer of a mark was said or taken back: its captures stay as they were written, and lists follow,
 * saying what moved and why.
 *
 * @param before what the bearer turned out to be until now.
 */
export async function relistMark(tx: Em, writer: Writer, mark: string, before: string | undefined, cause: string): Promise<void> {
  const { stationId } = writer;
  const now = await truthOfMark(tx, stationId, mark);
  if (before === now) return;
  const captures = await tx.find(CaptureEntity, { stationId, mark }, { disableIdentityMap: true });
  const contents = captures.map(({ content }) => content as CaptureWrite);
  const guides = await guidesOf(tx, stationId, guideIdsOf(contents));
  for (const [i, { id, version, at, visitId, recordedBy, hidden }] of captures.entries()) {
    const asListed = (truth: string | undefined) => ({
      hidden,
      name: listedCapture(contents[i], guides.get(contents[i].guideId ?? ''), truth),
    });
    const record = { kind: 'capture' as const, id, version, day: at.toISOString().slice(0, 10), visitId, recordedBy, cause };
    await noteCorrection(tx, writer, record, asListed(before), asListed(now));
  }
}

export const dayOf = ({ seenOn, createdAt }: Pick<SpecimenRecord, 'seenOn' | 'createdAt'>): string =>
  seenOn ?? createdAt.toISOString().slice(0, 10);
