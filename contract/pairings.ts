import { Pairing as Content } from '@plesion/core/colony/schema';
import { Seen } from '@plesion/core/guide/schema';
import { z } from 'zod';

export const PairingWrite = Content.extend({ version: z.number().int().min(0), hidden: z.boolean() });
export type PairingWrite = z.output<typeof PairingWrite>;

export const Pairing = PairingWrite.extend({
  id: z.uuid(),
  /** Whoever wrote it first. */
  recordedBy: z.string(),
  createdAt: z.iso.datetime({ offset: true }),
  updatedAt: z.iso.datetime({ offset: true }),
});
export type Pairing = z.output<typeof Pairing>;

/** Young of a clutch, written into the book in one go. */
export const YoungWrite = z.strictObject({
  clutch: z.uuid(),
  young: z
    .array(
      z.strictObject({
        id: z.uuid(),
        label: z.string().trim().min(1, 'give it a mark or a name').max(120),
        sex: z.enum(['female', 'male']).optional(),
        phenotypes: z.record(z.string().max(80), Seen).default({}),
      }),
    )
    .min(1, 'write one down at the least')
    .max(60),
});
export type YoungWrite = z.output<typeof YoungWrite>;

export const YoungAnswer = z.object({ young: z.array(z.object({ id: z.uuid(), label: z.string() })) });
export type YoungAnswer = z.output<typeof YoungAnswer>;
