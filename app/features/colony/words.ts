import type { Colony, ColonyMember } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import type { Separated } from '@plesion/core/heredity/schema';
import { Day } from '@plesion/core/observation/schema';
import { sayDate } from '../../lib/dates';

/** What individuals show by which something is told of their genes. */
export interface Shown {
  id: string;
  label: string;
  states: { id: string; label: string }[];
}

const FACET_WORDS: Partial<Record<string, string>> = { morph: 'morph', sex: 'sex', age: 'age', plumage: 'plumage' };

/** The characters of a guide's heredity, as the guide calls them. */
export function shownBy({ heredity, facets, characters }: Guide): Shown[] {
  const own = heredity?.loci.filter(({ dominance }) => dominance).map(({ id }) => id) ?? [];
  return [...own, ...(heredity?.characters.map(({ id }) => id) ?? [])].map((id) => {
    const character = characters.find((one) => one.id === id);
    const states = facets[id as keyof Guide['facets']] ?? character?.states ?? [];
    return {
      id,
      label: character?.label ?? FACET_WORDS[id] ?? id,
      states: states.map((one) => ({ id: one.id, label: one.label })),
    };
  });
}

/** A locus as the guide calls it. */
export const locusLabel = ({ heredity }: Guide, locus: string): string =>
  heredity?.loci.find(({ id }) => id === locus)?.label ?? locus;

/** What it shows, in the guide's words; "perhaps" where it was not seen plainly. */
export const sayShown = (guide: Guide, { kept: { phenotypes } }: Pick<ColonyMember, 'kept'>): string =>
  shownBy(guide)
    .flatMap(({ id, states }) => {
      const seen = phenotypes[id];
      if (seen === undefined) return [];
      const all = typeof seen === 'string' ? [seen] : seen.states;
      const words = all.map((state) => states.find((one) => one.id === state)?.label ?? state).join(' or ');
      return [typeof seen === 'string' || seen.certainty === 1 ? words : `perhaps ${words}`];
    })
    .join(', ');

/** The sex it was called, and the one that its records come to where that is another matter. */
export function saySex({ kept: { sex } }: Pick<ColonyMember, 'kept'>, told?: { female: number; male: number }): string {
  const called = sex && `${sex.certainty < 1 ? 'perhaps a' : 'a'} ${sex.called}`;
  if (!told) return called ?? 'sex not known';
  const likely = told.female >= told.male ? 'female' : 'male';
  const p = Math.max(told.female, told.male);
  if (sex?.called === likely && (sex.certainty === 1 || p < 0.999)) return called!;
  if (p > 0.999) return sex && sex.called !== likely ? `called a ${sex.called}: it is a ${likely}` : `a ${likely}`;
  if (p <= 0.55) return called ?? 'sex not known';
  return `${sex ? `called a ${sex.called}; ` : ''}a ${likely}, ${inHundred(p)}`;
}

/** Pens of a book that are used, by their names: those that are written down, and those that somebody is in. */
export function penNamesIn({ members, pens }: Pick<Colony, 'members' | 'pens'>): string[] {
  const written = pens.filter(({ until }) => !until).map(({ name }) => name);
  const inUse = members.flatMap(({ kept }) => (kept.status === 'here' && kept.pen) || []);
  return [...new Set([...written, ...inUse])].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
}

/** Strains by what the guide calls them. */
export const strainsIn = ({ heredity }: Guide): string[] => heredity?.strains?.map(({ id }) => id) ?? [];

/** How a book stands, in a word: what is worked out of it holds as long as this is the same. */
export const standing = (members: readonly Pick<ColonyMember, 'id' | 'version'>[]): string =>
  members.map(({ id, version }) => `${id} ${version}`).join();

export const isDay = (text: string): boolean => Day.safeParse(text).success;

/** What is wrong with a day as it is typed. */
export const wrongDay = (text: string): string | undefined => (isDay(text) ? undefined : 'Write the day as YYYY-MM-DD.');

/** What may come of keeping one alone that was taken from a pen. */
export const foundWords = (pen: string): { id: Separated; label: string }[] => [
  { id: 'laid', label: 'laid an egg' },
  { id: 'none', label: 'laid none' },
  { id: 'another', label: `another egg lay in ${pen} meanwhile` },
];

/** Where it is and whence, in one line. */
export const sayPlace = ({ kept: { hatched, hatchedTo, origin, pen, strain, status } }: Pick<ColonyMember, 'kept'>): string =>
  [
    hatched && (hatchedTo ? `hatched ${sayDate(hatched)} to ${sayDate(hatchedTo)}` : `hatched ${sayDate(hatched)}`),
    origin && `from ${origin}`,
    pen,
    strain,
    status !== 'here' && status,
  ]
    .filter(Boolean)
    .join(' · ');

/** The share of each strain in hundredths. */
export const sayShares = (shares: Readonly<Record<string, number>>): string =>
  Object.entries(shares)
    .sort(([, a], [, b]) => b - a)
    .map(([strain, share]) => (share > 0.9999 ? `all ${strain}` : `${strain} ${inHundred(share)}`))
    .join(', ');

/** Who is together. */
export function sayPair(
  { fathers, mothers }: { fathers: readonly string[]; mothers: readonly string[] },
  members: readonly Pick<ColonyMember, 'id' | 'name'>[],
): string {
  const names = new Map(members.map(({ id, name }) => [id, name]));
  const side = (ids: readonly string[]) => ids.map((id) => names.get(id) ?? 'somebody').join(' or ');
  return `${side(fathers)} with ${side(mothers)}`;
}

/** A genotype with its chance, "for certain" where it is. */
export const sayChance = (p: number): string => (p > 0.9995 ? 'for certain' : inHundred(p));

/** The likeliest genotype at each locus, with its chance. */
export const sayCarried = (guide: Guide, genotypes: Record<string, { genotype: string; p: number }[]>): string =>
  Object.entries(genotypes)
    .map(([locus, [first]]) => `${locusLabel(guide, locus)} ${first.genotype}${first.p > 0.9995 ? '' : ` ${inHundred(first.p)}`}`)
    .join(' · ');

/** A record of heredity as people say it. */
export const sayRecord = ({ id, what, character }: { id: string; what: string; character?: string }): string =>
  what === 'phenotype' ? `the ${character} of ${id}` : `the ${what} of ${id}`;

/** What may be carried unseen: alleles that show only where there is no other. */
export function hiddenIn(guide: Guide) {
  const { heredity } = guide;
  const labels = new Map(
    shownBy(guide).flatMap(({ id, states }) => states.map((one) => [`${id} ${one.id}`, one.label] as const)),
  );
  const ruled = (heredity?.characters ?? []).flatMap(({ id: character, rules }) =>
    rules.flatMap(({ where, shows }) => {
      const [[locus, test] = [], ...more] = Object.entries(where);
      if (locus === undefined || more.length || !test || !('only' in test) || typeof shows !== 'string') return [];
      return [{ locus, allele: test.only, character, state: shows }];
    }),
  );
  const recessive = (heredity?.loci ?? []).flatMap(({ id, dominance = [] }) =>
    dominance.slice(1).map((allele) => ({ locus: id, allele, character: id, state: allele })),
  );
  return [...ruled, ...recessive].map((one) => ({
    ...one,
    id: `${one.locus} ${one.allele}`,
    label: labels.get(`${one.character} ${one.state}`) ?? one.state,
  }));
}
