import { type CompiledGuide, keepNewest } from './compile';
import { curveAt } from './dates';
import { hasFacets, lineage } from './forms';
import type { PriorPart } from './vocabulary';
import type { Guide, Occurrence } from './schema';
import { frequencyNumber, wordsOf } from './words';

/** What the prior is made of; each part can be switched off. */

export interface PriorSetting {
  region?: string;
  date?: string;
  habitat?: string;
  /** What was found with it: host, neighbours, parents. */
  company?: readonly string[];
  switchedOff?: readonly PriorPart[];
}

/** Places whose factors are kept of one guide. */
const PLACES_KEPT = 24;

/** The prior of a form is at least this share of the most likely one's: a share of 0 is rare, not impossible. */
const LEAST_PRIOR = 1e-15;

/**
 * log2 of the prior over forms, π = range × date × habitat × company × abundance × shares,
 * brought to a sum of 1 − ε, and log2 ε for what is not in the guide.
 *
 * A taxon with records for some regions, habitats or company but not this one gets
 * the guide's `unrecorded` factor, never 0. One of which nothing is recorded takes
 * the mean of what is known of the others, so that silence is neither for nor
 * against it. A form without a curve over the year is taken to be met all year.
 * A cross is where both its parents are, and when they are, by its ancestry.
 */
export function priorBits(compiled: CompiledGuide, setting: PriorSetting): { forms: Float64Array; outside: number } {
  const { guide, forms } = compiled;
  const records = recordsOf(guide);
  const off = new Set(setting.switchedOff ?? []);
  const weights = new Float64Array(forms.length);
  forms.forEach((form, f) => {
    const abundance = off.has('abundance') ? 1 : (records.abundance.get(form.taxon) ?? 1);
    weights[f] = abundance * (off.has('shares') ? 1 : form.share);
  });
  const places: [string, string][] = [];
  if (setting.region && !off.has('range')) places.push(['range', setting.region]);
  if (setting.habitat && !off.has('habitat')) places.push(['habitat', setting.habitat]);
  // Hosts are compared with hosts, neighbours with neighbours.
  if (!off.has('company')) for (const met of setting.company ?? []) places.push([records.companyKind(met), met]);
  for (const [kind, place] of places) {
    const factors = keepNewest(records.factors, `${kind} ${place}`, PLACES_KEPT, () =>
      placeFactors(compiled, records, kind, place),
    );
    for (let f = 0; f < weights.length; f++) weights[f] *= factors[f];
  }
  if (setting.date && !off.has('date')) {
    for (let f = 0; f < weights.length; f++) weights[f] *= dateFactor(compiled, records, f, setting.date);
  }
  let most = 0;
  for (let f = 0; f < weights.length; f++) most = Math.max(most, weights[f]);
  const least = most > 0 ? most * LEAST_PRIOR : 1;
  let total = 0;
  for (let f = 0; f < weights.length; f++) {
    weights[f] = Math.max(weights[f], least);
    total += weights[f];
  }
  const epsilon = guide.settings.outside;
  const shift = Math.log2((1 - epsilon) / total);
  for (let f = 0; f < weights.length; f++) weights[f] = Math.log2(weights[f]) + shift;
  return { forms: weights, outside: Math.log2(epsilon) };
}

type DateRecord = Extract<Occurrence, { kind: 'date' }>;

/** The occurrence records of a guide, sorted once. */
interface Records {
  abundance: Map<string, number>;
  parents: Map<string, readonly [string, string]>;
  /** By kind, then taxon, then place: how common it is there. */
  places: Map<string, Map<string, Map<string, number>>>;
  dates: Map<string, DateRecord[]>;
  companyKind: (company: string) => string;
  /** What places say of every form, kept by place. */
  factors: Map<string, Float64Array>;
}

const sorted = new WeakMap<Guide, Records>();

function recordsOf(guide: Guide): Records {
  const known = sorted.get(guide);
  if (known) return known;
  const words = wordsOf(guide);
  const kinds = new Map((guide.company ?? []).map(({ id, kind }) => [id, kind]));
  const companyKind = (company: string) => `company ${kinds.get(company) ?? ''}`;
  const records: Records = {
    abundance: new Map(guide.taxa.map((taxon) => [taxon.id, taxon.abundance])),
    parents: new Map(guide.taxa.flatMap(({ id, cross }) => (cross ? [[id, cross] as const] : []))),
    places: new Map(),
    dates: new Map(),
    companyKind,
    factors: new Map(),
  };
  for (const record of guide.occurrence) {
    if (record.kind === 'date') {
      records.dates.set(record.taxon, [...(records.dates.get(record.taxon) ?? []), record]);
      continue;
    }
    const [kind, place] =
      record.kind === 'range'
        ? ['range', record.region]
        : record.kind === 'habitat'
          ? ['habitat', record.habitat]
          : [companyKind(record.company), record.company];
    const byTaxon = records.places.get(kind) ?? new Map<string, Map<string, number>>();
    records.places.set(kind, byTaxon);
    const own = byTaxon.get(record.taxon) ?? new Map<string, number>();
    byTaxon.set(record.taxon, own);
    if (!own.has(place)) own.set(place, Math.max(frequencyNumber(record.frequency, words), 1e-4));
  }
  sorted.set(guide, records);
  return records;
}

/** What a place says of every form; of a cross, what it says of the parent that is rarer there. */
function placeFactors({ guide, forms, base }: CompiledGuide, records: Records, kind: string, place: string): Float64Array {
  const byTaxon = new Map<string, number | undefined>();
  const of = (taxon: string): number | undefined => {
    if (!byTaxon.has(taxon)) byTaxon.set(taxon, placeFactor(guide, records, taxon, kind, place));
    return byTaxon.get(taxon);
  };
  let sum = 0;
  let weight = 0;
  forms.forEach(({ taxon, cross }, f) => {
    const factor = cross ? undefined : of(taxon);
    if (factor === undefined) return;
    sum += base[f] * factor;
    weight += base[f];
  });
  const usual = weight > 0 ? sum / weight : 1;
  return Float64Array.from(forms, ({ taxon }) => {
    const pair = records.parents.get(taxon);
    return pair ? Math.min(of(pair[0]) ?? usual, of(pair[1]) ?? usual) : (of(taxon) ?? usual);
  });
}

/** How common a taxon is at a place, by its own records or the nearest ones above it; undefined where there are none. */
function placeFactor(guide: Guide, { places }: Records, taxon: string, kind: string, place: string): number | undefined {
  const byTaxon = places.get(kind);
  if (!byTaxon) return undefined;
  for (const { id } of lineage(guide, taxon)) {
    const own = byTaxon.get(id);
    if (own) return own.get(place) ?? guide.settings.unrecorded;
  }
  return undefined;
}

function dateFactor({ guide, forms }: CompiledGuide, { dates, parents }: Records, f: number, date: string): number {
  if (dates.size === 0) return 1;
  const form = forms[f];
  const of = (taxon: string) =>
    lineage(guide, taxon).reduce(
      (product, { id }) =>
        (dates.get(id) ?? []).reduce(
          (own, record) => (hasFacets(form, record.facets) ? own * Math.max(curveAt(record.curve, date), 1e-3) : own),
          product,
        ),
      1,
    );
  const pair = parents.get(form.taxon);
  if (!pair) return of(form.taxon);
  const share = form.cross?.share ?? 0.5;
  return share * of(pair[0]) + (1 - share) * of(pair[1]);
}
