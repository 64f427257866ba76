import { checkHeredity } from '../guide/checkHeredity';
import { EMPTY } from '../guide/heredityModel';
import type { Expression, ExpressionRule, GenotypeTest, HereditySection, Locus } from '../guide/hereditySchema';
import type { SexSystem } from '../guide/heredityVocabulary';
import { idsFor } from '../guide/ids';
import { done, failed, type Outcome, type Problem } from '../problem';
import type { Draft } from './draftSchema';

/** How an allele shows beside the usual one: only without it, with one copy, or with one otherwise than with two. */
export type Showing = 'recessive' | 'dominant' | 'both';

/** A gene as a keeper tells it: two alleles, the usual and another, and what is seen of them. */
export interface NewGene {
  label: string;
  linked: boolean;
  showing: Showing;
  /** A facet or a character of the guide, and its states. */
  character: string;
  usual: string;
  other: string;
  /** What shows with one copy of each, where that is another thing than either. */
  between?: string;
  /** How common the other allele is among founders, from 0 to 1. */
  frequency: number;
}

/** The usual allele of a gene. */
const USUAL = '+';

/** As is the custom: the first letter of what it shows, a capital for what shows with one copy. */
function signFor({ other, showing, linked }: NewGene, system: SexSystem): string {
  const [letter = ''] = other.replace(/[^\p{L}\p{N}]/gu, '');
  const sign = showing === 'recessive' ? letter.toLowerCase() : letter.toUpperCase();
  // What stands for the empty sex chromosome stands for nothing else.
  return sign === '' || (linked && sign === EMPTY[system]) ? 'x' : sign;
}

/** A section with one more gene, and the rules by which it is seen, before the rule for all that are left. */
export function withGene(section: HereditySection | undefined, gene: NewGene): HereditySection {
  const { loci = [], characters = [] } = section ?? {};
  const id = idsFor(
    [gene.label],
    [...loci, ...characters].map((one) => one.id),
  ).get(gene.label)!;
  const own = signFor(gene, section?.system ?? 'ZW');
  const locus: Locus = {
    ...{ id, label: gene.label, inheritance: gene.linked ? 'sex-linked' : 'autosomal' },
    alleles: [
      { id: USUAL, frequency: rounded(1 - gene.frequency) },
      { id: own, frequency: gene.frequency },
    ],
  };
  const only: ExpressionRule = { where: { [id]: { only: own } }, shows: gene.other };
  const rules: Record<Showing, ExpressionRule[]> = {
    recessive: [only],
    dominant: [{ where: { [id]: { has: own } }, shows: gene.other }],
    both: [only, { where: { [id]: { has: own } }, shows: gene.between ?? gene.other }],
  };
  const known = characters.find((one) => one.id === gene.character);
  const all: Expression = known
    ? { ...known, loci: [...known.loci, id], rules: [...known.rules.slice(0, -1), ...rules[gene.showing], known.rules.at(-1)!] }
    : { id: gene.character, loci: [id], rules: [...rules[gene.showing], { where: {}, shows: gene.usual }] };
  return {
    system: 'ZW',
    ...section,
    loci: [...loci, locus],
    characters: known ? characters.map((one) => (one === known ? all : one)) : [...characters, all],
  };
}

/** Without what is left over of reckoning in binary: 0.82, not 0.8200000000000001. */
const rounded = (value: number): number => Math.round(value * 1e6) / 1e6;

/** Of a record, all but one. */
const without = <T>(all: Readonly<Record<string, T>> | Locus, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(all).filter(([one]) => one !== key)) as Record<string, T>;

/** A section without a gene, and without what is said of it; nothing where no other is left. */
export function withoutLocus(section: HereditySection, id: string): HereditySection | undefined {
  const loci = section.loci
    .filter((locus) => locus.id !== id)
    .map((locus) => (locus.after?.locus === id ? (without(locus, 'after') as Locus) : locus));
  if (!loci.length) return undefined;
  const characters = section.characters.flatMap((one): Expression[] => {
    const rules = one.rules.filter(({ where }) => !(id in where));
    const left = one.loci.filter((locus) => locus !== id);
    return left.length && rules.length ? [{ ...one, loci: left, rules }] : [];
  });
  const strains = section.strains?.map((strain) =>
    strain.founders ? { ...strain, founders: without(strain.founders, id) } : strain,
  );
  return { ...section, loci, characters, ...(strains ? { strains } : {}) };
}

/** Does a test, or a genotype, name an allele? */
const names = (written: string, allele: string): boolean => written.split('/').includes(allele);
const testNames = (test: GenotypeTest, allele: string): boolean =>
  names('has' in test ? test.has : 'only' in test ? test.only : test.is, allele);

/** A section in which a locus has no such allele: what is said of it goes, and the others make up for how common it was. */
export function withoutAllele(section: HereditySection, locusId: string, allele: string): HereditySection {
  const shared = (frequencies: Record<string, number>) => {
    const left = without(frequencies, allele);
    const sum = Object.values(left).reduce((all, one) => all + one, 0);
    const each = Object.keys(left).length;
    return Object.fromEntries(Object.entries(left).map(([id, one]) => [id, sum > 0 ? one / sum : 1 / each]));
  };
  const loci = section.loci.map((locus): Locus => {
    if (locus.id !== locusId) return locus;
    const next = shared(Object.fromEntries(locus.alleles.map(({ id, frequency }) => [id, frequency])));
    return {
      ...locus,
      alleles: locus.alleles.filter(({ id }) => id !== allele).map((one) => ({ ...one, frequency: next[one.id] })),
      ...(locus.dominance ? { dominance: locus.dominance.filter((one) => one !== allele) } : {}),
      ...(locus.lethal ? { lethal: locus.lethal.filter((written) => !names(written, allele)) } : {}),
    };
  });
  const characters = section.characters.flatMap((one): Expression[] => {
    const rules = one.rules.filter(({ where }) => !(locusId in where && testNames(where[locusId], allele)));
    return rules.length ? [{ ...one, rules }] : [];
  });
  const strains = section.strains?.map((strain) =>
    strain.founders?.[locusId]
      ? { ...strain, founders: { ...strain.founders, [locusId]: shared(strain.founders[locusId]) } }
      : strain,
  );
  return { ...section, loci, characters, ...(strains ? { strains } : {}) };
}

/** How common an allele is said to be; of two, the other is the rest. */
export const withFrequency = (locus: Locus, allele: string, frequency: number): Locus => ({
  ...locus,
  alleles: locus.alleles.map((one) =>
    one.id === allele ? { ...one, frequency } : locus.alleles.length === 2 ? { ...one, frequency: rounded(1 - frequency) } : one,
  ),
});

/** `+ 60, p 40`: how common alleles are, in 100. */
export const sayShares = (shares: Readonly<Record<string, number>> | undefined): string =>
  Object.entries(shares ?? {})
    .map(([id, share]) => `${id} ${+(100 * share).toFixed(4)}`)
    .join(', ');

/** The same read: every allele once, and all of them 100; nothing where nothing is written. */
export function readShares(text: string, ids: readonly string[]): Outcome<Record<string, number> | undefined> {
  if (!text.trim()) return done(undefined);
  const example = ids.map((id, i) => `${id} ${i === 0 ? 100 - 10 * (ids.length - 1) : 10}`).join(', ');
  const bad = (message: string) => failed({ code: 'shares', message: `${message} Write such as ${example}.` });
  const shares: Record<string, number> = {};
  for (const part of text.split(/[,;]\s+|[,;]$/).filter((one) => one.trim())) {
    const [id, number, ...more] = part.trim().split(/\s+/);
    const value = Number((number ?? '').replace(',', '.'));
    if (!ids.includes(id)) return bad(`There is no allele “${id}”.`);
    if (Object.hasOwn(shares, id)) return bad(`“${id}” stands twice.`);
    if (more.length || !number || !(value >= 0 && value <= 100))
      return bad(`“${part.trim()}” is no allele and how common it is.`);
    shares[id] = value / 100;
  }
  const missing = ids.find((id) => !Object.hasOwn(shares, id));
  if (missing !== undefined) return bad(`“${missing}” is missing.`);
  const sum = Object.values(shares).reduce((all, one) => all + one, 0);
  return Math.abs(sum - 1) > 1e-6 ? bad(`They come to ${+(100 * sum).toFixed(2)}, not to 100.`) : done(shares);
}

/** What is wrong with how the draft's kinds inherit, by its field within the section. */
export function heredityProblems(draft: Pick<Draft, 'taxa' | 'facets' | 'characters' | 'heredity'>): Problem[] {
  const problems: Problem[] = [];
  checkHeredity(draft, (field, code, message) => problems.push({ field: field.replace(/^heredity\./, ''), code, message }));
  return problems;
}
