import { z } from 'zod';

const degrees = (limit: number) => z.number().min(-limit).max(limit);
const Spot = z.tuple([degrees(180), degrees(90)], degrees(10_000)).describe('longitude, latitude, and a height that is not used');
const Line = z.array(Spot).min(2).max(20_000);
/** Closed: its last point is its first. */
const Ring = z
  .array(Spot)
  .min(4, 'a ring has four points at least, the last as the first')
  .max(20_000)
  // One that has no points is looked at, too.
  .refine((ring) => ring[0]?.[0] === ring.at(-1)?.[0] && ring[0]?.[1] === ring.at(-1)?.[1], {
    message: 'a ring ends where it begins',
  });

const Shape = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Polygon'), coordinates: z.array(Ring).min(1).max(500) }),
  z.object({ type: z.literal('MultiPolygon'), coordinates: z.array(z.array(Ring).min(1)).min(1).max(2000) }),
  z.object({ type: z.literal('LineString'), coordinates: Line }),
  z.object({ type: z.literal('MultiLineString'), coordinates: z.array(Line).min(1).max(2000) }),
]);

/** Ground to draw records on: GeoJSON (RFC 7946) of land and lines; `name`, `kind` and `regions` of a guide may be told. */
export const BaseMap = z.object({
  type: z.literal('FeatureCollection'),
  features: z
    .array(
      z.object({
        type: z.literal('Feature'),
        properties: z
          .looseObject({
            name: z.string().max(200).optional(),
            kind: z.string().max(40).optional(),
            regions: z.array(z.string().max(80)).max(50).optional(),
          })
          .nullable(),
        geometry: Shape,
      }),
    )
    .min(1, 'there is nothing to draw in it')
    .max(5000),
});
export type BaseMap = z.output<typeof BaseMap>;

/** The station's own ground, or nothing, so that it is the isles again. */
export const BaseMapWrite = z.strictObject({ map: BaseMap.nullable() });
export const BaseMapView = z.object({ map: BaseMap, own: z.boolean() });

/** Records of one kind at one place in one month. */
export const Placed = z.object({
  longitude: degrees(180),
  latitude: degrees(90),
  /** YYYY-MM. */
  month: z.string(),
  n: z.number().int().min(1),
  /** Where they are told by their site. */
  siteId: z.uuid().optional(),
  guideId: z.uuid().optional(),
  taxon: z.string().optional(),
  /** As it is called, where no guide knows it. */
  name: z.string().optional(),
});
export type Placed = z.output<typeof Placed>;
export const PlacedList = z.object({
  places: z.array(Placed),
  /** Were there more than are told? Those of few records are missing. */
  more: z.boolean(),
});
