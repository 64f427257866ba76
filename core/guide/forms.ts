import type { Guide, Rank, Taxon } from './schema';
import type { Facets, FacetName } from './terms';
import { FACETS } from './vocabulary';

/** What a specimen can be: a terminal taxon with the facets it declares. */
export interface Form {
  id: string;
  taxon: string;
  facets: Facets;
  /** Share among the taxon's individuals, 0..1; the shares of one taxon's forms sum to 1. */
  share: number;
  /** For a cross: the two forms it stands between, and the share of the first one's ancestry. */
  cross?: { parents: readonly [string, string]; share: number };
}

/** The forms of a guide in the order of its taxa and blocks. */
export function formsOf(guide: Pick<Guide, 'taxa'>): Form[] {
  const own = new Map(guide.taxa.filter((taxon) => taxon.forms).map((taxon) => [taxon.id, formsOfTaxon(taxon)]));
  return guide.taxa.flatMap((taxon) => (taxon.cross ? crossForms(taxon, (id) => own.get(id) ?? []) : (own.get(taxon.id) ?? [])));
}

function formsOfTaxon(taxon: Taxon): Form[] {
  const raw = taxon.forms!.flatMap((block) =>
    FACETS.reduce<{ facets: Facets; share: number }[]>(
      (forms, facet) => {
        const values = block.facets[facet];
        if (!values) return forms;
        return forms.flatMap((form) =>
          Object.entries(values).map(([value, share]) => ({
            facets: { ...form.facets, [facet]: value },
            share: form.share * share,
          })),
        );
      },
      [{ facets: {}, share: block.share }],
    ),
  );
  const total = raw.reduce((sum, form) => sum + form.share, 0) || 1;
  return raw.map((form) => ({
    id: formId(taxon.id, form.facets),
    taxon: taxon.id,
    facets: form.facets,
    share: form.share / total,
  }));
}

/** Shares of the first parent's ancestry that stand for a cross and its backcrosses, and how often each is met. */
const ANCESTRY = [
  { share: 0.25, weight: 0.25 },
  { share: 0.5, weight: 0.5 },
  { share: 0.75, weight: 0.25 },
] as const;

/** Forms of a cross: those that both parents have, each in three shares of ancestry. */
function crossForms(taxon: Taxon, formsOfTaxon: (id: string) => readonly Form[]): Form[] {
  const [a, b] = taxon.cross!.map(formsOfTaxon);
  const facetsOf = (form: Form) => JSON.stringify(form.facets);
  const common = a.flatMap((form) => {
    const mate = b.find((other) => facetsOf(other) === facetsOf(form));
    return mate ? [{ form, mate, weight: (form.share + mate.share) / 2 }] : [];
  });
  const total = common.reduce((sum, { weight }) => sum + weight, 0) || 1;
  return common.flatMap(({ form, mate, weight }) =>
    ANCESTRY.map(({ share, weight: met }) => ({
      id: `${formId(taxon.id, form.facets)}~${share * 100}`,
      taxon: taxon.id,
      facets: form.facets,
      share: (weight / total) * met,
      cross: { parents: [form.id, mate.id] as const, share },
    })),
  );
}

/** `taxon/stage.sex.morph`, only with the facets that the form has. */
export function formId(taxon: string, facets: Facets): string {
  const values = FACETS.map((facet) => facets[facet]).filter(Boolean);
  return values.length ? `${taxon}/${values.join('.')}` : taxon;
}

/** Does the form carry one of the wanted values in every facet named? */
export function hasFacets(form: Form, wanted: Partial<Record<FacetName, readonly string[]>> | undefined): boolean {
  if (!wanted) return true;
  return Object.entries(wanted).every(([facet, values]) => {
    const own = form.facets[facet as FacetName];
    return own !== undefined && values.includes(own);
  });
}

/** From the taxon up to its root, itself first. */
export function lineage(guide: Pick<Guide, 'taxa'>, taxonId: string): Taxon[] {
  const byId = taxonIndex(guide);
  const line: Taxon[] = [];
  for (let at = byId.get(taxonId); at && !line.includes(at); at = at.parent ? byId.get(at.parent) : undefined) {
    line.push(at);
  }
  return line;
}

/** Is the taxon the one named, or below it? */
export const isUnder = (guide: Pick<Guide, 'taxa'>, taxonId: string, ancestor: string): boolean =>
  lineage(guide, taxonId).some(({ id }) => id === ancestor);

/** Is the form of that taxon, or of one below it, and has it these facets? */
export const isFormOf = (guide: Pick<Guide, 'taxa'>, form: Form, taxon: string, facets: Facets = {}): boolean =>
  isUnder(guide, form.taxon, taxon) &&
  hasFacets(form, Object.fromEntries(Object.entries(facets).map(([facet, value]) => [facet, [value]])));

/** The places of the forms of a taxon that have these facets, among all that a guide was compiled to. */
export const placesOf = (
  { guide, forms }: { guide: Pick<Guide, 'taxa'>; forms: readonly Form[] },
  taxon: string,
  facets: Facets = {},
): number[] => forms.flatMap((form, f) => (isFormOf(guide, form, taxon, facets) ? [f] : []));

/** Are facets that both name the same? What one is silent on is not held against it. */
export const facetsAgree = (a: Facets, b: Facets): boolean =>
  FACETS.every((facet) => a[facet] === undefined || b[facet] === undefined || a[facet] === b[facet]);

const indexes = new WeakMap<readonly Taxon[], Map<string, Taxon>>();

/** Taxa by id; made once for each list of taxa. */
export function taxonIndex(guide: Pick<Guide, 'taxa'>): Map<string, Taxon> {
  let index = indexes.get(guide.taxa);
  if (!index) {
    index = new Map(guide.taxa.map((taxon) => [taxon.id, taxon]));
    indexes.set(guide.taxa, index);
  }
  return index;
}

/** The ancestor (or the taxon itself) at a rank, where there is one. */
export function taxonAtRank(guide: Pick<Guide, 'taxa'>, taxonId: string, rank: Rank): Taxon | undefined {
  return lineage(guide, taxonId).find((taxon) => taxon.rank === rank);
}
