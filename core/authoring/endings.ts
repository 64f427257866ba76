import { FACETS, type Facets, idsFor, type Taxon } from '../guide/working';
import type { Ending } from './claims';

/** A name as printed, parted from who gave it: "Velda alba Tessel, 1899". */
export function parted(printed: string): { name: string; authority?: string } {
  const plain = printed.replace(/[*_]/g, '').replace(/\s+/g, ' ').trim();
  const match =
    /^(\p{Lu}[\p{Ll}-]+(?: \(\p{Lu}\p{Ll}+\))?(?: \p{Ll}[\p{Ll}-]+){1,2})(?:,?\s+((?:\(|\p{Lu}|&|de |von |van ).*))?$/u.exec(
      plain,
    );
  if (!match) return { name: plain };
  return { name: match[1], ...(match[2] ? { authority: match[2].slice(0, 120) } : {}) };
}

/** What is named at endings, with the forms of it that are told apart. */
export interface Named {
  taxon: Taxon;
  endings: { ending: Ending; key: number; facets: Facets }[];
}

/** A genus that is only a letter stands for the one genus that has such a species. */
function spelledOut(names: readonly string[]): Map<string, string> {
  const full = names.filter((name) => /^\p{Lu}\p{Ll}+ /u.test(name));
  return new Map(
    names.map((name) => {
      const short = /^(\p{Lu})\. ?(.+)$/u.exec(name);
      const meant = short ? [...new Set(full.filter((one) => one.startsWith(short[1]) && one.endsWith(` ${short[2]}`)))] : [];
      return [name, meant.length === 1 ? meant[0] : name];
    }),
  );
}

const rankOf = (name: string): Taxon['rank'] => {
  const words = name.replace(/ \([^)]*\)/, '').split(' ').length;
  if (!/^\p{Lu}[\p{Ll}-]+(?: |$)/u.test(name)) return 'species';
  return words === 1 ? 'genus' : words === 2 ? 'species' : 'subspecies';
};

/**
 * The taxa that keys end at, those of several keys put together by their names, under the genera that their names begin
 * with. Endings that name nothing are left out.
 */
export function namedAt(all: readonly (readonly Ending[])[]): { genera: Taxon[]; named: Named[] } {
  const ended = all.flatMap((endings, key) =>
    endings.flatMap((ending) => {
      const { to } = ending;
      if (to.kind === 'open') return [];
      const own = to.kind === 'taxon' ? parted(to.name) : { name: to.title };
      return [{ ending, key, ...own, facets: to.kind === 'taxon' ? (to.facets ?? {}) : {} }];
    }),
  );
  const spelled = spelledOut(ended.map(({ name }) => name));
  const byName = new Map<string, typeof ended>();
  for (const one of ended) {
    const name = spelled.get(one.name)!;
    byName.set(name, [...(byName.get(name) ?? []), one]);
  }
  const names = [...byName.keys()];
  const genusNames = [
    ...new Set(
      names.filter((name) => rankOf(name) !== 'genus' && /^\p{Lu}\p{Ll}+ \p{Ll}/u.test(name)).map((name) => name.split(' ')[0]),
    ),
  ].filter((genus) => !byName.has(genus));
  const ids = idsFor([...genusNames, ...names]);
  const genera = genusNames.map((name): Taxon => ({ id: ids.get(name)!, name, rank: 'genus', abundance: 1 }));
  const parents = new Set(genusNames);
  const named = names.map((name): Named => {
    const endings = byName.get(name)!;
    const genus = name.split(' ')[0];
    const authority = endings.map((one) => one.authority).find(Boolean);
    return {
      taxon: {
        ...{ id: ids.get(name)!, name, rank: rankOf(name), abundance: 1 },
        ...(parents.has(genus) && name !== genus ? { parent: ids.get(genus)! } : {}),
        ...(authority ? { authority } : {}),
        forms: formsOf(endings.map(({ facets }) => facets)),
      },
      endings,
    };
  });
  return { genera, named };
}

/** One form; or, where endings tell sexes or stages apart, one of each that is named, in equal shares. */
function formsOf(all: readonly Facets[]): NonNullable<Taxon['forms']> {
  const facets = FACETS.flatMap((facet) => {
    const values = [...new Set(all.flatMap((one) => one[facet] ?? []))];
    return values.length ? [[facet, Object.fromEntries(values.map((value) => [value, 1 / values.length]))] as const] : [];
  });
  return [{ share: 1, facets: Object.fromEntries(facets) }];
}
