import type { LandmarkQuery, Measurement } from '@plesion/contract';
import {
  landmarksCsv,
  landmarksJson,
  type LandmarkRecord,
  landmarkTable,
  type MeasurementFact,
  measurementsCsv,
  writeTps,
} from '@plesion/core/formats';
import { mmPerPixel, type PixelPoint } from '@plesion/core/measure';

/** Measurements as lines of Darwin Core; characters by the label of the place where they end. */
export const factsCsv = (measurements: readonly Measurement[], labelOf: (one: Measurement) => string): string =>
  measurementsCsv(
    measurements.map((one): MeasurementFact => ({
      id: one.id,
      occurrence: one.specimenId,
      type: labelOf(one),
      value: one.value,
      method: methodOf(one),
      by: one.by,
      at: one.createdAt,
      ...(one.note ? { remarks: one.note } : {}),
    })),
  );

const SCALES = { none: 'without a scale', lengths: 'scale from a known length', grid: 'put right by a known rectangle' } as const;

const methodOf = ({ protocol, scale, photo }: Measurement): string =>
  [
    photo ? 'on a photo' : 'from points',
    `${protocol.quantity.kind} of: ${protocol.landmarks.map(({ label }) => label).join(', ')}`,
    SCALES[scale?.kind ?? 'none'],
  ].join('; ');

/**
 * One record for each time that landmarks were set.
 *
 * @param kindOf what a specimen is, where it is named.
 */
export function landmarkRecords(
  measurements: readonly Measurement[],
  kindOf: (specimenId: string) => string | undefined = () => undefined,
): LandmarkRecord[] {
  return measurements.flatMap(({ id, specimenId, photo, size, protocol, sets, scale }) =>
    sets.map((set, n): LandmarkRecord => {
      const kind = kindOf(specimenId);
      const mm = scale?.kind === 'lengths' ? mmPerPixel(scale.references[0]) : undefined;
      return {
        id: [specimenId, id, ...(sets.length > 1 ? [n + 1] : [])].join('/'),
        ...(kind ? { kind } : {}),
        ...(photo ? { image: photo } : {}),
        ...(size ? { height: size.height } : {}),
        ...(mm ? { scale: mm } : {}),
        landmarks: protocol.landmarks.flatMap(({ id: name, kind }) => {
          const place = set[name];
          return kind === 'point' && place ? [{ name, at: place as PixelPoint }] : [];
        }),
        curves: protocol.landmarks.flatMap(({ id: name, kind }) => {
          const place = set[name];
          return kind !== 'point' && place ? [{ name, points: place as PixelPoint[] }] : [];
        }),
      };
    }),
  );
}

const WAYS: Record<NonNullable<LandmarkQuery['as']>, { name: string; type: string; write: (all: LandmarkRecord[]) => string }> = {
  json: { name: 'landmarks.json', type: 'application/json', write: landmarksJson },
  csv: { name: 'landmarks.csv', type: 'text/csv', write: landmarksCsv },
  tps: { name: 'landmarks.tps', type: 'text/plain', write: writeTps },
  table: { name: 'landmarks-table.csv', type: 'text/csv', write: landmarkTable },
};

export function landmarkFile(
  measurements: readonly Measurement[],
  as: LandmarkQuery['as'] = 'json',
  kindOf?: (specimenId: string) => string | undefined,
) {
  const { name, type, write } = WAYS[as];
  return { name, type, text: write(landmarkRecords(measurements, kindOf)) };
}
