import { Guide } from '@plesion/core/guide';
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

export const GuideList = z.object({ guides: z.array(GuideRow) });
export type GuideList = z.output<typeof GuideList>;

export const StoredGuide = GuideRow.extend({ guide: Guide });
export type StoredGuide = z.output<typeof StoredGuide>;

export const GuideQuery = z.strictObject({ version: z.coerce.number().int().min(1).optional() });
export type GuideQuery = z.output<typeof GuideQuery>;
