import { usualCircumstances } from '@plesion/core/book';
import { compileFor } from '@plesion/core/evidence';
import { type CompiledGuide, compileGuide, type Guide } from '@plesion/core/guide';
import type { Judgement, Situation } from '@plesion/core/specimen';

const compiledGuides = new WeakMap<Guide, CompiledGuide>();

/** A guide compiled for no place and date in particular and for its usual circumstances, once, for drawing it and for its pages. */
export function compiledOf(guide: Guide): CompiledGuide {
  let compiled = compiledGuides.get(guide);
  if (!compiled) {
    compiled = compileGuide(guide, { circumstances: usualCircumstances(guide) });
    compiledGuides.set(guide, compiled);
  }
  return compiled;
}

const forSituations = new WeakMap<Guide, Map<string, CompiledGuide>>();

/** A guide compiled for one situation and judgement, kept for as long as the guide is. */
export function compiledIn(guide: Guide, situation: Situation, judgement?: Judgement): CompiledGuide {
  const kept = forSituations.get(guide) ?? new Map<string, CompiledGuide>();
  forSituations.set(guide, kept);
  const { region, date, circumstances } = situation;
  const id = JSON.stringify([region, date, circumstances, judgement]);
  let compiled = kept.get(id);
  if (!compiled) {
    if (kept.size > 6) kept.clear();
    compiled = compileFor(guide, situation, judgement);
    kept.set(id, compiled);
  }
  return compiled;
}
