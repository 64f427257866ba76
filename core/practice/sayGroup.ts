import type { Guide } from '../guide/working';

/** A group as one would say it: by its vernacular name where it has one. */
export const sayGroup = (guide: Pick<Guide, 'taxa'>, { id, label }: { id: string; label: string }): string =>
  guide.taxa.find((taxon) => taxon.id === id)?.vernacular ?? label;
