import { Guide } from '@plesion/core/guide/schema';
import { z } from 'zod';

export const GuideRow = z.object({
  id: z.uuid(),
  slug: z.string(),
  title: z.string(),
  summary: z.string(),
  group: z.string(),
  area: z.string(),
  version: z.number().int().min(1),
  hash: z.string(),
  forms: z.number().int(),
  characters: z.number().int(),
  updatedAt: z.iso.datetime({ offset: true }),
});
export type GuideRow = z.output<typeof GuideRow>;

/** A guide was printed, and lies ready for a day. */
export const BookletMade = z.object({ booklet: z.uuid(), bytes: z.number().int() });
export type BookletMade = z.output<typeof BookletMade>;

export const GuideList = z.object({ guides: z.array(GuideRow) });
export type GuideList = z.output<typeof GuideList>;

export const StoredGuide = GuideRow.extend({
  guide: Guide,
  /** What its author should know and nothing is refused for, such as words that its plates cannot show. */
  cautions: z.array(z.object({ code: z.string(), message: z.string(), field: z.string().optional() })).optional(),
});
export type StoredGuide = z.output<typeof StoredGuide>;

/** What a client writes: the whole guide as Plesion JSON, and the version it last saw (0 for a new one). */
export const GuideWrite = z.strictObject({ version: z.number().int().min(0), guide: z.unknown() });
export type GuideWrite = z.output<typeof GuideWrite>;

export const GuideQuery = z.strictObject({ version: z.coerce.number().int().min(1).optional() });
export type GuideQuery = z.output<typeof GuideQuery>;
