import { z } from 'zod';

/** The versions of a guide, the newest first. */
export const GuideVersions = z.object({
  versions: z.array(
    z.object({
      version: z.number().int(),
      at: z.iso.datetime({ offset: true }),
      /** Records whose last name was given with it. */
      records: z.number().int(),
      /** Who looked it over before it was published, and found it fit; absent where nobody did. */
      reviewed: z.object({ by: z.string(), at: z.iso.datetime({ offset: true }), words: z.string() }).optional(),
    }),
  ),
});
export type GuideVersions = z.output<typeof GuideVersions>;

/** From which record on names are tried: behind the one named; from the first where absent. */
export const TryNamesQuery = z.strictObject({ after: z.uuid().optional() });
export type TryNamesQuery = z.output<typeof TryNamesQuery>;

/** What a version calls it; without P where it is not yet named. */
const Called = z.object({ name: z.string(), p: z.number().optional() });

/** Records whose readings another version of their guide was asked about: some at a time. */
export const NamesTried = z.object({
  /** Records that were named with another version, in all. */
  total: z.number().int(),
  /** Tried this time. */
  tried: z.number().int(),
  /** Those that are called otherwise now. */
  changed: z.array(
    z.object({
      id: z.uuid(),
      label: z.string(),
      version: z.number().int(),
      then: Called,
      now: Called,
      /** Characters whose readings the other version knows nothing of. */
      left: z.array(z.string()),
    }),
  ),
  /** Where to go on; null at the end. */
  next: z.uuid().nullable(),
});
export type NamesTried = z.output<typeof NamesTried>;
