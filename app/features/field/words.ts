import type { CaptureWrite } from '@plesion/contract';
import { formsOf, type Guide } from '@plesion/core/guide';

/** What a kind is called in the hand: its vernacular, else its name. */
export function kindName(guide: Guide | undefined, { taxon, name }: Pick<CaptureWrite, 'taxon' | 'name'>): string {
  const found = taxon === undefined ? undefined : guide?.taxa.find(({ id }) => id === taxon);
  return found ? (found.vernacular ?? found.name) : (name ?? taxon ?? 'no kind');
}

/** A kind's code: two letters each of genus and species, so that it is typed quickly. */
export const kindCode = (name: string): string =>
  name
    .split(' ')
    .slice(0, 3)
    .map((word) => word.slice(0, 2).toUpperCase())
    .join('');

/** Kinds that can be caught: the taxa that forms are declared for. */
export const kindsOf = (guide: Guide) => {
  const own = new Set(formsOf(guide).map(({ taxon }) => taxon));
  return guide.taxa.filter(({ id }) => own.has(id));
};

export const inWords = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;
