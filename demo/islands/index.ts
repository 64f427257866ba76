import { seeded } from '@plesion/core/probability';

/** A coastline: its middle, how wide and high it lies (degrees), how rough it is, and where it is turned to. */
interface Coast {
  name: string;
  /** Regions of the guides that lie on it. */
  regions: string[];
  at: [longitude: number, latitude: number];
  size: [number, number];
  rough: number;
  turn?: number;
  /** Higher ground: how large a share of it. */
  hill?: number;
}

const COASTS: Coast[] = [
  {
    name: 'South Tessary',
    regions: ['south-tessary', 'main-shore', 'quell-harbour'],
    at: [-28.17, -41.25],
    size: [0.105, 0.062],
    rough: 0.2,
    turn: 0.5,
    hill: 0.45,
  },
  {
    name: 'North Tessary',
    regions: ['north-tessary', 'main-shore'],
    at: [-28.03, -40.93],
    size: [0.12, 0.075],
    rough: 0.26,
    turn: -0.6,
    hill: 0.5,
  },
  {
    name: 'Ostren',
    regions: ['ostren', 'lagoons', 'east-cays'],
    at: [-27.72, -41.12],
    size: [0.07, 0.05],
    rough: 0.22,
    hill: 0.35,
  },
  { name: 'Gull Stack', regions: ['outer-skerries'], at: [-28.201, -41.12], size: [0.009, 0.006], rough: 0.3 },
  { name: 'Outer Skerry', regions: ['outer-skerries', 'outer-reefs'], at: [-28.3, -41.07], size: [0.016, 0.009], rough: 0.34 },
  { name: 'Low Skerry', regions: ['outer-skerries', 'outer-reefs'], at: [-28.34, -41.11], size: [0.008, 0.006], rough: 0.34 },
  { name: 'Far Narrows', regions: ['outer-reefs'], at: [-28.27, -40.99], size: [0.014, 0.007], rough: 0.3, turn: 0.9 },
  { name: 'First Cay', regions: ['east-cays', 'lagoons'], at: [-27.61, -41.2], size: [0.014, 0.008], rough: 0.25 },
  { name: 'Second Cay', regions: ['east-cays', 'lagoons'], at: [-27.57, -41.16], size: [0.009, 0.006], rough: 0.3 },
  { name: 'Third Cay', regions: ['east-cays', 'lagoons'], at: [-27.59, -41.11], size: [0.007, 0.009], rough: 0.3 },
];

/** The shingle of the Long Spit, as it bends from South Tessary towards the east. */
const SPIT: [number, number][] = [
  [-28.115, -41.2145],
  [-28.1, -41.2085],
  [-28.085, -41.2005],
  [-28.07, -41.1945],
  [-28.057, -41.1922],
  [-28.053, -41.1936],
  [-28.058, -41.1951],
  [-28.071, -41.1975],
  [-28.084, -41.2042],
  [-28.096, -41.2128],
  [-28.108, -41.2215],
  [-28.115, -41.2145],
];

const POINTS = 140;
const WAVES = 9;

/** A closed coastline: a turned oval with waves on it that grow smaller as they grow shorter. */
function coastOf({ name, at, size, rough, turn = 0 }: Coast, share = 1): [number, number][] {
  const random = seeded(`coast of ${name}`);
  const waves = Array.from({ length: WAVES }, (_, k) => ({
    high: (rough * (0.35 + random() * 0.65)) / (k + 1.6),
    from: random() * 2 * Math.PI,
  }));
  const ring = Array.from({ length: POINTS }, (_, i): [number, number] => {
    const angle = (2 * Math.PI * i) / POINTS;
    const far = share * (1 + waves.reduce((sum, { high, from }, k) => sum + high * Math.sin((k + 2) * angle + from), 0));
    const [x, y] = [Math.cos(angle) * size[0] * far, Math.sin(angle) * size[1] * far];
    const round = (degrees: number) => Number(degrees.toFixed(5));
    return [
      round(at[0] + x * Math.cos(turn) - y * Math.sin(turn)),
      round(at[1] + (x * Math.sin(turn) + y * Math.cos(turn)) * 0.8),
    ];
  });
  return [...ring, ring[0]];
}

/** The Tessary Isles as GeoJSON (RFC 7946): land, and higher ground on it; `regions` are those of the guides. */
export function islands() {
  const feature = (name: string, kind: 'land' | 'height', regions: string[], ring: [number, number][]) => ({
    type: 'Feature' as const,
    properties: { name, kind, regions },
    geometry: { type: 'Polygon' as const, coordinates: [ring] },
  });
  return {
    type: 'FeatureCollection' as const,
    features: [
      feature('Long Spit', 'land', ['main-shore', 'south-tessary'], SPIT),
      ...COASTS.map((coast) => feature(coast.name, 'land', coast.regions, coastOf(coast))),
      ...COASTS.filter(({ hill }) => hill).map((coast) =>
        feature(coast.name, 'height', coast.regions, coastOf(coast, coast.hill)),
      ),
    ],
  };
}
