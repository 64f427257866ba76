import { GRIDS } from '@plesion/core/formats/schema';
import { z } from 'zod';

export const Use = z.object({ used: z.number().int().min(0), most: z.number().int().min(0) });
export type Use = z.output<typeof Use>;

/** A station as its people see it. */
export const StationView = z.object({
  name: z.string(),
  since: z.iso.datetime({ offset: true }),
  /** Photos in bytes. */
  use: z.object({ specimens: Use, guides: Use, keys: Use, photos: Use }),
  /** Degrees to which places of sensitive taxa are rounded where they leave the station. */
  grid: z.number(),
  /** Nothing was written in it since it was made: an archive may be read in. */
  fresh: z.boolean(),
  /** The job that makes or made its newest archive. */
  making: z.uuid().optional(),
  /** The job that reads an archive in at this moment. */
  reading: z.uuid().optional(),
});
export type StationView = z.output<typeof StationView>;

/** What its people may set. */
export const StationWrite = z.strictObject({ grid: z.literal(GRIDS) });

/** How much of each kind there is in an archive. */
export const ArchiveContent = z.object({
  specimens: z.number().int().min(0),
  individuals: z.number().int().min(0),
  lots: z.number().int().min(0),
  guides: z.number().int().min(0),
  keys: z.number().int().min(0),
  photos: z.number().int().min(0),
  measurements: z.number().int().min(0),
  visits: z.number().int().min(0).default(0),
  captures: z.number().int().min(0).default(0),
  counts: z.number().int().min(0).default(0),
  changes: z.number().int().min(0),
});
export type ArchiveContent = z.output<typeof ArchiveContent>;

/** An archive lies ready to be fetched, for a day. */
export const ArchiveMade = z.object({ archive: z.uuid(), bytes: z.number().int(), content: ArchiveContent });
export type ArchiveMade = z.output<typeof ArchiveMade>;

/** An archive was read in, and is what the station holds now. */
export const ArchiveRead = z.object({ from: z.string(), at: z.iso.datetime({ offset: true }), content: ArchiveContent });
export type ArchiveRead = z.output<typeof ArchiveRead>;
