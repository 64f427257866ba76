import type { Placed } from '@plesion/contract';
import Supercluster from 'supercluster';

/** Places that lie together as they are looked at. */
export interface Cluster {
  key: string;
  longitude: number;
  latitude: number;
  /** Records. */
  n: number;
  places: Placed[];
}

interface Sum {
  n: number;
}

/** Pixels within which places are one mark. */
const TOGETHER = 46;
const DEEPEST = 18;

/** Places, to be had together by how near they are looked at. */
export function clusterIndex(places: readonly Placed[]) {
  const bySpot = new Map<string, Placed[]>();
  for (const place of places) {
    const spot = `${place.longitude} ${place.latitude}`;
    bySpot.set(spot, [...(bySpot.get(spot) ?? []), place]);
  }
  const spots = [...bySpot.values()];
  const index = new Supercluster<Sum & { i: number }, Sum>({
    radius: TOGETHER,
    maxZoom: DEEPEST,
    map: ({ n }) => ({ n }),
    reduce: (sum, { n }) => {
      sum.n += n;
    },
  });
  index.load(
    spots.map((own, i) => ({
      type: 'Feature',
      geometry: { type: 'Point', coordinates: [own[0].longitude, own[0].latitude] },
      properties: { n: own.reduce((sum, { n }) => sum + n, 0), i },
    })),
  );
  return (zoom: number): Cluster[] =>
    index
      .getClusters([-180, -85, 180, 85], Math.max(0, Math.min(DEEPEST + 1, Math.round(zoom))))
      .map(({ geometry, properties }) => {
        const [longitude, latitude] = geometry.coordinates;
        const held =
          'cluster_id' in properties
            ? index.getLeaves(properties.cluster_id, Number.POSITIVE_INFINITY).flatMap((leaf) => spots[leaf.properties.i])
            : spots[properties.i];
        return { key: `${longitude} ${latitude}`, longitude, latitude, n: properties.n, places: held };
      })
      .sort((a, b) => b.n - a.n);
}

/** Months from the first to the last, each with its records. */
export function monthsOf(places: readonly Placed[]): { month: string; n: number }[] {
  const sums = new Map<string, number>();
  for (const { month, n } of places) sums.set(month, (sums.get(month) ?? 0) + n);
  const all = [...sums.keys()].sort();
  if (!all.length) return [];
  const number = (month: string) => Number(month.slice(0, 4)) * 12 + Number(month.slice(5)) - 1;
  const first = number(all[0]);
  return Array.from({ length: number(all.at(-1)!) - first + 1 }, (_, i) => {
    const month = `${String(Math.floor((first + i) / 12)).padStart(4, '0')}-${String(((first + i) % 12) + 1).padStart(2, '0')}`;
    return { month, n: sums.get(month) ?? 0 };
  });
}
