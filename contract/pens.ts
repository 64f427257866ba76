import { Pen as Content } from '@plesion/core/colony/schema';
import { z } from 'zod';

/** What it was called before is kept by whoever stores it. */
export const PenWrite = Content.extend({ version: z.number().int().min(0), hidden: z.boolean() });
export type PenWrite = z.output<typeof PenWrite>;

export const Pen = PenWrite.extend({
  id: z.uuid(),
  /** Whoever wrote it first. */
  recordedBy: z.string(),
  createdAt: z.iso.datetime({ offset: true }),
  updatedAt: z.iso.datetime({ offset: true }),
});
export type Pen = z.output<typeof Pen>;
