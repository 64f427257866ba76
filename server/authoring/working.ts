import { getHeapStatistics } from 'node:v8';
import { LockMode } from '@mikro-orm/core';
import {
  type Change,
  type Draft,
  draftOf,
  packed,
  type PackedDraft,
  unpacked,
  type Working,
  workingOf,
} from '@plesion/core/authoring';
import { LRUCache } from 'lru-cache';
import { bound } from '../database/bound';
import { type DraftColumns, DraftEditEntity, DraftEntity } from '../database/draftEntities';
import type { Em } from '../database/orm';
import { notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { makeAll } from './makeAll';

export const HEAD = [
  ...(['stationId', 'id', 'title', 'guideId', 'baseVersion', 'version', 'behind', 'madeBy', 'updatedAt'] as const),
] as const;
export type Head = Pick<DraftColumns, (typeof HEAD)[number]>;

/** All of a draft but what is in it, under a lock where it is to be changed. */
export async function headIn(em: Em, stationId: string, id: string, lock = false): Promise<Head> {
  const head = await em.findOne(
    DraftEntity,
    { stationId, id },
    { fields: [...HEAD], disableIdentityMap: true, ...(lock ? { lockMode: LockMode.PESSIMISTIC_WRITE } : {}) },
  );
  if (!head) throw notFound('draft');
  return head;
}

export interface Whole {
  head: Head;
  content: Draft;
}

/** The draft, whole, under a lock where it is to be changed. */
export async function draftIn(em: Em, stationId: string, id: string, lock = false): Promise<Whole> {
  const head = await headIn(em, stationId, id, lock);
  const { content, version } = await contentIn(em, head);
  return { head: { ...head, version, title: content.title }, content };
}

/** What is in a draft, and of which version that is. */
async function contentIn(em: Em, head: Head): Promise<{ content: Draft; version: number }> {
  const { content, version, behind } = await writtenIn(em, head);
  return behind === 0
    ? { content, version }
    : { content: draftOf(await withSince(em, head, { content, version, behind })), version };
}

/** A draft as it was last written out, and how far that is behind. */
interface Written<Content> {
  content: Content;
  version: number;
  behind: number;
}

/** Large: as the plain value that it is, not by way of an entity. In one statement, so that it is all of one version. */
async function writtenIn(em: Em, { stationId, id }: Head): Promise<Written<Draft>> {
  const written = await em
    .getConnection()
    .execute<Written<PackedDraft>>(
      'select content, version, behind from draft where station_id = ? and id = ?',
      [stationId, id],
      'get',
      em.getTransactionContext(),
    );
  return { ...written, content: unpacked(written.content) };
}

/** {@link writtenIn}, as the text that it lies in the database as: not read here. */
export const textIn = (em: Em, { stationId, id }: Head): Promise<Written<string>> =>
  em
    .getConnection()
    .execute<Written<string>>(
      'select content::text as content, version, behind from draft where station_id = ? and id = ?',
      [stationId, id],
      'get',
    );

/** What was written out, with what was changed since. */
async function withSince(em: Em, { stationId, id }: Head, { content, version, behind }: Written<Draft>): Promise<Working> {
  const working = workingOf(content);
  if (behind > 0) await makeSince(em, { stationId, draftId: id }, working, version - behind, version);
  return working;
}

/** Make on a draft what was changed after one version, up to another. */
async function makeSince(
  em: Em,
  { stationId, draftId }: { stationId: string; draftId: string },
  working: Working,
  after: number,
  to: number,
): Promise<void> {
  const batches = await em.find(
    DraftEditEntity,
    { stationId, draftId, n: { $gt: after, $lte: to } },
    { orderBy: { n: 'asc' }, fields: ['edits'], disableIdentityMap: true },
  );
  for (const { edits } of batches) makeAll(working, edits);
}

/** A draft at work as it is at a version. */
interface Left {
  head: Head;
  working: Working;
}

/** About what a score of a draft at work takes, bytes. */
const SCORE = 400;

/** Drafts as the last change left them here: the next change to a large one needs not read all of it. */
const lefts = new LRUCache<string, Left>({
  maxSize: Math.ceil(getHeapStatistics().heap_size_limit / 4 / SCORE),
  sizeCalculation: ({ working: { draft, scores } }) => scores.size + draft.taxa.length + draft.characters.length + 1,
});
/** Publishing and carrying over write a draft anew, and change of what it is the next version. */
const keyOf = ({ stationId, id, guideId, baseVersion }: Head): string => `${stationId} ${id} ${guideId} ${baseVersion}`;

/** A draft at work, under its lock. It is the caller's own, who leaves it when what was changed on it is kept. */
export async function workingIn(tx: Em, head: Head): Promise<Working> {
  const { stationId, id, version } = head;
  const left = lefts.get(keyOf(head));
  // Whatever comes of the change, nobody else goes on with what it was begun on.
  lefts.delete(keyOf(head));
  if (!left || left.head.version > version) return withSince(tx, head, await writtenIn(tx, head));
  // Changed by way of another process meanwhile.
  if (left.head.version < version) await makeSince(tx, { stationId, draftId: id }, left.working, left.head.version, version);
  return left.working;
}

/** Once the change is kept for good: the next is made on what it left. */
export const leave = (left: Left): void => void lefts.set(keyOf(left.head), left);

interface Changed {
  /** Of the draft. */
  id: string;
  version: number;
  updatedAt: Date;
}

/** Keep changes that were made together as a batch of a draft. */
export async function keepBatch(
  tx: Em,
  { stationId, accountName, device = '' }: Pick<Caller, 'stationId' | 'accountName' | 'device'>,
  { id, version, updatedAt }: Changed,
  batch: string,
  edits: readonly Change[],
): Promise<void> {
  await bound(
    tx,
    `insert into draft_edit (station_id, draft_id, n, batch, made_by, at, device, edits) values (?, ?, ?, ?, ?, ?, ?, ?::jsonb)`,
    [stationId, id, version, batch, accountName, updatedAt, device, JSON.stringify(edits)],
  );
}

/** Keep all of a draft as text that is JSON already. */
export async function keepContent(tx: Em, { stationId, id }: { stationId: string; id: string }, content: string): Promise<void> {
  await bound(tx, 'update draft set content = ?::json, behind = 0 where station_id = ? and id = ?', [content, stationId, id]);
}

/** Batches that what is written out may be behind by; more where there is more to write out. */
const mostBehind = ({ scores }: Working): number => 50 + scores.size / 1000;

/** Keep the changes that made a draft what it is now. All of it is written out only now and then. */
export async function keepEdits(
  tx: Em,
  caller: Caller,
  { head, working }: Left,
  batch: string,
  edits: readonly Change[],
): Promise<Left> {
  const { stationId, id } = head;
  const [version, updatedAt, { title }] = [head.version + 1, new Date(), working.draft];
  await keepBatch(tx, caller, { id, version, updatedAt }, batch, edits);
  const behind = head.behind < mostBehind(working) ? head.behind + 1 : 0;
  if (behind === 0) await keepContent(tx, head, JSON.stringify(packed(draftOf(working))));
  await tx.nativeUpdate(DraftEntity, { stationId, id }, { version, behind, title, updatedAt, hidden: false });
  return { head: { ...head, version, behind, title, updatedAt }, working };
}
