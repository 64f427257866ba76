import { Change, Draft } from '@plesion/core/authoring/schema';
import { z } from 'zod';
import { count, device, id, instant, part, title } from './columns';

/** Guides that are being written, what was changed on them, and what others said of them. */
export const writing = {
  drafts: part('draft', 'id', {
    id,
    guide_id: id.nullable(),
    base_version: z.number().int().nullable(),
    title: z.string().max(200),
    content: Draft,
    version: count,
    /** Since the fourteenth form; before, a draft was written out with every change. */
    behind: count.default(0),
    hidden: z.boolean(),
    made_by: title,
    created_at: instant,
    updated_at: instant,
  }),
  draft_edits: part('draft_edit', 'draft_id, n', {
    draft_id: id,
    n: count,
    batch: id,
    made_by: title,
    at: instant,
    device,
    edits: z.array(Change),
  }),
  draft_reviews: part('draft_review', 'draft_id, n', {
    draft_id: id,
    n: count,
    draft_version: count,
    made_by: title,
    at: instant,
    fit: z.boolean(),
    words: z.string().max(2000),
  }),
};
