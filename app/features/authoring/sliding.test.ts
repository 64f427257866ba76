import { renderHook } from '@testing-library/react-native';
import { columnsFor } from './grid';
import { useSliding } from './useSliding';

it.each([
  [1024, 1, 7],
  [366, 1, 2],
  [296, 1, 1],
  [400, 1, 2],
  [1024, 2, 3],
  [366, 2, 1],
  [0, 1, 1],
])('in %i pixels with letters ×%f there is room for %i characters', (width, scale, columns) => {
  expect(columnsFor(width, scale)).toBe(columns);
});

describe('sideways', () => {
  const slid: number[] = [];
  const open = () => {
    slid.length = 0;
    return renderHook(() => useSliding(100, (steps) => slid.push(steps))).result.current;
  };
  const touch = (pageX: number, pageY = 0) => ({ nativeEvent: { pageX, pageY } });

  it('a wheel goes in whole steps, and what is left of one counts for the next', () => {
    const { onWheel } = open();
    for (const deltaX of [60, 60, 60, -90]) onWheel({ deltaX, deltaY: 0 });
    expect(slid).toEqual([1]);
    onWheel({ deltaX: 350, deltaY: 10 });
    expect(slid).toEqual([1, 3]);
  });

  it('what goes up or down is left alone', () => {
    const { onWheel } = open();
    onWheel({ deltaX: 200, deltaY: 300 });
    onWheel({ deltaX: 0, deltaY: 300 });
    expect(slid).toEqual([]);
  });

  it('a finger that goes left brings what is on the right; each touch begins anew', () => {
    const { onTouchStart, onTouchMove } = open();
    onTouchStart(touch(300));
    for (const x of [250, 190, 160]) onTouchMove(touch(x));
    expect(slid).toEqual([1]);
    onTouchStart(touch(100));
    onTouchMove(touch(170));
    expect(slid).toEqual([1]);
    onTouchMove(touch(210));
    expect(slid).toEqual([1, -1]);
  });
});
