import Papa from 'papaparse';
import { type Guide, isSensitive, lineage, type Taxon, taxonIndex, nameText } from '../guide/working';
import type { Situation } from '../observation';
import { type Determination, nameParts } from '../specimen';
import { localityOf } from './locality';

/** What one line of the export is made from. */
export interface OccurrenceRecord {
  id: string;
  /** Absent for one named by a key alone, or by hand. */
  guide?: Guide;
  label: string;
  situation: Situation;
  determinations: readonly Determination[];
  /** Taxa that its readings led to, while nobody has named it. */
  ledTo?: readonly string[];
  recordedBy: string;
  /** ISO instant. */
  modified: string;
  /** Degrees to which the place of a sensitive taxon is rounded. */
  grid: number;
}

/** Columns, all of them terms of Darwin Core (TDWG, 2023 quick reference). */
export const OCCURRENCE_TERMS = [
  'occurrenceID',
  'catalogNumber',
  'basisOfRecord',
  'eventDate',
  'scientificName',
  'scientificNameAuthorship',
  'taxonRank',
  'genus',
  'specificEpithet',
  'infraspecificEpithet',
  'vernacularName',
  'identificationQualifier',
  'identifiedBy',
  'dateIdentified',
  'identificationRemarks',
  'previousIdentifications',
  'sex',
  'lifeStage',
  'organismRemarks',
  'locality',
  'habitat',
  'higherGeography',
  'decimalLatitude',
  'decimalLongitude',
  'geodeticDatum',
  'dataGeneralizations',
  'recordedBy',
  'occurrenceRemarks',
  'modified',
] as const;
type Term = (typeof OCCURRENCE_TERMS)[number];

/**
 * The daybook as Darwin Core occurrences. A specimen without a name is exported
 * without one; "A or B" stands under the taxon that holds both, with the two
 * names as the qualifier. Cells that a spreadsheet would run as a formula are
 * made harmless. A longer one is made piece by piece, the first with its header, with a
 * line's end between two.
 */
export function occurrencesCsv(records: readonly OccurrenceRecord[], { header = true } = {}): string {
  const lines = records.map((record) => {
    const row = rowOf(record);
    return OCCURRENCE_TERMS.map((term) => row[term] ?? '');
  });
  return Papa.unparse(header ? [[...OCCURRENCE_TERMS], ...lines] : lines, { escapeFormulae: true, newline: '\r\n' });
}

function rowOf(record: OccurrenceRecord): Partial<Record<Term, string | number>> {
  const { guide, situation, determinations } = record;
  const last = determinations.at(-1);
  const labelOf = (list: readonly { id: string; label: string }[], id: string | undefined) =>
    list.find((item) => item.id === id)?.label ?? id;
  const mayBe = [...(record.ledTo ?? []), ...[last?.taxon, last?.other].flatMap((id) => id ?? [])];
  return {
    occurrenceID: `urn:uuid:${record.id}`,
    catalogNumber: record.label,
    basisOfRecord: 'HumanObservation',
    eventDate: situation.date,
    ...(last ? nameTerms(guide, last) : {}),
    previousIdentifications: determinations
      .slice(0, -1)
      .map((d) => `${nameText(nameParts(guide, d))} (${d.by}, ${d.at.slice(0, 10)})`)
      .join(' | '),
    habitat: labelOf(guide?.habitats ?? [], situation.habitat),
    higherGeography: labelOf(guide?.regions ?? [], situation.region),
    ...localityOf(situation, isSensitive(guide, mayBe) ? record.grid : undefined),
    recordedBy: record.recordedBy,
    occurrenceRemarks: situation.note,
    modified: record.modified,
  };
}

function nameTerms(guide: Guide | undefined, name: Determination): Partial<Record<Term, string>> {
  if (!guide) return writtenTerms(name);
  const given = name.taxon ? lineage(guide, name.taxon) : [];
  const line = name.qualifier === 'or' && name.other ? shared(given, lineage(guide, name.other)) : given;
  const taxon = line[0] as Taxon | undefined;
  const words = taxon?.name.split(' ') ?? [];
  const reason = name.reason ? ` Overruled: ${name.reason}` : '';
  return {
    scientificName: taxon?.name,
    scientificNameAuthorship: taxon?.authority,
    taxonRank: taxon?.rank,
    genus: line.find((t) => t.rank === 'genus')?.name,
    specificEpithet: words[1],
    infraspecificEpithet: words[2],
    vernacularName: taxon?.vernacular,
    identificationQualifier: qualifierText(guide, name),
    identifiedBy: name.by,
    dateIdentified: name.at.slice(0, 10),
    identificationRemarks: `Plesion, guide ${guide.id} version ${name.guideVersion}, probability ${name.p.toFixed(3)}.${reason}`,
    sex: name.facets.sex,
    lifeStage: name.facets.stage,
    organismRemarks: name.facets.morph && `${name.facets.morph} morph`,
  };
}

/** A name as it was written, of which nothing more is known than its words. */
function writtenTerms({ qualifier, written, facets, by, at, reason }: Determination): Partial<Record<Term, string>> {
  const words = written?.name.split(' ') ?? [];
  const binomial = words.length > 1 && /^\p{Ll}/u.test(words[1]);
  const told = qualifier !== 'unknown' && qualifier !== 'outside' && qualifier !== 'or';
  const qualifiers: Partial<Record<Determination['qualifier'], string>> = {
    none: '',
    or: [written?.name, written?.other].join(' or '),
    outside: 'not in the guide',
    'cf.': `cf. ${words.at(-1) ?? ''}`,
    'aff.': `aff. ${words.at(-1) ?? ''}`,
  };
  return {
    scientificName: told ? written?.name : undefined,
    genus: told && binomial ? words[0] : undefined,
    specificEpithet: told && binomial ? words[1] : undefined,
    identificationQualifier: qualifiers[qualifier] ?? qualifier,
    identifiedBy: by,
    dateIdentified: at.slice(0, 10),
    identificationRemarks: `Plesion, without a guide.${reason ? ` ${reason}` : ''}`,
    sex: facets.sex,
    lifeStage: facets.stage,
  };
}

/** The part of a lineage that another shares. */
const shared = (line: Taxon[], other: Taxon[]) => line.filter((taxon) => other.some((o) => o.id === taxon.id));

function qualifierText(guide: Guide, name: Determination): string {
  const taxa = taxonIndex(guide);
  switch (name.qualifier) {
    case 'none':
      return '';
    case 'cf.':
    case 'aff.':
      return `${name.qualifier} ${
        taxa
          .get(name.taxon ?? '')
          ?.name.split(' ')
          .at(-1) ?? ''
      }`.trim();
    case 'or':
      return [name.taxon, name.other].map((id) => taxa.get(id ?? '')?.name).join(' or ');
    case 'outside':
      return 'not in the guide';
    default:
      return name.qualifier;
  }
}
