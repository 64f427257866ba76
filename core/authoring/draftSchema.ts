import { z } from 'zod';
import { Character, Guide, Score, ScoreValue, Source, Taxon } from '../guide/schema';
import { FacetName, id } from '../guide/terms';
import { Tile } from '../guide/tileSchema';

const words = z.string().max(200);
const long = z.string().max(4000);
const Named = z.strictObject({ id, label: words });

/** A character that is being written: it may still want its states, its unit or from where it is seen. */
export const DraftCharacter = Character.extend({
  states: z
    .array(z.strictObject({ id, label: words, help: long.optional(), tile: Tile.optional() }))
    .max(64)
    .optional(),
  views: z.array(id),
});
export type DraftCharacter = z.infer<typeof DraftCharacter>;

/** Taxa and characters that a guide has at most. */
export const MOST_TAXA = 20_000;
export const MOST_CHARACTERS = 2000;

/** A guide that is being written: of the same parts, any of which may still be empty. */
export const Draft = Guide.extend({
  title: words,
  summary: long,
  group: words,
  area: words,
  caution: long,
  taxa: z.array(Taxon).max(MOST_TAXA),
  characters: z.array(DraftCharacter).max(MOST_CHARACTERS),
  sources: z.array(Source),
  views: z.array(Named),
});
export type Draft = z.infer<typeof Draft>;

/** Scores of whole taxa by what they have in common: of a large matrix few values are said of many taxa. */
export const PackedScores = z.strictObject({
  columns: z.array(
    z.strictObject({
      character: id,
      source: id,
      /** `of`: the places in the draft's list of the taxa that the value is said of, from 0. */
      values: z.array(z.strictObject({ value: ScoreValue, of: z.array(z.number().int().min(0)) })),
    }),
  ),
});
export type PackedScores = z.infer<typeof PackedScores>;

/** A draft as it is kept and sent: one with many scores has most of them here. */
export const PackedDraft = Draft.extend({ packed: PackedScores.optional() }).refine(
  ({ taxa, packed }) =>
    !packed || packed.columns.every(({ values }) => values.every(({ of }) => of.every((place) => place < taxa.length))),
  { path: ['packed'], error: 'a score is of a taxon that is not there' },
);
export type PackedDraft = z.infer<typeof PackedDraft>;

/** Parts of a guide that are replaced whole. */
export const DraftPart = Draft.pick({
  dependence: true,
  policy: true,
  occurrence: true,
  regions: true,
  habitats: true,
  views: true,
  circumstances: true,
  company: true,
  treatments: true,
  glossary: true,
  figures: true,
  unions: true,
  costs: true,
  field: true,
  heredity: true,
  origin: true,
  settings: true,
  plan: true,
  plateTraits: true,
}).partial();
export type DraftPart = z.infer<typeof DraftPart>;

/** Parts that a guide may be without. */
const OPTIONAL_PARTS = [
  'circumstances',
  'company',
  'treatments',
  'glossary',
  'figures',
  'unions',
  'costs',
  'field',
  'heredity',
  'origin',
  'plan',
  'plateTraits',
] as const;

/** Of which form, by which source, of which character: what one score of a guide is known by. */
export const Cell = Score.pick({ character: true, scope: true, source: true });
export type Cell = z.infer<typeof Cell>;

/** Scores that one change puts or drops at most. */
export const MOST_SCORES = 20_000;

/** One change to a draft. Several people change different parts at once: each change names just what it is about. */
export const Edit = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('head'),
    set: Draft.pick({ title: true, summary: true, group: true, area: true, caution: true }).partial().strict(),
  }),
  /** Put a taxon in place of the one with its id, or behind `after`, or last. */
  z.strictObject({ do: z.literal('taxon'), taxon: Taxon, after: id.nullable().optional() }),
  /** With what is scored of it; what stands under it goes to its parent. */
  z.strictObject({ do: z.literal('dropTaxon'), id }),
  z.strictObject({ do: z.literal('character'), character: DraftCharacter, after: id.nullable().optional() }),
  z.strictObject({ do: z.literal('dropCharacter'), id }),
  z.strictObject({ do: z.literal('source'), source: Source, after: id.nullable().optional() }),
  z.strictObject({ do: z.literal('dropSource'), id }),
  z.strictObject({ do: z.literal('facet'), facet: FacetName, values: z.array(Named) }),
  z.strictObject({ do: z.literal('part'), set: DraftPart, drop: z.array(z.enum(OPTIONAL_PARTS)).default([]) }),
  z.strictObject({
    do: z.literal('scores'),
    put: z.array(Score).max(MOST_SCORES),
    drop: z.array(Cell).max(MOST_SCORES).default([]),
  }),
  /** Many at once, with what is scored of them. */
  z.strictObject({ do: z.literal('drop'), taxa: z.array(id), characters: z.array(id) }),
]);
export type Edit = z.infer<typeof Edit>;

/** A matrix as it was given, a table or NEXUS or SDD, taken in as said by a source; by long work, so it may be large. */
export const MatrixEdit = z.strictObject({
  do: z.literal('matrix'),
  source: id,
  text: z.string().min(1, 'paste a matrix first').max(24_000_000, 'is too long; take it in in parts, some taxa at a time'),
});
export type MatrixEdit = z.infer<typeof MatrixEdit>;

/** What was changed on a draft, by a person or by long work. */
export const Change = z.discriminatedUnion('do', [...Edit.options, MatrixEdit]);
export type Change = z.infer<typeof Change>;

/** Two taxa that were taken for one another, in names that turned out otherwise and in practice. */
export interface Mistaken {
  a: string;
  b: string;
  times: number;
}

/** What a draft says back to the one who writes it. */
export const LookedOver = z.object({
  /** What keeps it from being published, by field; where it is of one taxon or one character, of which. */
  problems: z.array(
    z.object({
      code: z.string(),
      message: z.string(),
      field: z.string().optional(),
      taxon: z.string().optional(),
      character: z.string().optional(),
    }),
  ),
  /** Pairs of taxa that nothing written so far tells apart, with how much of the two is the same, 0..1. */
  alike: z.array(z.object({ a: z.string(), b: z.string(), same: z.number() })),
  /** Pairs that people took for one another, how often, and how much of the two is the same; the most often first. */
  confused: z.array(z.object({ a: z.string(), b: z.string(), times: z.number().int(), same: z.number() })),
  /** Cells whose filling may tell apart what people take for one another, and then most pairs: how often, and how many. */
  wanted: z.array(z.object({ taxon: z.string(), character: z.string(), pairs: z.number().int(), times: z.number().int() })),
  /** States that nothing has. */
  unused: z.array(z.object({ character: z.string(), state: z.string() })),
  /** Taxa nothing is scored of. */
  silent: z.array(z.string()),
  /** Cells of which the sources say different things. */
  against: z.array(
    z.object({
      taxon: z.string(),
      character: z.string(),
      said: z.array(z.object({ source: z.string(), says: z.string() })),
    }),
  ),
  /** Taxa that do not lead even where all is read as it is written of them; what leads instead, and its share. */
  unreached: z.array(z.object({ taxon: z.string(), leads: z.string(), p: z.number() })),
  /** Characters that part the taxa in the same way and are in no dependence group together. */
  together: z.array(z.object({ a: z.string(), b: z.string(), taxa: z.number().int() })),
});
export type LookedOver = z.infer<typeof LookedOver>;
