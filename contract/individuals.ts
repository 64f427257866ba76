import { z } from 'zod';
import { Kept } from '@plesion/core/colony/schema';

const instant = z.iso.datetime({ offset: true });

/** One animal or plant that may be met, caught or collected several times. */
export const IndividualWrite = z.strictObject({
  version: z.number().int().min(0),
  label: z.string().trim().min(1, 'give the individual a label').max(120),
  guideId: z.uuid().optional(),
  note: z.string().max(2000).optional(),
  /** What the keeper's book says of it, where it is kept. */
  kept: Kept.optional(),
  hidden: z.boolean(),
});
export type IndividualWrite = z.output<typeof IndividualWrite>;

export const Individual = IndividualWrite.extend({ id: z.uuid(), createdAt: instant, updatedAt: instant });
export type Individual = z.output<typeof Individual>;

export const IndividualQuery = z.strictObject({ guideId: z.uuid().optional(), hidden: z.enum(['yes']).optional() });
export type IndividualQuery = z.output<typeof IndividualQuery>;

export const IndividualList = z.object({ individuals: z.array(Individual) });
export type IndividualList = z.output<typeof IndividualList>;
