import type { CaptureWrite } from '@plesion/contract';
import { windOf } from '@plesion/core/fieldwork';
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

/** Days at liberty, how far and which way, in words. */
export function sayWay({ days, km, bearing }: { days: number; km?: number; bearing?: number }): string {
  const far =
    km === undefined
      ? undefined
      : km <= NEAR_KM
        ? 'at the same place'
        : [km < 10 ? km.toFixed(1) : Math.round(km), 'km', bearing !== undefined && windOf(bearing)].filter(Boolean).join(' ');
  return [`${inWords(days, 'day')} at liberty`, far].filter(Boolean).join(' · ');
}

/** Nearer than this is the same place: what a fix is off by. */
const NEAR_KM = 0.05;
