import { z } from 'zod';

/** SHA-256 of the file as it was sent, in hex. */
export const PhotoHash = z.string().regex(/^[0-9a-f]{64}$/, 'this is not the hash of a photo');
export type PhotoHash = z.output<typeof PhotoHash>;

export const Photo = z.object({ hash: PhotoHash, width: z.number().int(), height: z.number().int() });
export type Photo = z.output<typeof Photo>;
