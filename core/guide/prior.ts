import type { CompiledGuide } from './compile';
import { curveAt } from './dates';
import { hasFacets, lineage } from './forms';
import type { Occurrence } from './schema';
import { frequencyNumber, wordsOf } from './words';

/** What the prior is made of; each part can be switched off. */
export const PRIOR_PARTS = ['range', 'date', 'habitat', 'company', 'abundance', 'shares'] as const;
export type PriorPart = (typeof PRIOR_PARTS)[number];

export interface PriorSetting {
  region?: string;
  date?: string;
  habitat?: string;
  /** What was found with it: host, neighbours, parents. */
  company?: readonly string[];
  switchedOff?: readonly PriorPart[];
}

/**
 * log2 of the prior over forms, π = range × date × habitat × company × abundance × shares,
 * brought to a sum of 1 − ε, and log2 ε for what is not in the guide. A taxon
 * with records for some regions or habitats but not this one gets the guide's
 * `unrecorded` factor, never 0. Company works alike: a taxon whose hosts are known, this
 * one not among them, is held back.
 */
export function priorBits(compiled: CompiledGuide, setting: PriorSetting): { forms: Float64Array; outside: number } {
  const { guide, forms } = compiled;
  const off = new Set(setting.switchedOff ?? []);
  const abundance = new Map(guide.taxa.map((taxon) => [taxon.id, taxon.abundance]));
  const lineOf = (taxon: string) => lineage(guide, taxon).map(({ id }) => id);
  const crossed = new Map(guide.taxa.flatMap(({ id, cross }) => (cross ? [[id, cross] as const] : [])));
  const weights = Float64Array.from(forms, (form, f) => {
    // A cross is where both its parents are.
    const lines = (crossed.get(form.taxon) ?? [form.taxon]).map(lineOf);
    const place = (kind: PlaceKind, id: string) => Math.min(...lines.map((line) => placeFactor(compiled, line, kind, id)));
    let weight = 1;
    if (!off.has('abundance')) weight *= abundance.get(form.taxon) ?? 1;
    if (!off.has('shares')) weight *= form.share;
    if (setting.region && !off.has('range')) weight *= place('range', setting.region);
    if (setting.habitat && !off.has('habitat')) weight *= place('habitat', setting.habitat);
    if (!off.has('company')) for (const met of setting.company ?? []) weight *= place('company', met);
    if (setting.date && !off.has('date')) weight *= dateFactor(compiled, lines[0], f, setting.date);
    return weight;
  });
  const total = weights.reduce((a, b) => a + b, 0);
  const epsilon = guide.settings.outside;
  return {
    forms: weights.map((w) => Math.log2(((1 - epsilon) * w) / total)),
    outside: Math.log2(epsilon),
  };
}

type PlaceKind = 'range' | 'habitat' | 'company';
type PlaceRecord = Exclude<Occurrence, { kind: 'date' }>;

const placeOf = (record: PlaceRecord) =>
  record.kind === 'range' ? record.region : record.kind === 'habitat' ? record.habitat : record.company;

function placeFactor({ guide }: CompiledGuide, line: readonly string[], kind: PlaceKind, place: string): number {
  const words = wordsOf(guide);
  const all = guide.occurrence.filter(
    (record): record is PlaceRecord => record.kind === kind && comparable(guide, record, place),
  );
  for (const taxon of line) {
    const records = all.filter((record) => record.taxon === taxon);
    if (records.length === 0) continue;
    const here = records.find((record) => placeOf(record) === place);
    return here ? Math.max(frequencyNumber(here.frequency, words), 1e-4) : guide.settings.unrecorded;
  }
  // Nothing known of its company: neither for it nor against it.
  const known = all.filter((record) => kind === 'company' && placeOf(record) === place);
  return known.length ? known.reduce((sum, record) => sum + frequencyNumber(record.frequency, words), 0) / known.length : 1;
}

/** Hosts are compared with hosts, neighbours with neighbours. */
function comparable({ company }: CompiledGuide['guide'], record: PlaceRecord, place: string): boolean {
  if (record.kind !== 'company') return true;
  const kindOf = (id: string) => company?.find((one) => one.id === id)?.kind;
  return kindOf(record.company) === kindOf(place);
}

function dateFactor(compiled: CompiledGuide, line: readonly string[], form: number, date: string): number {
  const curves = compiled.guide.occurrence.filter(
    (record) => record.kind === 'date' && line.includes(record.taxon) && hasFacets(compiled.forms[form], record.facets),
  );
  return curves.reduce(
    (product, record) => product * (record.kind === 'date' ? Math.max(curveAt(record.curve, date), 1e-3) : 1),
    1,
  );
}
