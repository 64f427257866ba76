import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Change, Draft } from '@plesion/core/authoring';

/** A guide that is being written; `version` counts the batches of changes to it. */
export const DraftEntity = defineEntity({
  name: 'Draft',
  tableName: 'draft',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    /** The guide it is a next version of, and the version it began with; none where it is new. */
    guideId: p.uuid().nullable(),
    baseVersion: p.integer().nullable(),
    title: p.string(),
    // Not jsonb, into which so much is put apart each time somebody types: it is only ever read whole.
    content: p.json<Draft>().columnType('json'),
    version: p.integer(),
    /** How many of the last batches are not in the content yet. */
    behind: p.integer(),
    hidden: p.boolean(),
    madeBy: p.string(),
    createdAt: p.datetime(),
    updatedAt: p.datetime(),
  },
});
export type DraftColumns = InferEntity<typeof DraftEntity>;

/** Changes to a draft that were made together. */
export const DraftEditEntity = defineEntity({
  name: 'DraftEdit',
  tableName: 'draft_edit',
  properties: {
    stationId: p.uuid().primary(),
    draftId: p.uuid().primary(),
    n: p.integer().primary(),
    /** Minted by who made them: sent twice, they are made once. */
    batch: p.uuid(),
    madeBy: p.string(),
    at: p.datetime(),
    device: p.string(),
    edits: p.json<Change[]>(),
  },
});

/** What somebody said of a draft that they did not write in, as it was at a batch of changes. */
export const DraftReviewEntity = defineEntity({
  name: 'DraftReview',
  tableName: 'draft_review',
  properties: {
    stationId: p.uuid().primary(),
    draftId: p.uuid().primary(),
    n: p.integer().primary(),
    draftVersion: p.integer(),
    madeBy: p.string(),
    at: p.datetime(),
    fit: p.boolean(),
    words: p.string(),
  },
});
