import { z } from 'zod';
import { KeptWalk } from './keys';

const instant = z.iso.datetime({ offset: true });

/** What a client writes: the whole lot and the version it last saw (0 for a new one). */
export const LotWrite = z.strictObject({
  version: z.number().int().min(0),
  guideId: z.uuid(),
  label: z.string().trim().min(1, 'give the lot a label').max(120),
  /** Specimens taken together, in their order; each is in one lot at most. */
  specimens: z.array(z.uuid()).max(100),
  walk: KeptWalk.optional(),
  note: z.string().max(2000).optional(),
  hidden: z.boolean(),
});

export const Lot = LotWrite.extend({ id: z.uuid(), createdAt: instant, updatedAt: instant });
export const LotList = z.object({ lots: z.array(Lot) });
export const LotQuery = z.strictObject({ guideId: z.uuid().optional(), hidden: z.enum(['yes']).optional() });
