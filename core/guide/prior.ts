import type { CompiledGuide } from './compile';
import { curveAt } from './dates';
import { hasFacets, lineage } from './forms';
import type { Occurrence } from './schema';
import { DEFAULT_WORDS, frequencyNumber } from './words';

/** What the prior is made of; each part can be switched off. */
export const PRIOR_PARTS = ['range', 'date', 'habitat', 'abundance', 'shares'] as const;
export type PriorPart = (typeof PRIOR_PARTS)[number];

export interface PriorSetting {
  region?: string;
  date?: string;
  habitat?: string;
  switchedOff?: readonly PriorPart[];
}

/**
 * log2 of the prior over forms, π = range × date × habitat × abundance × shares,
 * brought to a sum of 1 − ε, and log2 ε for what is not in the guide. A taxon
 * with records for some regions or habitats but not this one gets the guide's
 * `unrecorded` factor, never 0.
 */
export function priorBits(compiled: CompiledGuide, setting: PriorSetting): { forms: Float64Array; outside: number } {
  const { guide, forms } = compiled;
  const off = new Set(setting.switchedOff ?? []);
  const abundance = new Map(guide.taxa.map((taxon) => [taxon.id, taxon.abundance]));
  const weights = Float64Array.from(forms, (form, f) => {
    const line = lineage(guide, form.taxon).map((taxon) => taxon.id);
    let weight = 1;
    if (!off.has('abundance')) weight *= abundance.get(form.taxon) ?? 1;
    if (!off.has('shares')) weight *= form.share;
    if (setting.region && !off.has('range')) weight *= placeFactor(compiled, line, 'range', setting.region);
    if (setting.habitat && !off.has('habitat')) weight *= placeFactor(compiled, line, 'habitat', setting.habitat);
    if (setting.date && !off.has('date')) weight *= dateFactor(compiled, line, f, setting.date);
    return weight;
  });
  const total = weights.reduce((a, b) => a + b, 0);
  const epsilon = guide.settings.outside;
  return {
    forms: weights.map((w) => Math.log2(((1 - epsilon) * w) / total)),
    outside: Math.log2(epsilon),
  };
}

function placeFactor(compiled: CompiledGuide, line: readonly string[], kind: 'range' | 'habitat', place: string): number {
  const { occurrence, settings } = compiled.guide;
  const words = { ...DEFAULT_WORDS, ...settings.words };
  for (const taxon of line) {
    const records = occurrence.filter((record) => record.kind === kind && record.taxon === taxon);
    if (records.length === 0) continue;
    const here = records.find((record) => placeOf(record) === place);
    return here && here.kind !== 'date' ? Math.max(frequencyNumber(here.frequency, words), 1e-4) : settings.unrecorded;
  }
  return 1;
}

const placeOf = (record: Occurrence) =>
  record.kind === 'range' ? record.region : record.kind === 'habitat' ? record.habitat : undefined;

function dateFactor(compiled: CompiledGuide, line: readonly string[], form: number, date: string): number {
  const curves = compiled.guide.occurrence.filter(
    (record) => record.kind === 'date' && line.includes(record.taxon) && hasFacets(compiled.forms[form], record.facets),
  );
  return curves.reduce(
    (product, record) => product * (record.kind === 'date' ? Math.max(curveAt(record.curve, date), 1e-3) : 1),
    1,
  );
}
