/** One named record, as lists are made of it. */
export interface Listed {
  id: string;
  /** YYYY-MM-DD. */
  day: string;
  /** The name it goes by; nothing where it is one of several ("A or B"), which counts for neither. */
  taxon?: string;
  /** What "A or B" is sure of: it counts for that. */
  group?: string;
  site?: string;
  by: string;
}

/** A list: every taxon once, with the record it stands on. */
export type TaxonList = Map<string, Listed>;

/** The taxa of some records, each with its earliest; what names several counts for their group. */
export function listOf(records: readonly Listed[]): TaxonList {
  const list: TaxonList = new Map();
  for (const record of records) {
    const name = record.taxon ?? record.group;
    if (!name) continue;
    const known = list.get(name);
    if (!known || record.day < known.day) list.set(name, record);
  }
  return list;
}

export type First = 'for-me' | 'for-the-site' | 'of-the-year';

/** What a record is the first of, among those before it; nothing for what names several. */
export function firstsOf(record: Listed, before: readonly Listed[]): First[] {
  const { taxon, day, site, by } = record;
  if (!taxon) return [];
  const same = before.filter((one) => one.taxon === taxon && one.id !== record.id && one.day <= day);
  return [
    ...(same.some((one) => one.by === by) ? [] : (['for-me'] as const)),
    ...(site === undefined || same.some((one) => one.site === site) ? [] : (['for-the-site'] as const)),
    ...(same.some((one) => one.day.slice(0, 4) === day.slice(0, 4)) ? [] : (['of-the-year'] as const)),
  ];
}

/** What a correction did to a list. */
export interface Moved {
  /** What the record stood under before: what stands for it now. */
  left?: { stands: Listed | undefined };
  /** What it stands under since. */
  came?: { stands: Listed | undefined };
}

/**
 * What a list says since a record goes by another name.
 *
 * @param list as it is now, the record under its new name.
 * @param was what the record stood under; nothing where it was removed.
 * @param became what it stands under; nothing where it is removed or doubted.
 */
export const movedBy = (list: TaxonList, was: string | undefined, became: string | undefined): Moved => ({
  ...(was === undefined ? {} : { left: { stands: list.get(was) } }),
  ...(became === undefined ? {} : { came: { stands: list.get(became) } }),
});
