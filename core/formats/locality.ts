import { type Guide, lineage } from '../guide/working';
import type { Situation } from '../observation';

/** Degrees to which a place that must not be told precisely is rounded: some 11 km of latitude. */
const BLUR = 0.1;

/**
 * May the precise place be told? Not where a taxon that it may be (a name given or led to, what holds
 * it, or what it holds) is one whose places are not to be published; and not where nothing is known of
 * what it is while the guide has such taxa.
 */
export function isSensitive(guide: Guide | undefined, taxa: readonly string[]): boolean {
  const guarded = guide?.taxa.filter(({ sensitive }) => sensitive) ?? [];
  if (!guide || guarded.length === 0) return false;
  const known = taxa.filter((id) => guide.taxa.some((taxon) => taxon.id === id));
  if (known.length === 0) return true;
  const holds = (upper: string, lower: string) => lineage(guide, lower).some(({ id }) => id === upper);
  return known.some((id) => guarded.some((taxon) => holds(taxon.id, id) || holds(id, taxon.id)));
}

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
