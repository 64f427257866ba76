import type { StoredGuide } from '@plesion/contract';
import type {
  DraftBegin,
  DraftLook,
  DraftRow,
  EditsSince,
  EditsWrite,
  PublishWrite,
  StoredDraft,
  TryView,
  TryWrite,
} from '@plesion/contract/authoring';
import type { NamesTried } from '@plesion/contract/guideVersions';
import type { Problem } from '@plesion/core';
import { applyEdits, type Draft, draftProblems, emptyDraft, forkOf, guideSoFar, packed } from '@plesion/core/authoring';
import { type Guide, readGuide } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import { DraftEditEntity, DraftEntity } from '../database/draftEntities';
import { GuideVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide, needOurs, writeGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import { type Caller, JsonText } from '../http/route';
import { contentHash } from '../records/contentHash';
import { recordsAgainst } from '../own/service';
import { checkAgainst } from '../standing/service';
import { freeSlug } from './keyGuide';
import { mistakenWith } from './mistaken';
import { moved } from './moved';
import { fitAt } from './reviews';
import { tryNames } from './versions';
import { draftIn, HEAD, type Head, headIn, keepEdits, leave, textIn, workingIn } from './working';

const rowOf = ({ id, title, guideId, baseVersion, version, madeBy: by, updatedAt }: Head): DraftRow => ({
  ...{ id, title, version, by, updatedAt: updatedAt.toISOString() },
  ...(guideId ? { guideId } : {}),
  ...(baseVersion === null ? {} : { baseVersion }),
});

export const storedOf = (head: Head, content: Draft): StoredDraft => ({ ...rowOf(head), content: packed(content) });

/** Guides that are being written, the one touched last first. */
export async function listDrafts(em: Em, stationId: string): Promise<DraftRow[]> {
  const heads = await em.find(
    DraftEntity,
    { stationId, hidden: false },
    { orderBy: { updatedAt: 'desc' }, limit: 200, fields: [...HEAD] },
  );
  return heads.map(rowOf);
}

export async function findDraft(em: Em, stationId: string, id: string): Promise<StoredDraft> {
  const { head, content } = await draftIn(em, stationId, id);
  return storedOf(head, content);
}

/** {@link findDraft}, as it is to be answered: as the text that it is kept as, where that is the whole of it. */
export async function draftAnswer(em: Em, stationId: string, id: string): Promise<StoredDraft | JsonText> {
  const head = await headIn(em, stationId, id);
  if (head.behind === 0) {
    const { content, version, behind } = await textIn(em, head);
    // Unless somebody changed it just now.
    if (behind === 0) return new JsonText(`${JSON.stringify(rowOf({ ...head, version })).slice(0, -1)},"content":${content}}`);
  }
  return findDraft(em, stationId, id);
}

/** Begin to write; what is begun already is left as it is. */
export async function beginDraft(em: Em, caller: Caller, id: string, { title, guideId, as }: DraftBegin): Promise<StoredDraft> {
  const { stationId, accountName } = caller;
  const base = guideId === undefined ? undefined : await findGuide(em, stationId, guideId);
  const next = as === 'next' ? base : undefined;
  if (next) await needOurs(em, stationId, next.id);
  const content: Draft = next ? next.guide : base ? forkOf(base, title) : emptyDraft('new-guide', title);
  const now = new Date();
  await em
    .createQueryBuilder(DraftEntity)
    .insert({
      ...{ stationId, id, guideId: next?.id ?? null, baseVersion: next?.version ?? null, title: content.title, content },
      ...{ version: 0, behind: 0, hidden: false, madeBy: accountName, createdAt: now, updatedAt: now },
    })
    .onConflict()
    .ignore()
    .execute('run', false);
  return findDraft(em, stationId, id);
}

/** What was changed since a batch, in the order it was made. */
export async function editsSince(em: Em, stationId: string, draftId: string, after: number): Promise<EditsSince> {
  const head = await headIn(em, stationId, draftId);
  const rows = await em.find(DraftEditEntity, { stationId, draftId, n: { $gt: after } }, { orderBy: { n: 'asc' } });
  return {
    version: head.version,
    batches: rows.map(({ n, batch, madeBy: by, at, edits }) => ({ n, batch, by, at: at.toISOString(), edits })),
  };
}

/** Change a draft, all of it or none; the same batch sent twice is made once. */
export async function editDraft(
  em: Em,
  caller: Caller,
  draftId: string,
  { batch, after, edits }: EditsWrite,
): Promise<EditsSince> {
  const { stationId } = caller;
  const left = await em.transactional(async (tx) => {
    const head = await headIn(tx, stationId, draftId, true);
    if (await tx.count(DraftEditEntity, { stationId, draftId, batch })) return undefined;
    const working = await workingIn(tx, head);
    const outcome = applyEdits(working, edits);
    if (!outcome.ok) throw badRequest(outcome.problems);
    return keepEdits(tx, caller, { head, working }, batch, edits);
  });
  if (left) leave(left);
  const { version, batches } = await editsSince(em, stationId, draftId, after);
  // Whoever sent a batch has what is in it.
  return { version, batches: batches.map((one) => (one.batch === batch ? { ...one, edits: [] } : one)) };
}

/** What a draft says back, worked out off the request's thread. */
export async function lookOverDraft(em: Em, pool: AnalysisPool, stationId: string, id: string): Promise<DraftLook> {
  const { head, content: draft } = await draftIn(em, stationId, id);
  const read = head.guideId ? readGuide(draft) : undefined;
  // What is taken for one another with the guide that it goes on from is so with it too.
  const guides = new Set([head.guideId, draft.origin?.guide].filter((one) => typeof one === 'string'));
  const mistaken = await mistakenWith(em, stationId, [...guides]);
  const [look, records] = await Promise.all([
    pool.ask(stationId, 'lookOver', { draft: packed(draft), mistaken }),
    read?.ok && head.guideId ? recordsAgainst(em, pool, stationId, head.guideId, read.value) : [],
  ]);
  return { ...look, records };
}

const TRIED = 8;

/** What a draft says of a specimen, as far as it is a guide already. */
export async function tryDraft(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  id: string,
  { readings }: TryWrite,
): Promise<TryView> {
  const { content } = await draftIn(em, stationId, id);
  const soFar = guideSoFar(content);
  if (!soFar) throw badRequest(draftProblems(content).map(inContent));
  const { guide, without } = soFar;
  const known = new Set(guide.characters.map((one) => one.id));
  const weighed = readings.filter(
    ({ character }) => known.has(character) || !content.characters.some((one) => one.id === character),
  );
  checkAgainst(guide, {}, weighed);
  const { forms, outside } = await pool.ask(
    stationId,
    'standing',
    { situation: {}, readings: weighed },
    { guide, hash: contentHash(guide) },
  );
  const names = new Map(guide.taxa.map((taxon) => [taxon.id, taxon.name]));
  const taxa = new Map<string, number>();
  for (const { taxon, p } of forms) taxa.set(taxon, (taxa.get(taxon) ?? 0) + p);
  const ranked = [...taxa].map(([taxon, p]) => ({ name: names.get(taxon) ?? taxon, p })).sort((a, b) => b.p - a.p);
  return { taxa: ranked.slice(0, TRIED), outside, without };
}

/** What the draft would call the records that were named with the guide it is the next version of. */
export async function tryDraftNames(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  id: string,
  after: string | undefined,
): Promise<NamesTried> {
  const { head, content } = await draftIn(em, stationId, id);
  if (!head.guideId) return { total: 0, tried: 0, changed: [], next: null };
  const guide = guideIn(content);
  return tryNames(em, pool, stationId, head.guideId, { guide, hash: contentHash(guide) }, after);
}

/** The guide that a draft is already. */
export const guideOfDraft = async (em: Em, stationId: string, id: string): Promise<Guide> =>
  guideIn((await draftIn(em, stationId, id)).content);

/** A draft as the guide that it is already; refused with what it still wants. */
function guideIn(content: Draft): Guide {
  const read = readGuide(content);
  if (!read.ok) throw badRequest(read.problems.map(inContent));
  return read.value;
}

const inContent = ({ field, ...problem }: Problem): Problem => ({ ...problem, field: `content.${field ?? ''}` });

/** Make the guide of a draft, or its next version; refused with all that it still wants. */
export async function publishDraft(em: Em, caller: Caller, id: string, { version }: PublishWrite): Promise<StoredGuide> {
  const { stationId } = caller;
  return em.transactional(async (tx) => {
    const { head, content } = await draftIn(tx, stationId, id, true);
    if (head.version !== version) throw moved('draft', 'version', ', and publish it then');
    const problems = draftProblems(content);
    if (problems.length) throw badRequest(problems.map(inContent));
    const guideId = head.guideId ?? crypto.randomUUID();
    const slug = head.guideId ? content.id : await freeSlug(tx, stationId, content.title);
    const guide = { ...content, id: slug };
    const stored = await writeGuide(tx, caller, guideId, { version: head.baseVersion ?? 0, guide });
    const reviewed = await fitAt(tx, stationId, id, version);
    if (reviewed) await tx.nativeUpdate(GuideVersionEntity, { stationId, guideId, version: stored.version }, { reviewed });
    await tx.nativeUpdate(
      DraftEntity,
      { stationId, id },
      { guideId, baseVersion: stored.version, content: guide, behind: 0, updatedAt: new Date() },
    );
    return stored;
  });
}

/** Take a draft from the list; it comes back when somebody goes on with it. */
export async function listOrNot(em: Em, stationId: string, id: string, hidden: boolean): Promise<DraftRow[]> {
  const found = await em.nativeUpdate(DraftEntity, { stationId, id }, { hidden });
  if (!found) throw notFound('draft');
  return listDrafts(em, stationId);
}
