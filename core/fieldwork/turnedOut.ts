import { type Facets, type Guide, isUnder } from '../guide/working';
import type { Seen } from './history';

/** What the bearer of a mark turned out to be. */
export interface TurnedOut {
  taxon?: string;
  sex?: 'male' | 'female';
  /** "by an egg it laid" */
  how: string;
}

/** The sex that a guide's facets say, in the words of a catch. */
export function sexIn(guide: Pick<Guide, 'facets'> | undefined, { sex }: Facets): TurnedOut['sex'] {
  const label = guide?.facets.sex?.find(({ id }) => id === sex)?.label ?? sex;
  return label === 'male' || label === 'female' ? label : undefined;
}

/** A capture that said otherwise than what its bearer turned out to be. */
export interface SaidOtherwise {
  id: string;
  day: string;
  /** What it said: a taxon of the guide, or a sex. */
  taxon?: string;
  sex?: string;
}

/**
 * The captures of one mark that said otherwise than it turned out: another sex, or a taxon that is neither it, nor
 * above nor below it. What a capture is silent on is not held against it.
 */
export function saidOtherwise(guide: Pick<Guide, 'taxa'>, seen: readonly Seen[], truth: TurnedOut): SaidOtherwise[] {
  return seen.flatMap(({ id, day, taxon, sex }) => {
    const kind = taxon !== undefined && truth.taxon !== undefined && !related(guide, taxon, truth.taxon);
    const sexed = truth.sex !== undefined && sex !== undefined && sex !== 'unknown' && sex !== truth.sex;
    return kind || sexed ? [{ id, day, ...(kind ? { taxon } : {}), ...(sexed ? { sex } : {}) }] : [];
  });
}

const related = (guide: Pick<Guide, 'taxa'>, a: string, b: string) => isUnder(guide, a, b) || isUnder(guide, b, a);
