import { act, renderHook } from '@testing-library/react-native';
import { useGlimpse } from './useGlimpse';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const after = (ms: number) => act(() => void jest.advanceTimersByTime(ms));

it('shows for so long, and again for so long when asked, and counts that', () => {
  const { result } = renderHook(() => useGlimpse(2));
  expect(result.current).toMatchObject({ shown: true, again: 0 });
  after(1_900);
  expect(result.current.shown).toBe(true);
  after(200);
  expect(result.current.shown).toBe(false);
  act(() => result.current.look());
  expect(result.current).toMatchObject({ shown: true, again: 1 });
  after(2_000);
  expect(result.current).toMatchObject({ shown: false, again: 1 });
});

it('goes on showing where no time is set', () => {
  const { result } = renderHook(() => useGlimpse(undefined));
  after(3_600_000);
  expect(result.current).toMatchObject({ shown: true, again: 0 });
});
