import { FACETS, type Facets, idsFor, type Taxon } from '../guide/working';
import type { Ending } from './claims';
import type { Lead } from '../keys';
import { formNamed, marksOf } from './formNamed';

/** "(= T. erythra)", "[syn. Talitra erythra Dallow]". */
const SYNONYM = /\s*[([]\s*(?:=|≡|syn(?:onym)?[.:]?\s|formerly\s|olim\s)\s*([^)\]]+?)\s*[)\]]/giu;
const NAME = /^(\p{Lu}[\p{Ll}-]+(?: \(\p{Lu}\p{Ll}+\))?(?: \p{Ll}[\p{Ll}-]+){1,2})(?:,?\s+((?:\(|\p{Lu}|&|de |von |van ).*))?$/u;

/** A name as printed, parted from who gave it, and from names that were given before: "Velda alba Tessel, 1899 (= V. picta)". */
export function parted(printed: string): { name: string; authority?: string; former?: string[] } {
  const whole = printed.replace(/[*_]/g, '').replace(/\s+/g, ' ').trim();
  const plain = whole.replace(SYNONYM, '').trim();
  const [, name = plain, authority] = NAME.exec(plain) ?? [];
  const former = [...whole.matchAll(SYNONYM)].flatMap(([, said]) =>
    said.split(/\s*[,;]\s*=?\s*(?=\p{Lu})/u).map((one) => parted(spelledAs(one, name)).name),
  );
  return {
    name,
    ...(authority ? { authority: authority.slice(0, 120) } : {}),
    ...(former.length ? { former: [...new Set(former)].filter((one) => one !== name) } : {}),
  };
}

/** "T. erythra" beside a Talitra is one. */
const spelledAs = (name: string, beside: string): string =>
  name.replace(/^(\p{Lu})\. ?/u, (short, initial: string) =>
    beside.startsWith(initial) && beside.includes(' ') ? `${beside.split(' ')[0]} ` : short,
  );

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
  const ended = all.flatMap((endings, key) => {
    const marks = marksOf(endings.map(({ lead }) => lead));
    return endings.flatMap((ending) => endedAt(ending, key, marks));
  });
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
    const former = [...new Set(endings.flatMap((one) => one.former ?? []))].filter((one) => !byName.has(one));
    return {
      taxon: {
        ...{ id: ids.get(name)!, name, rank: rankOf(name), abundance: 1 },
        ...(parents.has(genus) && name !== genus ? { parent: ids.get(genus)! } : {}),
        ...(authority ? { authority } : {}),
        ...(former.length ? { names: former.map((one) => ({ name: one, kind: 'former' as const })) } : {}),
        forms: formsOf(endings.map(({ facets }) => facets)),
      },
      endings,
    };
  });
  return { genera, named };
}

/** What an ending names, and the form of it that it says. */
function endedAt(ending: Ending, key: number, marks: ReadonlyMap<Lead, string>) {
  const { to } = ending;
  if (to.kind === 'open') return [];
  if (to.kind === 'key') return [{ ending, key, name: to.title, facets: {} as Facets }];
  const { name, facets } = formNamed(to.name, marks.get(ending.lead));
  return [{ ending, key, ...parted(name), facets: to.facets ?? facets }];
}

/** One form; or, where endings tell sexes or stages apart, one of each that is named, in equal shares. */
function formsOf(all: readonly Facets[]): NonNullable<Taxon['forms']> {
  const facets = FACETS.flatMap((facet) => {
    const values = [...new Set(all.flatMap((one) => one[facet] ?? []))];
    return values.length ? [[facet, Object.fromEntries(values.map((value) => [value, 1 / values.length]))] as const] : [];
  });
  return [{ share: 1, facets: Object.fromEntries(facets) }];
}
