import type { BaseMap } from '@plesion/contract';
import { distanceKm } from '@plesion/core/fieldwork';
import { geoArea, geoBounds, geoGraticule, geoMercator, type GeoProjection } from 'd3-geo';

export type Pixel = readonly [x: number, y: number];
type Spot = [longitude: number, latitude: number];

/** How the ground is looked at: about which place, and how many times nearer than all of it. */
export interface Sight {
  about: Spot;
  nearer: number;
}

export interface Size {
  width: number;
  height: number;
}

type Rings = Spot[][];

/**
 * GeoJSON winds land against the clock (RFC 7946), the projections here with it, and take the other for all the rest
 * of the earth: whatever is more than a hemisphere is wound the other way.
 */
export function wound(map: BaseMap): BaseMap {
  const turned = (rings: Rings): Rings =>
    geoArea({ type: 'Polygon', coordinates: [rings[0]] }) > 2 * Math.PI ? rings.map((ring) => [...ring].reverse()) : rings;
  return {
    ...map,
    features: map.features.map((feature) => {
      const { geometry } = feature;
      if (geometry.type === 'Polygon')
        return { ...feature, geometry: { ...geometry, coordinates: turned(geometry.coordinates as Rings) } };
      if (geometry.type === 'MultiPolygon')
        return {
          ...feature,
          geometry: { ...geometry, coordinates: (geometry.coordinates as Rings[]).map(turned) },
        };
      return feature;
    }),
  };
}

const MARGIN = 18;
const [FARTHEST, NEAREST] = [0.02, 400];
/** So near are the surroundings of one place, and so much room is about several. */
const NEAR = 3;
const ROOM = 1.5;

/** Scales at which all of a ground is in a surface: reckoned once for each, not with every move of a finger. */
const scales = new WeakMap<BaseMap, Map<string, number>>();

function scaleOf(map: BaseMap, { width, height }: Size): number {
  const known = scales.get(map) ?? new Map<string, number>();
  scales.set(map, known);
  const key = `${width} ${height}`;
  const scale =
    known.get(key) ??
    geoMercator()
      .fitExtent(
        [
          [MARGIN, MARGIN],
          [Math.max(MARGIN + 1, width - MARGIN), Math.max(MARGIN + 1, height - MARGIN)],
        ],
        map,
      )
      .scale();
  known.set(key, scale);
  return scale;
}

/** The whole ground. */
export function wholeOf(map: BaseMap): Sight {
  const [[west, south], [east, north]] = geoBounds(map);
  return { about: [(west + east) / 2, (south + north) / 2], nearer: 1 };
}

/** Some places of interest with room about them; of one place, its surroundings. */
export function sightOf(map: BaseMap, spots: readonly { longitude: number; latitude: number }[]): Sight {
  if (!spots.length) return wholeOf(map);
  const [[west, south], [east, north]] = geoBounds(map);
  const [longitudes, latitudes] = [spots.map(({ longitude }) => longitude), spots.map(({ latitude }) => latitude)];
  const span = (all: number[]) => Math.max(...all) - Math.min(...all);
  const middleOf = (all: number[]) => (Math.max(...all) + Math.min(...all)) / 2;
  const share = Math.max(span(longitudes) / (east - west), span(latitudes) / (north - south));
  return {
    about: [middleOf(longitudes), middleOf(latitudes)],
    nearer: Math.min(NEAR, 1 / (share * ROOM || 1 / NEAR)),
  };
}

/** Mercator's projection as the ground is looked at. */
export function projectionOf(map: BaseMap, size: Size, { about, nearer }: Sight): GeoProjection {
  return geoMercator()
    .scale(scaleOf(map, size) * nearer)
    .center(about)
    .translate([size.width / 2, size.height / 2]);
}

/** Moved by some pixels. */
export function moved(map: BaseMap, size: Size, sight: Sight, [dx, dy]: Pixel): Sight {
  const about = projectionOf(map, size, sight).invert!([size.width / 2 - dx, size.height / 2 - dy]);
  return about ? { ...sight, about } : sight;
}

/** Nearer by a factor; what lies under a pixel stays there. */
export function enlarged(map: BaseMap, size: Size, sight: Sight, factor: number, at: Pixel): Sight {
  const under = projectionOf(map, size, sight).invert!([at[0], at[1]]);
  const next = { ...sight, nearer: Math.min(NEAREST, Math.max(FARTHEST, sight.nearer * factor)) };
  const now = under && projectionOf(map, size, next)(under);
  return now ? moved(map, size, next, [at[0] - now[0], at[1] - now[1]]) : next;
}

/** Web-Mercator zoom (512-pixel tiles) that a projection is at, as clusters are reckoned by. */
export const zoomOf = (projection: GeoProjection): number => Math.log2((2 * Math.PI * projection.scale()) / 512);

const STEPS = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 30];
/** Pixels between two lines of the graticule, about. */
const APART = 110;

/** Meridians and parallels at round degrees, with what is written at them. */
export function graticuleOf(projection: GeoProjection, { width, height }: Size) {
  const corner = (x: number, y: number) => projection.invert!([x, y]) ?? [0, 0];
  const [[west, north], [east, south]] = [corner(0, 0), corner(width, height)];
  const step = STEPS.find((one) => one >= ((east - west) * APART) / width) ?? 30;
  const lines = geoGraticule()
    .step([step, step])
    .extent([
      [Math.floor(west / step) * step, Math.floor(south / step) * step],
      [Math.ceil(east / step) * step + step / 1000, Math.ceil(north / step) * step + step / 1000],
    ])
    .precision(90)();
  const digits = step < 0.1 ? 2 : step < 1 ? 1 : 0;
  const round = (from: number, to: number) =>
    Array.from(
      { length: Math.max(0, Math.floor((to - from) / step) + 1) },
      (_, i) => Math.ceil(from / step) * step + i * step,
    ).filter((one) => one < to);
  return {
    lines,
    meridians: round(west, east).map((degree) => ({
      at: projection([degree, south])![0],
      says: `${Math.abs(degree).toFixed(digits)}° ${degree < 0 ? 'W' : 'E'}`,
    })),
    parallels: round(south, north).map((degree) => ({
      at: projection([west, degree])![1],
      says: `${Math.abs(degree).toFixed(digits)}° ${degree < 0 ? 'S' : 'N'}`,
    })),
  };
}

const LENGTHS = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000];

/** A round length and how many pixels it takes in the middle of the surface. */
export function scaleBar(projection: GeoProjection, { width, height }: Size): { km: number; pixels: number } {
  const [a, b] = [projection.invert!([width / 2, height / 2])!, projection.invert!([width / 2 + 100, height / 2])!];
  const perPixel = distanceKm({ longitude: a[0], latitude: a[1] }, { longitude: b[0], latitude: b[1] }) / 100;
  const km = LENGTHS.findLast((length) => length <= perPixel * 110) ?? LENGTHS[0];
  return { km, pixels: km / perPixel };
}
