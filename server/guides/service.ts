import { createHash, randomUUID } from 'node:crypto';
import { LockMode } from '@mikro-orm/core';
import type { GuideRow, StoredGuide } from '@plesion/contract';
import { stableJson } from '@plesion/core/formats';
import { formsOf, type Guide, readGuide } from '@plesion/core/guide';
import { GuideEntity, type GuideHead, GuideVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest, notFound } from '../http/errors';

/** Hash of a guide's content, whatever the order its JSON came in. */
export const guideHash = (guide: Guide): string => createHash('sha256').update(stableJson(guide)).digest('hex');

/**
 * Store a guide in a station. The same guide id makes a new version; the very
 * same content changes nothing.
 */
export async function putGuide(em: Em, stationId: string, guide: Guide): Promise<StoredGuide> {
  const hash = guideHash(guide);
  return em.transactional(async (tx) => {
    const known = await tx.findOne(GuideEntity, { stationId, slug: guide.id }, { lockMode: LockMode.PESSIMISTIC_WRITE });
    if (known?.hash === hash) return { ...headRow(known), guide };
    const version = (known?.version ?? 0) + 1;
    const head = {
      id: known?.id ?? randomUUID(),
      stationId,
      slug: guide.id,
      title: guide.title,
      summary: guide.summary,
      kind: guide.group,
      area: guide.area,
      version,
      hash,
      forms: formsOf(guide).length,
      characters: guide.characters.length,
      updatedAt: new Date(),
    };
    if (known) await tx.nativeUpdate(GuideEntity, { id: known.id }, head);
    else await tx.insert(GuideEntity, head);
    await tx.insert(GuideVersionEntity, { guideId: head.id, version, stationId, hash, content: guide, createdAt: new Date() });
    return { ...headRow(head), guide };
  });
}

/** Take in Plesion JSON: the whole guide, or a list of what is wrong with it. */
export async function importGuide(em: Em, stationId: string, json: unknown): Promise<StoredGuide> {
  const read = readGuide(json);
  if (!read.ok) throw badRequest(read.problems);
  return putGuide(em, stationId, read.value);
}

export async function listGuides(em: Em, stationId: string): Promise<GuideRow[]> {
  const heads = await em.find(GuideEntity, { stationId }, { orderBy: { title: 'asc' } });
  return heads.map(headRow);
}

/** A guide of the station, at its newest version or the one asked for. */
export async function findGuide(em: Em, stationId: string, id: string, version?: number): Promise<StoredGuide> {
  const head = await em.findOne(GuideEntity, { stationId, id });
  if (!head) throw notFound('guide');
  const stored = await em.findOne(GuideVersionEntity, { guideId: id, version: version ?? head.version });
  if (!stored) throw notFound('version of the guide');
  return { ...headRow(head), version: stored.version, hash: stored.hash, guide: stored.content };
}

function headRow(head: Omit<GuideHead, 'stationId'>): GuideRow {
  const { id, slug, title, summary, kind, area, version, hash, forms, characters, updatedAt } = head;
  return { id, slug, title, summary, group: kind, area, version, hash, forms, characters, updatedAt: updatedAt.toISOString() };
}
