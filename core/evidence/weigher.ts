import { type CompiledGuide, compileGuide, type Guide, withCross } from '../guide/working';
import type { Judgement, Situation } from '../specimen';
import { type Assessment, assess } from './assess';
import type { Keyed } from './keyed';
import type { Level } from './levels';
import type { Reading } from './reading';

/** A request to weigh readings; `guide` may be left out once its hash is known to the weigher. */
export interface WeighRequest {
  hash: string;
  guide?: Guide;
  judgement?: Judgement;
  situation: Situation;
  readings: Reading[];
  level?: Level;
  /** A finished walk through a key. */
  keyed?: Keyed;
}

export type WeighAnswer = { known: true; assessment: Assessment } | { known: false };

/** Compiled guides kept at once. */
const KEPT = 12;

/**
 * Weighs readings with compiled guides kept between requests. The same function
 * runs in the browser's worker and in the server's worker threads; a weigher that
 * does not know a guide says so, and is then sent it once.
 */
export function createWeigher(): (request: WeighRequest) => WeighAnswer {
  const guides = new Map<string, Guide>();
  const compiled = new Map<string, CompiledGuide>();
  return (request) => {
    if (request.guide) keep(guides, request.hash, request.guide);
    const guide = guides.get(request.hash);
    if (!guide) return { known: false };
    const key = JSON.stringify([request.hash, settingOf(request.situation), request.judgement]);
    const ready = compiled.get(key) ?? compileFor(guide, request.situation, request.judgement);
    keep(compiled, key, ready);
    return { known: true, assessment: assess(ready, request.situation, request.readings, request.level, request.keyed) };
  };
}

const settingOf = ({ region, date, circumstances }: Situation) => ({ region, date, circumstances });

/** A guide compiled for a situation, as it is to be judged there. */
export function compileFor(guide: Guide, situation: Situation, { policy, treatment, cross }: Judgement = {}): CompiledGuide {
  return compileGuide(cross ? withCross(guide, cross) : guide, settingOf(situation), policy, treatment);
}

/** Keep as the newest; the oldest goes when there are too many. */
function keep<T>(kept: Map<string, T>, key: string, value: T): void {
  kept.delete(key);
  kept.set(key, value);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
}
