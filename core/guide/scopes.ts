import { withinDates } from './dates';
import { type Form, hasFacets, lineage } from './forms';
import type { Guide, Score, SourcePolicy } from './schema';

/** Where, when and in what circumstances, as far as scores may be scoped to it. */
export interface Setting {
  region?: string;
  /** `YYYY-MM-DD` or `MM-DD`. */
  date?: string;
  /** Circumstances known to hold, such as wind or alarm. */
  circumstances?: readonly string[];
}

/** What stands in the way of a score in a setting: the first that does not hold. */
export type OutOfScope = 'region' | 'date' | 'circumstances';

/** Why a score does not hold in a setting; undefined when it does. What is not known does not hold. */
export function outOfScopeBy({ scope }: Pick<Score, 'scope'>, setting: Setting): OutOfScope | undefined {
  const { regions, dates, circumstances } = scope;
  if (regions && !(setting.region && regions.includes(setting.region))) return 'region';
  if (dates && !(setting.date && withinDates(setting.date, dates))) return 'date';
  if (circumstances?.some((id) => !setting.circumstances?.includes(id))) return 'circumstances';
  return undefined;
}

/** A score scoped to a region, dates or circumstances holds only when the setting is known to be within them. */
export const holdsIn = (score: Pick<Score, 'scope'>, setting: Setting): boolean => outOfScopeBy(score, setting) === undefined;

/** The forms of a guide with what laying scores over them needs. */
export interface FormIndex {
  forms: readonly Form[];
  /** Indices of the forms under each taxon, itself included. */
  under: ReadonlyMap<string, readonly number[]>;
  /** Steps of each taxon below its root, itself counted. */
  depth: ReadonlyMap<string, number>;
}

export function formIndexOf(guide: Pick<Guide, 'taxa'>, forms: readonly Form[]): FormIndex {
  const lines = new Map(guide.taxa.map((taxon) => [taxon.id, lineage(guide, taxon.id).map(({ id }) => id)]));
  const under = new Map<string, number[]>();
  forms.forEach((form, f) => {
    for (const id of lines.get(form.taxon) ?? []) {
      const list = under.get(id);
      if (list) list.push(f);
      else under.set(id, [f]);
    }
  });
  return { forms, under, depth: new Map([...lines].map(([id, line]) => [id, line.length])) };
}

/** Taxon depth first, then the number of facets, then circumstances, region and dates. */
export function specificity({ scope }: Pick<Score, 'scope'>, depth: FormIndex['depth']): number {
  const { taxon, facets, regions, dates, circumstances } = scope;
  return (
    (taxon ? (depth.get(taxon) ?? 0) : 0) * 1000 +
    (facets ? Object.keys(facets).length * 20 : 0) +
    (circumstances?.length ?? 0) * 4 +
    (regions ? 2 : 0) +
    (dates ? 1 : 0)
  );
}

/** What a score speaks of: the character's values, whether it applies, or how two taxa compare. */
export const subjectOf = ({ value }: Pick<Score, 'value'>) =>
  value.kind === 'applies' || value.kind === 'comparison' ? value.kind : 'value';

/** The forms that a scope speaks of. */
export function formsUnder(canvas: FormIndex, { taxon, facets }: Pick<Score['scope'], 'taxon' | 'facets'>): readonly number[] {
  const all = taxon ? (canvas.under.get(taxon) ?? NONE) : canvas.forms.map((_, f) => f);
  return facets ? all.filter((f) => hasFacets(canvas.forms[f], facets)) : all;
}

const NONE: readonly number[] = [];

/**
 * Lay scores over the forms, the general first, so that the most specific stays on
 * top. One pass over the forms that each score speaks of.
 */
export function applyScore(scores: readonly Score[], canvas: FormIndex): (Score | undefined)[] {
  const top: (Score | undefined)[] = new Array(canvas.forms.length).fill(undefined);
  for (const score of scores) for (const f of formsUnder(canvas, score.scope)) top[f] = score;
  return top;
}

/** The sources in use, in the order they are asked. */
export function sourceOrder(guide: Pick<Guide, 'sources'>, policy: SourcePolicy): string[] {
  const excluded = new Set(policy.exclude ?? []);
  const named = policy.kind === 'prefer' ? policy.order : [];
  const rest = guide.sources.map((source) => source.id).filter((id) => !named.includes(id));
  return [...named, ...rest].filter((id) => !excluded.has(id));
}
