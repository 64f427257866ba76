import { XMLBuilder } from 'fast-xml-parser';
import Papa from 'papaparse';
import { AGE_FAMILIES, CATCH_WORDS, codeOf, METHOD_WORDS } from '../fieldwork';
import type { AgeFamily, CaptureContent, SiteContent, VisitContent } from '../fieldwork';
import { type Guide, isSensitive } from '../guide/working';
import { localityOf } from './locality';

const DWC = 'http://rs.tdwg.org/dwc/terms/';
const DC = 'http://purl.org/dc/terms/';

/** Columns of each file of the archive, all of them terms of Darwin Core. The first names the record, or what it belongs to. */
export const ARCHIVE_FILES = {
  event: {
    rowType: `${DWC}Event`,
    terms: [
      'eventID',
      'eventDate',
      'samplingProtocol',
      'sampleSizeValue',
      'sampleSizeUnit',
      'samplingEffort',
      'locationID',
      'locality',
      'decimalLatitude',
      'decimalLongitude',
      'geodeticDatum',
      'coordinateUncertaintyInMeters',
      'dataGeneralizations',
      'recordedBy',
      'eventRemarks',
      'dynamicProperties',
    ],
  },
  occurrence: {
    rowType: `${DWC}Occurrence`,
    terms: [
      'eventID',
      'occurrenceID',
      'basisOfRecord',
      'eventDate',
      'scientificName',
      'taxonRank',
      'vernacularName',
      'sex',
      'lifeStage',
      'organismID',
      'occurrenceStatus',
      'recordedBy',
      'occurrenceRemarks',
      'dynamicProperties',
    ],
  },
  measurementorfact: {
    rowType: `${DWC}MeasurementOrFact`,
    terms: [
      'eventID',
      'occurrenceID',
      'measurementID',
      'measurementType',
      'measurementValue',
      'measurementUnit',
      'measurementAccuracy',
      'measurementDeterminedBy',
      'measurementDeterminedDate',
    ],
  },
  identification: {
    rowType: `${DWC}Identification`,
    terms: [
      'eventID',
      'occurrenceID',
      'identificationID',
      'scientificName',
      'identifiedBy',
      'dateIdentified',
      'identificationRemarks',
    ],
  },
  resourcerelationship: {
    rowType: `${DWC}ResourceRelationship`,
    terms: [
      'eventID',
      'resourceRelationshipID',
      'resourceID',
      'relatedResourceID',
      'relationshipOfResource',
      'relationshipEstablishedDate',
    ],
  },
} as const;
export type ArchiveFile = keyof typeof ARCHIVE_FILES;

type Row = Record<string, string | number | undefined>;

/** Lines of one file; cells that a spreadsheet would run as a formula are made harmless. */
export function archiveLines(file: ArchiveFile, rows: readonly Row[], header: boolean): string {
  const terms: readonly string[] = ARCHIVE_FILES[file].terms;
  if (!rows.length && !header) return '';
  const lines = rows.map((row) => terms.map((term) => row[term] ?? ''));
  return `${Papa.unparse(header ? [[...terms], ...lines] : lines, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

const uuid = (id: string) => `urn:uuid:${id}`;

/**
 * A visit as an event: when, how, with what effort, where.
 *
 * @param grid degrees to which its place is rounded, where it is not told precisely.
 */
export function eventRow(
  id: string,
  visit: VisitContent,
  site: { id: string; content: SiteContent },
  grid: number | undefined,
): Row {
  const sensitive = grid !== undefined;
  const { effort } = visit;
  const { position, name } = site.content;
  const weather = visit.weather ?? {};
  return {
    eventID: uuid(id),
    eventDate: visit.endedAt ? `${visit.startedAt}/${visit.endedAt}` : visit.startedAt,
    samplingProtocol: METHOD_WORDS[visit.method],
    ...(effort
      ? {
          sampleSizeValue: effort.units * effort.hours,
          sampleSizeUnit: 'unit-hours',
          samplingEffort: `${effort.units} × ${effort.hours} h`,
        }
      : {}),
    locationID: uuid(site.id),
    ...localityOf({ place: name, latitude: position?.latitude, longitude: position?.longitude }, grid),
    ...(position?.accuracy !== undefined && !sensitive ? { coordinateUncertaintyInMeters: position.accuracy } : {}),
    recordedBy: visit.people.join(' | '),
    eventRemarks: [
      weather.wind !== undefined && `wind ${weather.wind} Beaufort`,
      weather.cloud !== undefined && `cloud ${weather.cloud}/8`,
      weather.temperature !== undefined && `${weather.temperature} °C`,
      visit.bait && `bait: ${visit.bait}`,
      ...visit.overrides.map(({ what, reason, by }) => `${what}: ${reason} (${by})`),
      visit.note,
    ]
      .filter(Boolean)
      .join('; '),
    dynamicProperties: whole({ visit, site: sensitive ? withheld(site.content, grid) : site.content }),
  };
}

/** The record word by word, so that Plesion reads it back as it was. */
const whole = (plesion: { visit?: VisitContent; site?: SiteContent; capture?: CaptureContent }) => JSON.stringify({ plesion });

/** Of a site, what does not tell where it lies. */
const withheld = ({ position }: SiteContent, grid: number): SiteContent => {
  const { decimalLatitude: latitude, decimalLongitude: longitude } = localityOf({ ...position }, grid);
  return {
    name: 'withheld',
    ...(latitude === undefined || longitude === undefined ? {} : { position: { latitude, longitude } }),
    licences: [],
  };
};

/** Everything a capture says, by the file it is said in. */
export function captureRows(
  id: string,
  capture: CaptureContent,
  recordedBy: string,
  guide: Guide | undefined,
  families: readonly AgeFamily[] = AGE_FAMILIES,
  sensitive = false,
): Record<Exclude<ArchiveFile, 'event' | 'resourcerelationship'>, Row[]> {
  const taxon = guide?.taxa.find((one) => one.id === capture.taxon);
  const age = capture.age && codeOf(capture.age, families);
  const [eventID, occurrenceID] = [uuid(capture.visitId), uuid(id)];
  const scientificName = taxon?.name ?? capture.name;
  const measured = {
    eventID,
    occurrenceID,
    measurementDeterminedBy: recordedBy,
    measurementDeterminedDate: capture.at.slice(0, 10),
  };
  return {
    occurrence: [
      {
        eventID,
        occurrenceID,
        basisOfRecord: 'HumanObservation',
        eventDate: capture.at,
        scientificName,
        taxonRank: taxon?.rank,
        vernacularName: taxon?.vernacular,
        sex: capture.sex === 'unknown' ? 'undetermined' : capture.sex,
        lifeStage: age?.label,
        organismID: capture.mark,
        occurrenceStatus: 'present',
        recordedBy,
        occurrenceRemarks: [
          CATCH_WORDS[capture.what],
          capture.age && `age code ${capture.age.code}`,
          capture.sexBy && `sex by ${capture.sexBy}`,
          capture.condition,
          capture.note,
        ]
          .filter(Boolean)
          .join('; '),
        dynamicProperties: whole({ capture: sensitive ? { ...capture, position: undefined } : capture }),
      },
    ],
    measurementorfact: [
      ...(capture.mass === undefined
        ? []
        : [
            {
              ...measured,
              measurementID: `${occurrenceID}#mass`,
              measurementType: 'mass',
              measurementValue: capture.mass,
              measurementUnit: 'g',
            },
          ]),
      ...capture.readings.map((reading, i) => {
        const character = guide?.characters.find((one) => one.id === reading.character);
        const states = reading.states?.map((state) => character?.states?.find((one) => one.id === state)?.label ?? state);
        return {
          ...measured,
          measurementID: `${occurrenceID}#${i}`,
          measurementType: character?.label ?? reading.character,
          measurementValue: reading.value ?? states?.join(' | '),
          measurementUnit: reading.value === undefined ? undefined : character?.unit,
          measurementAccuracy: reading.error,
        };
      }),
    ],
    identification: scientificName
      ? [
          {
            eventID,
            occurrenceID,
            identificationID: `${occurrenceID}#name`,
            scientificName,
            identifiedBy: recordedBy,
            dateIdentified: capture.at.slice(0, 10),
            identificationRemarks: capture.overrides.map(({ what, reason, by }) => `${what}: ${reason} (${by})`).join('; '),
          },
        ]
      : [],
  };
}

/** A capture beside the one before it of the same mark. */
export const againRow = (id: string, capture: Pick<CaptureContent, 'visitId' | 'at'>, before: string): Row => ({
  eventID: uuid(capture.visitId),
  resourceRelationshipID: `${uuid(id)}#again`,
  resourceID: uuid(id),
  relatedResourceID: uuid(before),
  relationshipOfResource: 'same individual as',
  relationshipEstablishedDate: capture.at.slice(0, 10),
});

/** Taxa of a guide whose places are not told precisely. */
export const sensitiveTaxa = (guide: Guide): string[] =>
  guide.taxa.filter(({ id }) => isSensitive(guide, [id])).map(({ id }) => id);

const xml = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@', format: true });
const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n';

/** What the files are: the descriptor of a Darwin Core archive (TDWG text guide, 2009). */
export function archiveMeta(): string {
  const part = (file: ArchiveFile) => ({
    '@encoding': 'UTF-8',
    '@linesTerminatedBy': '\\r\\n',
    '@fieldsTerminatedBy': ',',
    '@fieldsEnclosedBy': '"',
    '@ignoreHeaderLines': '1',
    '@rowType': ARCHIVE_FILES[file].rowType,
    files: { location: `${file}.csv` },
    [file === 'event' ? 'id' : 'coreid']: { '@index': '0' },
    field: ARCHIVE_FILES[file].terms.map((term, i) => ({ '@index': String(i), '@term': DWC + term })),
  });
  const extensions = (Object.keys(ARCHIVE_FILES) as ArchiveFile[]).filter((file) => file !== 'event');
  return (
    HEAD +
    xml.build({
      archive: {
        '@xmlns': 'http://rs.tdwg.org/dwc/text/',
        '@metadata': 'eml.xml',
        core: part('event'),
        extension: extensions.map(part),
      },
    })
  );
}

/** Who made it and what it is: a minimal EML 2.2 document. */
export const archiveEml = (station: string, at: string): string =>
  HEAD +
  xml.build({
    'eml:eml': {
      '@xmlns:eml': 'https://eml.ecoinformatics.org/eml-2.2.0',
      '@xmlns:dc': DC,
      '@packageId': `plesion-${at}`,
      '@system': 'Plesion',
      dataset: {
        title: `Fieldwork of ${station}`,
        creator: { organizationName: station },
        pubDate: at.slice(0, 10),
        language: 'en',
        abstract: {
          para: 'Visits, captures, measurements and marks. Places of sensitive taxa are told coarsely; dataGeneralizations says where.',
        },
        contact: { organizationName: station },
      },
    },
  });
