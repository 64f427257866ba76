import type { Situation } from '../observation';

export interface Locality {
  locality?: string;
  decimalLatitude?: number;
  decimalLongitude?: number;
  geodeticDatum?: string;
  /** What was made less precise, in words, as Darwin Core asks for it. */
  dataGeneralizations?: string;
}

/**
 * Where it was found, as it may leave the station (the practice of Chapman 2020, Current Best Practices for Generalizing Sensitive Species Occurrence Data).
 *
 * @param grid degrees to which coordinates are rounded, of one of `GRIDS`; nothing where the place may be told as it is.
 */
export function localityOf({ place, latitude, longitude }: Situation, grid: number | undefined): Locality {
  const sensitive = grid !== undefined;
  const hasPoint = latitude !== undefined && longitude !== undefined;
  // To hundredths, which all grids are made of; −0 is 0.
  const blur = (degrees: number) => (sensitive ? Math.round(Math.round(degrees / grid) * grid * 100) / 100 + 0 : degrees);
  const changed = sensitive && (hasPoint || place !== undefined);
  return {
    ...(place !== undefined && !sensitive ? { locality: place } : {}),
    ...(hasPoint ? { decimalLatitude: blur(latitude), decimalLongitude: blur(longitude), geodeticDatum: 'WGS84' } : {}),
    ...(changed
      ? {
          dataGeneralizations: `Sensitive taxon: ${hasPoint ? `coordinates rounded to ${grid} degrees` : ''}${
            hasPoint && place !== undefined ? ', ' : ''
          }${place === undefined ? '' : 'locality withheld'}`,
        }
      : {}),
  };
}
