import { curveAt } from '../guide/dates';
import { type CompiledGuide, type Guide, hasFacets, lineage, type Occurrence } from '../guide/working';
import { frequencyNumber, wordsOf } from '../guide/words';

/** How a form is met over places and the year. */
export interface Presence {
  /** One level a month, 0 … 1 its own best month; absent where the guide knows of no season. */
  months?: number[];
  regions: Place[];
  habitats: Place[];
  company: Place[];
}

export interface Place {
  id: string;
  label: string;
  /** 0 never … 1 always; absent where nothing is said. */
  frequency?: number;
}

/** What the guide says of where, when and with what a form is met. */
export function presenceOf(compiled: CompiledGuide, form: number): Presence {
  const { guide, forms } = compiled;
  const line = lineage(guide, forms[form].taxon).map(({ id }) => id);
  const curves = guide.occurrence.filter(
    (record): record is Extract<Occurrence, { kind: 'date' }> =>
      record.kind === 'date' && line.includes(record.taxon) && hasFacets(forms[form], record.facets),
  );
  const level = (month: number) =>
    curves.reduce((product, { curve }) => product * curveAt(curve, `${String(month).padStart(2, '0')}-15`), 1);
  const levels = Array.from({ length: 12 }, (_, i) => level(i + 1));
  const best = Math.max(...levels);
  return {
    ...(curves.length && best > 0 ? { months: levels.map((l) => l / best) } : {}),
    regions: placesOf(guide, line, 'range', guide.regions),
    habitats: placesOf(guide, line, 'habitat', guide.habitats),
    company: placesOf(guide, line, 'company', guide.company ?? []),
  };
}

/** The nearest taxon of the line with any record of the kind speaks for the form. */
function placesOf(
  guide: Guide,
  line: readonly string[],
  kind: 'range' | 'habitat' | 'company',
  named: readonly { id: string; label: string }[],
): Place[] {
  const words = wordsOf(guide);
  const own = line
    .map((taxon) => guide.occurrence.filter((record) => record.kind === kind && record.taxon === taxon))
    .find((records) => records.length > 0);
  if (!own) return [];
  return named.map(({ id, label }): Place => {
    const record = own.find((one) => placeId(one) === id);
    return { id, label, ...(record && record.kind !== 'date' ? { frequency: frequencyNumber(record.frequency, words) } : {}) };
  });
}

const placeId = (record: Occurrence): string | undefined =>
  record.kind === 'range'
    ? record.region
    : record.kind === 'habitat'
      ? record.habitat
      : record.kind === 'company'
        ? record.company
        : undefined;
