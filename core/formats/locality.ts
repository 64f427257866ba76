import type { Situation } from '../observation';

/** Degrees to which a place that must not be told precisely is rounded: some 11 km of latitude. */
const BLUR = 0.1;

export interface Locality {
  locality?: string;
  decimalLatitude?: number;
  decimalLongitude?: number;
  geodeticDatum?: string;
  /** What was made less precise, in words, as Darwin Core asks for it. */
  dataGeneralizations?: string;
}

/** Where it was found, as it may leave the station (the practice of Chapman 2020, Current Best Practices for Generalizing Sensitive Species Occurrence Data). */
export function localityOf({ place, latitude, longitude }: Situation, sensitive: boolean): Locality {
  const hasPoint = latitude !== undefined && longitude !== undefined;
  const blur = (degrees: number) => (sensitive ? Math.round(Math.round(degrees / BLUR) * BLUR * 10) / 10 : degrees);
  const changed = sensitive && (hasPoint || place !== undefined);
  return {
    ...(place !== undefined && !sensitive ? { locality: place } : {}),
    ...(hasPoint ? { decimalLatitude: blur(latitude), decimalLongitude: blur(longitude), geodeticDatum: 'WGS84' } : {}),
    ...(changed
      ? {
          dataGeneralizations: `Sensitive taxon: ${hasPoint ? `coordinates rounded to ${BLUR} degrees` : ''}${
            hasPoint && place !== undefined ? ', ' : ''
          }${place === undefined ? '' : 'locality withheld'}`,
        }
      : {}),
  };
}
