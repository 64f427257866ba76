import { type CompiledGuide, compileGuide, type Guide } from '@plesion/core/guide';

const compiledGuides = new WeakMap<Guide, CompiledGuide>();

/** A guide compiled for no place and date in particular and for all circumstances, once, for drawing it and for its pages. */
export function compiledOf(guide: Guide): CompiledGuide {
  let compiled = compiledGuides.get(guide);
  if (!compiled) {
    compiled = compileGuide(guide, { circumstances: guide.circumstances?.map(({ id }) => id) });
    compiledGuides.set(guide, compiled);
  }
  return compiled;
}
