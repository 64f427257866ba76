import Papa from 'papaparse';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { readGuide } from '../guide';
import type { Determination } from '../specimen';
import fc from 'fast-check';
import { stableJson } from '..';
import { type OccurrenceRecord, OCCURRENCE_TERMS, occurrencesCsv, printGuide } from '.';

const determination = (given: Partial<Determination>): Determination => ({
  id: 'd',
  qualifier: 'none',
  facets: {},
  by: 'ann',
  at: '2026-05-12T10:00:00.000Z',
  p: 0.97,
  recommended: '',
  overruled: false,
  guideVersion: 2,
  ...given,
});
const record = (given: Partial<OccurrenceRecord>): OccurrenceRecord => ({
  id: '0192f3a0-0000-7001-8000-000000000001',
  guide: ledgeCrabs,
  label: 'L4-01',
  situation: {},
  determinations: [],
  recordedBy: 'bo',
  modified: '2026-05-13T08:00:00.000Z',
  grid: 0.1,
  ...given,
});
const rows = (...records: OccurrenceRecord[]) =>
  Papa.parse<Record<string, string>>(occurrencesCsv(records), { header: true }).data;

describe('Darwin Core occurrences', () => {
  it('carry name, rank, who and when, sex, stage, place and coordinates', () => {
    const [row] = rows(
      record({
        situation: {
          place: 'Quell Harbour, ledge 4',
          date: '2026-05-12',
          region: 'ostren',
          habitat: 'low-shore',
          latitude: -41.2071,
          longitude: -28.1143,
        },
        determinations: [
          determination({ taxon: 'petralda', qualifier: 'sp.' }),
          determination({ taxon: 'velloma-ostrena', facets: { sex: 'male', stage: 'adult', morph: 'plain' } }),
        ],
      }),
    );
    expect(row).toMatchObject({
      occurrenceID: 'urn:uuid:0192f3a0-0000-7001-8000-000000000001',
      basisOfRecord: 'HumanObservation',
      eventDate: '2026-05-12',
      scientificName: 'Petralda velloma ostrena',
      scientificNameAuthorship: 'Vask, 1911',
      taxonRank: 'subspecies',
      genus: 'Petralda',
      specificEpithet: 'velloma',
      infraspecificEpithet: 'ostrena',
      identificationQualifier: '',
      identifiedBy: 'ann',
      dateIdentified: '2026-05-12',
      sex: 'male',
      lifeStage: 'adult',
      organismRemarks: 'plain morph',
      locality: 'Quell Harbour, ledge 4',
      higherGeography: 'Ostren',
      habitat: 'Low shore',
      decimalLatitude: '-41.2071',
      decimalLongitude: '-28.1143',
      geodeticDatum: 'WGS84',
      recordedBy: 'bo',
      previousIdentifications: 'Petralda sp. (ann, 2026-05-12)',
    });
  });

  it.each<[Partial<Determination>, string, string]>([
    [{ qualifier: 'cf.', taxon: 'murica' }, 'Petralda murica', 'cf. murica'],
    [{ qualifier: 'aff.', taxon: 'murica' }, 'Petralda murica', 'aff. murica'],
    [{ qualifier: 'sp.', taxon: 'petralda' }, 'Petralda', 'sp.'],
    [{ qualifier: 'or', taxon: 'murica', other: 'cinerata' }, 'Petralda', 'Petralda murica or Petralda cinerata'],
    [{ qualifier: 'unknown' }, '', 'unknown'],
    [{ qualifier: 'outside' }, '', 'not in the guide'],
  ])('%j', (given, name, qualifier) => {
    expect(rows(record({ determinations: [determination(given)] }))[0]).toMatchObject({
      scientificName: name,
      identificationQualifier: qualifier,
    });
  });

  it('leave half a coordinate out and disarm formulas', () => {
    const [row] = rows(record({ label: '=HYPERLINK("x")', situation: { latitude: 4 } }));
    expect(row.decimalLatitude).toBe('');
    expect(row.catalogNumber).toBe(`'=HYPERLINK("x")`);
  });

  it('have their header even with nothing to tell', () => {
    expect(occurrencesCsv([]).trim()).toBe(OCCURRENCE_TERMS.join(','));
  });
});

describe('Plesion JSON', () => {
  it('comes back without loss', () => {
    expect(readGuide(JSON.parse(printGuide(ledgeCrabs)))).toEqual({ ok: true, value: ledgeCrabs });
  });
});

describe('stable JSON', () => {
  const shuffled = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(shuffled);
    if (value === null || typeof value !== 'object') return value;
    return Object.fromEntries(
      Object.entries(value)
        .reverse()
        .map(([key, part]) => [key, shuffled(part)]),
    );
  };

  it('is the same whatever the order of keys, and means the same', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(stableJson(shuffled(value))).toBe(stableJson(value));
        expect(JSON.parse(stableJson(value))).toEqual(JSON.parse(JSON.stringify(value)));
      }),
    );
  });

  it('does not confuse the order of lists, which means something', () => {
    expect(stableJson([1, 2])).not.toBe(stableJson([2, 1]));
  });

  it('takes absent and undefined alike, but not null', () => {
    expect(stableJson({ a: 1, b: undefined })).toBe(stableJson({ a: 1 }));
    expect(stableJson({ a: 1, b: null })).not.toBe(stableJson({ a: 1 }));
  });
});
