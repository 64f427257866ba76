import type { Pixel } from './ground';
import { touchedAt } from './touched';

const square: Pixel[] = [
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
];

describe('a touch of an outline', () => {
  it('is on the nearest of its points', () => {
    expect(touchedAt(square, [93, 6])).toEqual({ point: 1 });
    expect(touchedAt([...square, [90, 2]], [93, 6])).toEqual({ point: 4 });
  });

  it('is on a side where no point is as near, the last one back to the first too', () => {
    expect(touchedAt(square, [50, 8])).toEqual({ side: 0 });
    expect(touchedAt(square, [-9, 50])).toEqual({ side: 3 });
  });

  it('is on nothing within, and beyond the end of a side', () => {
    expect(touchedAt(square, [50, 50])).toBeUndefined();
    expect(touchedAt(square, [130, 0])).toBeUndefined();
  });

  it('knows no side back before there are three, and no side of points on one another', () => {
    expect(touchedAt(square.slice(0, 2), [50, 3])).toEqual({ side: 0 });
    expect(touchedAt([], [50, 3])).toBeUndefined();
    expect(touchedAt([square[0], square[0]], [50, 3])).toBeUndefined();
  });
});
