import type { Guide } from '../guide/working';

/** A group as one would say it: by its vernacular name where it has one. */
export const sayGroup = (guide: Pick<Guide, 'taxa'>, { id, label }: { id: string; label: string }): string =>
  guide.taxa.find((taxon) => taxon.id === id)?.vernacular ?? label;

/** One of an item's choices as one would say it, by its id. */
export const sayChoice = (
  guide: Pick<Guide, 'taxa'>,
  { choices }: { choices: readonly { id: string; label: string }[] },
  id: string,
): string => sayGroup(guide, choices.find((choice) => choice.id === id) ?? { id, label: id });
