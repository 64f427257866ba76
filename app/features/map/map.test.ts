import type { MarkHistory, Placed } from '@plesion/contract';
import { distanceKm } from '@plesion/core/fieldwork';
import { terns } from '@plesion/demo';
import { islands } from '@plesion/demo/islands';
import { geoContains } from 'd3-geo';
import fc from 'fast-check';
import { clusterIndex, monthsOf } from './clusters';
import { enlarged, graticuleOf, moved, projectionOf, scaleBar, sightOf, type Size, wholeOf, wound } from './ground';
import { regionsOf } from './range';
import { waysOf } from './ways';

const map = wound(islands());
const size: Size = { width: 360, height: 400 };
const spot = fc.tuple(fc.double({ min: 20, max: 340, noNaN: true }), fc.double({ min: 20, max: 380, noNaN: true }));

describe('the ground', () => {
  it('is land and not all the rest of the earth, whichever way it is wound', () => {
    const twice = wound(map);
    for (const { features } of [map, twice])
      for (const one of features)
        expect([one.properties?.name, geoContains(one as never, [100, 40])]).toEqual([one.properties?.name, false]);
    const [, south] = map.features;
    expect(geoContains(south as never, [-28.17, -41.25])).toBe(true);
  });

  it('is all in sight at first', () => {
    const projection = projectionOf(map, size, wholeOf(map));
    for (const { geometry } of map.features)
      for (const [x, y] of (geometry.coordinates as [number, number][][]).flat().map((at) => projection(at)!)) {
        expect(x).toBeGreaterThan(0);
        expect(x).toBeLessThan(size.width);
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(size.height);
      }
  });

  it('keeps what lies under the finger there, moved and enlarged', () => {
    fc.assert(
      fc.property(spot, fc.double({ min: 0.3, max: 5, noNaN: true }), (at, factor) => {
        const before = wholeOf(map);
        const under = projectionOf(map, size, before).invert!(at)!;
        const [x, y] = projectionOf(map, size, enlarged(map, size, before, factor, at))(under)!;
        expect(Math.hypot(x - at[0], y - at[1])).toBeLessThan(1);
        const [x2, y2] = projectionOf(map, size, moved(map, size, before, [15, -9]))(under)!;
        expect(Math.hypot(x2 - at[0] - 15, y2 - at[1] + 9)).toBeLessThan(1);
      }),
    );
  });

  it('shows places of interest with room about them', () => {
    const spots = [
      { longitude: -30, latitude: -39 },
      { longitude: -28.1, latitude: -41.2 },
    ];
    const projection = projectionOf(map, size, sightOf(map, spots));
    for (const { longitude, latitude } of spots) {
      const [x, y] = projection([longitude, latitude])!;
      expect(x > 0 && x < size.width && y > 0 && y < size.height).toBe(true);
    }
    expect(sightOf(map, [])).toEqual(wholeOf(map));
    expect(sightOf(map, [spots[1]])).toEqual({ about: [-28.1, -41.2], nearer: 3 });
  });

  it('has a scale that is as long as it says, and degrees that are round', () => {
    const projection = projectionOf(map, size, wholeOf(map));
    const { km, pixels } = scaleBar(projection, size);
    const [a, b] = [0, pixels].map((dx) => projection.invert!([size.width / 2 + dx, size.height / 2])!);
    expect(distanceKm({ longitude: a[0], latitude: a[1] }, { longitude: b[0], latitude: b[1] })).toBeCloseTo(km, 1);
    const { meridians, parallels } = graticuleOf(projection, size);
    expect(meridians.length).toBeGreaterThan(0);
    expect(parallels.map(({ says }) => says)).toContain('41.0° S');
  });
});

const place = (more: Partial<Placed>): Placed => ({ longitude: -28.1, latitude: -41.2, month: '2026-05', n: 1, ...more });

describe('places', () => {
  it('are together from afar and apart from near; no record is lost', () => {
    const places = [
      place({ n: 3 }),
      place({ n: 2, taxon: 'x' }),
      place({ longitude: -28.09, n: 5 }),
      place({ longitude: -20, n: 7 }),
    ];
    const at = clusterIndex(places);
    expect(at(6).map(({ n, places: held }) => [n, held.length])).toEqual([
      [10, 3],
      [7, 1],
    ]);
    expect(at(19).map(({ n }) => n)).toEqual([7, 5, 5]);
  });
  it('of no month in between are not forgotten in the row of months', () => {
    expect(monthsOf([place({ month: '2025-11', n: 2 }), place({ month: '2026-01' }), place({ month: '2025-11' })])).toEqual([
      { month: '2025-11', n: 3 },
      { month: '2025-12', n: 0 },
      { month: '2026-01', n: 1 },
    ]);
    expect(monthsOf([])).toEqual([]);
  });
});

it('the ways of an individual go from capture to capture, and to where it was found', () => {
  const capture = (id: string, at: string, visitId: string, position?: object) => ({ id, at, visitId, position });
  const history = {
    captures: [
      capture('a', '2025-05-01T10:00:00Z', 'v'),
      capture('b', '2025-05-03T10:00:00Z', 'v'),
      capture('c', '2025-06-01T10:00:00Z', 'v', { latitude: 1, longitude: 0 }),
    ],
    visits: [{ id: 'v', siteId: 's' }],
    sites: [{ id: 's', position: { latitude: 0, longitude: 0 } }],
    recoveries: [{ id: 'r', foundOn: '2025-07-01', position: { latitude: 1, longitude: 1 } }],
  } as unknown as MarkHistory;
  expect(waysOf(history).map(({ key, says, words }) => [key, says, words])).toEqual([
    ['c', '111 km N', '29 days at liberty · 111 km N'],
    ['r', '111 km E', '30 days at liberty · 111 km E'],
  ]);
});

it('the range of a kind is where it or what it belongs to is recorded', () => {
  const found = regionsOf(terns, 'sodalis');
  expect(found.length).toBeGreaterThan(0);
  expect(found.every((id) => terns.regions.some((region) => region.id === id))).toBe(true);
});
