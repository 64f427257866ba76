import { callOf, type Keyed, posteriorOf } from '../evidence';
import { type CompiledGuide, compiledFor, type Guide, nameText, sayFacets } from '../guide/working';
import { fittedTo, type Reading, type Situation } from '../observation';
import { nameParts } from '../specimen';
import { keyedBy, type Walked } from './analyse';

/** A record as it was when it was named; its walk counts where the guide’s school is the key. */
export interface ToName {
  situation: Situation;
  readings: readonly Reading[];
  walk?: Walked;
}

/** What a version of a guide calls a record. */
export interface NamedBy {
  /** The name, as far as it goes, with what is said beside it: `Petralda murica, adult male`. */
  name: string;
  /** P of it, 0..1; absent where it is not yet named. */
  p?: number;
  /** Characters whose readings this version knows nothing of, by id. */
  left: string[];
}

/**
 * What a guide calls each of some records, by its own policy and in its own words: held against what another version
 * calls them, it tells which names a change would alter.
 */
export function namesBy(guide: Guide, records: readonly ToName[]): NamedBy[] {
  return records.map((record) => {
    const { situation, readings, left } = fittedTo(guide, record);
    const compiled = compiledFor(guide, situation);
    const keyed = keyedBy({ guide, situation, readings, walk: record.walk });
    return { ...nameOf(compiled, situation, readings, keyed), left };
  });
}

function nameOf(
  compiled: CompiledGuide,
  situation: Situation,
  readings: readonly Reading[],
  keyed: Keyed | undefined,
): Omit<NamedBy, 'left'> {
  const { guide } = compiled;
  const { kind, taxon, other, facets, union, p } = callOf(compiled, posteriorOf(compiled, situation, readings), { keyed });
  if (kind === 'undetermined') return { name: 'Not yet named' };
  const qualifier = kind === 'either' ? 'or' : kind === 'outside' ? 'outside' : 'none';
  const name = nameText(nameParts(guide, { qualifier, taxon, other }));
  return { name: [name, sayFacets(guide, facets), union?.label].filter(Boolean).join(', '), p };
}
