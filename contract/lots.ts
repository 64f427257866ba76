import { KeptWalk } from '@plesion/core/keys/schema';
import { z } from 'zod';

const instant = z.iso.datetime({ offset: true });

/** What a client writes: the whole lot and the version it last saw (0 for a new one). */
export const LotWrite = z.strictObject({
  version: z.number().int().min(0),
  /** Absent where its specimens have none. */
  guideId: z.uuid().optional(),
  label: z.string().trim().min(1, 'give the lot a label').max(120),
  /** Specimens taken together, in their order; each is in one lot at most. */
  specimens: z.array(z.uuid()).max(100),
  walk: KeptWalk.optional(),
  note: z.string().max(2000).optional(),
  hidden: z.boolean(),
});
export type LotWrite = z.output<typeof LotWrite>;

export const Lot = LotWrite.extend({ id: z.uuid(), createdAt: instant, updatedAt: instant });
export type Lot = z.output<typeof Lot>;
export const LotList = z.object({ lots: z.array(Lot) });
export type LotList = z.output<typeof LotList>;
export const LotQuery = z.strictObject({ guideId: z.uuid().optional(), hidden: z.enum(['yes']).optional() });
export type LotQuery = z.output<typeof LotQuery>;
