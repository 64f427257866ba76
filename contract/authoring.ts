import {
  Change,
  Edit,
  JoinProposal,
  KeyCharacterTold,
  KeyGuideChoices,
  LookedOver,
  MatrixEdit,
  PackedDraft,
} from '@plesion/core/authoring/schema';

import { Source } from '@plesion/core/guide/schema';
import { Readings } from '@plesion/core/observation/schema';
import { z } from 'zod';

/** The keys that a guide is made of, and what a person decided about it. */
export const KeyGuideWrite = KeyGuideChoices.extend({
  keys: z.array(z.uuid()).min(1, 'choose a key').max(8, 'eight keys are the most at once'),
});
export type KeyGuideWrite = z.output<typeof KeyGuideWrite>;

/** What a guide made of keys would be. */
export const KeyGuideView = z.object({
  title: z.string(),
  /** Names of what it tells apart. */
  taxa: z.array(z.string()),
  characters: z.array(KeyCharacterTold),
  proposals: z.array(JoinProposal),
  /** What was left out, or taken one way where a key says two. */
  notes: z.array(z.string()),
});
export type KeyGuideView = z.output<typeof KeyGuideView>;

/** A guide that is being written. */
export const DraftRow = z.object({
  id: z.uuid(),
  title: z.string(),
  /** The guide it is a next version of. */
  guideId: z.uuid().optional(),
  baseVersion: z.number().int().optional(),
  /** Batches of changes so far. */
  version: z.number().int(),
  by: z.string(),
  updatedAt: z.iso.datetime({ offset: true }),
});
export type DraftRow = z.output<typeof DraftRow>;
export const DraftList = z.object({ drafts: z.array(DraftRow) });
export const StoredDraft = DraftRow.extend({ content: PackedDraft });
export type StoredDraft = z.output<typeof StoredDraft>;

/** Begin one: from nothing, as the next version of a guide, or as another guide that goes on from one and names it. */
export const DraftBegin = z.strictObject({
  title: z.string().trim().max(200).default(''),
  guideId: z.uuid().optional(),
  as: z.enum(['next', 'own']).default('next'),
});
export type DraftBegin = z.output<typeof DraftBegin>;

/** Changes made together on a draft of which the batches up to `after` are known. */
export const EditsWrite = z.strictObject({
  batch: z.uuid(),
  after: z.number().int().min(0),
  edits: z.array(Edit).min(1).max(500),
});
export type EditsWrite = z.output<typeof EditsWrite>;

/** What was changed on a draft meanwhile, in the order to be made. */
export const EditsSince = z.object({
  version: z.number().int(),
  batches: z.array(
    z.object({
      n: z.number().int(),
      batch: z.uuid(),
      by: z.string(),
      at: z.iso.datetime({ offset: true }),
      edits: z.array(Change),
    }),
  ),
});
export type EditsSince = z.output<typeof EditsSince>;
export const EditsQuery = z.strictObject({ after: z.coerce.number().int().min(0) });

/** A matrix to be imported by long work: larger than a page takes in while one looks on. */
export const MatrixWrite = MatrixEdit.omit({ do: true }).extend({ batch: z.uuid() });
export type MatrixWrite = z.output<typeof MatrixWrite>;

/** What was imported of it. */
export const MatrixTaken = z.object({
  /** Batches of changes that the draft has now. */
  version: z.number().int(),
  taxa: z.number().int(),
  characters: z.number().int(),
  /** Cells that could not be read and were left out: the first of them, and how many in all. */
  problems: z.array(z.object({ taxon: z.string(), character: z.string(), text: z.string(), message: z.string() })),
  left: z.number().int(),
  /** What takes it back; none where that would be too much to be sent. */
  back: z.array(Edit).optional(),
});
export type MatrixTaken = z.output<typeof MatrixTaken>;

/** Literature as text: BibTeX or CSL-JSON. */
export const CitationsWrite = z.strictObject({ text: z.string().min(1, 'paste some literature first').max(400_000) });
export type CitationsWrite = z.output<typeof CitationsWrite>;
/** What it is as sources of a guide. */
export const CitationsView = z.object({ sources: z.array(Source.omit({ id: true })) });
export type CitationsView = z.output<typeof CitationsView>;
export const CitationsQuery = z.strictObject({ as: z.enum(['bibtex', 'csl']) });

export const PublishWrite = z.strictObject({ version: z.number().int().min(0) });
export type PublishWrite = z.output<typeof PublishWrite>;

/** What a draft says back, with what the station's verified records say against its scores. */
export const DraftLook = LookedOver.extend({
  records: z.array(z.object({ taxon: z.string(), character: z.string(), text: z.string() })),
});
export type DraftLook = z.output<typeof DraftLook>;

const Conflict = z.object({ key: z.string(), name: z.string(), ours: z.string(), theirs: z.string() });

/** Newer versions of the guide that a draft is the next version of, or that it goes on from. */
export const NewerView = z.object({
  newer: z.array(
    z.object({
      of: z.enum(['base', 'origin']),
      title: z.string(),
      /** Versions of that guide: the one in the draft, and the newest. */
      from: z.number().int(),
      to: z.number().int(),
      /** Changes that touch nothing that was changed in the draft. */
      changes: z.number().int(),
      /** What both changed; ours where nothing else is said. */
      conflicts: z.array(Conflict),
    }),
  ),
});
export type NewerView = z.output<typeof NewerView>;

/** Carry over what a newer version changed; of what both changed, theirs where its key is named. */
export const CarryWrite = z.strictObject({
  version: z.number().int().min(0),
  of: z.enum(['base', 'origin']),
  to: z.number().int().min(1),
  take: z.array(z.string().max(2000)).max(20_000),
});
export type CarryWrite = z.output<typeof CarryWrite>;

/** A specimen tried on a draft, and what the draft says of it, the likeliest first. */
export const TryWrite = z.strictObject({ readings: Readings });
export type TryWrite = z.output<typeof TryWrite>;
export const TryView = z.object({
  taxa: z.array(z.object({ name: z.string(), p: z.number() })),
  /** P of what is not in the guide. */
  outside: z.number(),
  /** Taxa and characters that are not whole yet: the draft answers without them. */
  without: z.array(z.string()),
});
export type TryView = z.output<typeof TryView>;

/** What somebody who did not write in a draft says of it, as it was at a batch of changes. */
export const DraftReview = z.object({
  n: z.number().int(),
  /** The changes that the draft had then. */
  version: z.number().int(),
  by: z.string(),
  at: z.iso.datetime({ offset: true }),
  /** Is it fit to be published? */
  fit: z.boolean(),
  words: z.string(),
});
export type DraftReview = z.output<typeof DraftReview>;

export const DraftReviews = z.object({
  /** The one given last first. */
  reviews: z.array(DraftReview),
  /** Who changed it since it was last published. */
  writers: z.array(z.string()),
});
export type DraftReviews = z.output<typeof DraftReviews>;

export const ReviewWrite = z
  .strictObject({
    /** The changes it has, as they were looked at. */
    version: z.number().int().min(0),
    fit: z.boolean(),
    words: z.string().trim().max(2000).default(''),
  })
  .refine(({ fit, words }) => fit || words !== '', {
    path: ['words'],
    message: 'say what is to be changed before it is fit',
  });
export type ReviewWrite = z.output<typeof ReviewWrite>;
