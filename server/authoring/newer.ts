import { randomUUID } from 'node:crypto';
import type { StoredGuide } from '@plesion/contract';
import type { CarryWrite, NewerView, StoredDraft } from '@plesion/contract/authoring';
import { applyEdits, type CarriedOver, type Edit, workingOf } from '@plesion/core/authoring';
import type { AnalysisPool } from '../analysis/pool';
import { DraftEntity } from '../database/draftEntities';
import type { Em } from '../database/orm';
import { guideIfThere } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { findDraft } from './drafts';
import { moved } from './moved';
import { draftIn, keepEdits, type Whole } from './working';

type Of = CarryWrite['of'];

/** The guide that a draft is of, or goes on from, and the version of it that is in the draft; nothing where there is none any more. */
async function sourceOf(
  em: Em,
  stationId: string,
  { head, content }: Whole,
  of: Of,
): Promise<{ then: StoredGuide; newest: StoredGuide } | undefined> {
  const [id, version] = of === 'base' ? [head.guideId, head.baseVersion] : [content.origin?.guide, content.origin?.version];
  if (!id || !version) return undefined;
  // A guide that goes on from one of another station knows of no newer version here.
  const newest = await guideIfThere(em, stationId, id);
  if (!newest || newest.version <= version) return undefined;
  const then = await guideIfThere(em, stationId, id, version);
  return then && { then, newest };
}

const ask = (
  pool: AnalysisPool,
  stationId: string,
  draft: Whole,
  { then, newest }: { then: StoredGuide; newest: StoredGuide },
): Promise<CarriedOver> => pool.ask(stationId, 'carryOver', { base: then.guide, ours: draft.content, theirs: newest.guide });

/** Newer versions of what a draft is of or goes on from, with what they would change in it. */
export async function newerFor(em: Em, pool: AnalysisPool, stationId: string, id: string): Promise<NewerView['newer']> {
  const draft = await draftIn(em, stationId, id);
  const found: NewerView['newer'] = [];
  for (const which of ['base', 'origin'] as const) {
    const source = await sourceOf(em, stationId, draft, which);
    if (!source) continue;
    const { then, newest } = source;
    const { edits, conflicts } = await ask(pool, stationId, draft, source);
    found.push({
      ...{ of: which, title: newest.guide.title, from: then.version, to: newest.version, changes: countOf(edits) },
      conflicts: conflicts.map(({ key, name, ours, theirs }) => ({ key, name, ours, theirs })),
    });
  }
  return found;
}

const countOf = (edits: readonly Edit[]): number =>
  edits.reduce((sum, edit) => sum + (edit.do === 'scores' ? edit.put.length + edit.drop.length : 1), 0);

/** Carry over to a draft what a newer version changed, and what of theirs was chosen where both did. */
export async function carryOver(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  id: string,
  { version, of, to, take }: CarryWrite,
): Promise<StoredDraft> {
  const { stationId } = caller;
  await em.transactional(async (tx) => {
    const draft = await draftIn(tx, stationId, id, true);
    if (draft.head.version !== version) throw moved('draft', 'version');
    const source = await sourceOf(tx, stationId, draft, of);
    if (!source) throw notFound('newer version');
    if (source.newest.version !== to) throw moved('guide', 'to');
    const { edits, conflicts } = await ask(pool, stationId, draft, source);
    const wanted = new Set(take);
    const all = [...edits, ...conflicts.flatMap((one) => (wanted.has(one.key) ? one.take : []))];
    const { origin } = draft.content;
    if (of === 'origin' && origin) all.push({ do: 'part', set: { origin: { ...origin, version: to } }, drop: [] });
    const working = workingOf(draft.content);
    const outcome = applyEdits(working, all);
    if (!outcome.ok) throw badRequest(outcome.problems);
    await keepEdits(tx, caller, { head: draft.head, working }, randomUUID(), all);
    if (of === 'base') await tx.nativeUpdate(DraftEntity, { stationId, id }, { baseVersion: to });
  });
  return findDraft(em, stationId, id);
}
