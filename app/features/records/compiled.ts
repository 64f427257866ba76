import { usualCircumstances } from '@plesion/core/book';
import { type CompiledGuide, compiledFor, type Guide } from '@plesion/core/guide';

/** A guide compiled for no place and date in particular and for its usual circumstances, for drawing it and for its pages. */
export const compiledOf = (guide: Guide): CompiledGuide => compiledFor(guide, { circumstances: usualCircumstances(guide) });
