import { type CompiledGuide, compileGuide, keepNewest } from './compile';
import { withCross } from './crosses';
import type { Character, Eye, Guide, Judgement } from './schema';
import type { Setting } from './scopes';

/** Guides known by their content, and settings kept of each. */
const GUIDES_KEPT = 12;
const SETTINGS_KEPT = 6;

const byContent = new Map<string, Guide>();
const compiled = new WeakMap<Guide, Map<string, CompiledGuide>>();

/** The guide with this content that is known already, so that what was made of it once is found again. */
export const knownGuide = (hash: string, guide: Guide): Guide => keepNewest(byContent, hash, GUIDES_KEPT, () => guide);

/** A guide that was handed in before, by the hash of its content. */
export const guideByHash = (hash: string): Guide | undefined => byContent.get(hash);

/**
 * A guide compiled for a situation, as it is to be judged there: the one place
 * where guides are compiled for weighing, with the one cache. Only place, date,
 * circumstances and judgement make a difference to it.
 */
export function compiledFor(guide: Guide, setting: Setting = {}, judgement: Judgement = {}): CompiledGuide {
  const kept = compiled.get(guide) ?? new Map<string, CompiledGuide>();
  compiled.set(guide, kept);
  const { region, date, circumstances } = setting;
  const { policy, treatment, cross, reader } = judgement;
  const key = JSON.stringify([region, date, circumstances, policy, treatment, cross, reader?.rho, reader?.eye]);
  return keepNewest(kept, key, SETTINGS_KEPT, () =>
    compileGuide(readBy(cross ? crossed(guide, cross) : guide, reader), { region, date, circumstances }, policy, treatment),
  );
}

const crosses = new WeakMap<Guide, Map<string, Guide>>();

/** The guide with a cross among its candidates, made once, so that its tables are too. */
function crossed(guide: Guide, cross: readonly [string, string]): Guide {
  const kept = crosses.get(guide) ?? new Map<string, Guide>();
  crosses.set(guide, kept);
  return keepNewest(kept, cross.join(' × '), SETTINGS_KEPT, () => withCross(guide, cross));
}

/** A character as one person reads its values by eye. */
export type CharacterByEye = Character & { eye?: Eye };

/** A guide whose characters are read as one person reads them. */
function readBy(guide: Guide, { rho = {}, eye = {} }: Partial<NonNullable<Judgement['reader']>> = {}): Guide {
  if (Object.keys(rho).length + Object.keys(eye).length === 0) return guide;
  const read = (one: Character): CharacterByEye => ({
    ...one,
    ...(one.id in rho ? { reliability: rho[one.id] } : {}),
    ...(one.id in eye ? { eye: eye[one.id] } : {}),
  });
  return { ...guide, characters: guide.characters.map(read) };
}
