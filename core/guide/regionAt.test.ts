import { regionAt } from './regionAt';

const square = (id: string, west: number, south: number, size: number) => ({
  ...{ id, label: id },
  outline: [
    [west, south],
    [west + size, south],
    [west + size, south + size],
    [west, south + size],
  ] as [number, number][],
});
const at = (regions: Parameters<typeof regionAt>[0], longitude: number, latitude: number) =>
  regionAt(regions, [longitude, latitude])?.id;

describe('the region of a place', () => {
  it('is the smallest whose outline holds it, whatever their order', () => {
    const regions = [square('isles', -29, -42, 2), square('harbour', -28.2, -41.3, 0.1), { id: 'sea', label: 'sea' }];
    for (const own of [regions, [...regions].reverse()]) {
      expect(at(own, -28.15, -41.25)).toBe('harbour');
      expect(at(own, -28.5, -41.25)).toBe('isles');
      expect(at(own, -30, -41.25)).toBeUndefined();
    }
  });

  it('is told of an outline that bends inwards, drawn either way round', () => {
    const bent: [number, number][] = [
      [0, 0],
      [4, 0],
      [4, 4],
      [2, 1],
      [0, 4],
    ];
    for (const outline of [bent, [...bent].reverse()]) {
      const regions = [{ id: 'v', label: 'v', outline }];
      expect([at(regions, 0.5, 2), at(regions, 3.5, 2), at(regions, 2, 0.5), at(regions, 2, 2)]).toEqual([
        'v',
        'v',
        'v',
        undefined,
      ]);
    }
  });

  it('shares no place between two that lie side by side', () => {
    const regions = [square('west', 0, 0, 1), square('east', 1, 0, 1)];
    expect([at(regions, 1, 0.5), at(regions, 0, 0), at(regions, 2, 0.5)]).toEqual(['east', 'west', undefined]);
  });
});
