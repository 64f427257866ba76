import type { Standing } from '../evidence';
import { type Guide, guideByHash, knownGuide } from '../guide/working';
import { type Analysis, analyse } from './analyse';

/** An analysis asked of a worker; the guide may be left out once its hash is known there. */
export interface WeighRequest extends Omit<Analysis, 'guide'> {
  hash: string;
  guide?: Guide;
}

export type WeighAnswer = { known: true; assessment: Standing } | { known: false };

/**
 * Answers analyses in a worker. The same function runs in the browser's worker and
 * in the server's worker threads; one that does not know a guide says so, and is
 * then sent it once.
 */
export function weigh({ hash, guide: given, ...request }: WeighRequest): WeighAnswer {
  const guide = given ? knownGuide(hash, given) : guideByHash(hash);
  return guide ? { known: true, assessment: analyse({ ...request, guide }) } : { known: false };
}
