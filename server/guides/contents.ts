import type { Guide } from '@plesion/core/guide';
import { LRUCache } from 'lru-cache';
import { GuideVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { notFound } from '../http/errors';

/** Scores of all guides that are kept at hand, forms × characters: some dozens of usual ones. */
const MOST_SCORES = 3_000_000;

/**
 * Guides as they were read once, by the hash of their content: a version never changes,
 * and whoever asks has shown by its row that it is the station's.
 */
const contents = new LRUCache<string, Guide>({
  maxSize: MOST_SCORES,
  sizeCalculation: ({ taxa, characters }) => taxa.length * characters.length + 1,
});

/** What a version of a guide holds; read from the database only where it is not at hand. */
export async function contentOf(
  em: Em,
  { stationId, guideId, version, hash }: { stationId: string; guideId: string; version: number; hash: string },
): Promise<Guide> {
  const known = contents.get(hash);
  if (known) return known;
  const stored = await em.findOne(GuideVersionEntity, { stationId, guideId, version });
  if (!stored) throw notFound('version of the guide');
  contents.set(stored.hash, stored.content);
  return stored.content;
}
