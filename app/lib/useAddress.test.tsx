import { act, renderHook } from '@testing-library/react-native';
import { useAddress } from './useAddress';
import { useParams } from './useParams';

let mockParams: Record<string, string | string[] | undefined>;
const mockSet = jest.fn((change: Record<string, string | undefined>) => {
  mockParams = { ...mockParams, ...change };
});
const mockRouter = { setParams: mockSet };
jest.mock('expo-router', () => ({ useLocalSearchParams: () => mockParams, useRouter: () => mockRouter }));

beforeEach(() => {
  jest.useFakeTimers();
  mockSet.mockClear();
  mockParams = { id: 'g', search: 'cinerata' };
});
afterEach(() => jest.useRealTimers());

const open = () => renderHook(() => useAddress(['search', 'named']));

describe('what a page is set to', () => {
  it('is read from the address, the rest of which is left alone', () => {
    expect(open().result.current[0]).toEqual({ search: 'cinerata' });
  });

  it('says once what a link says twice', () => {
    mockParams = { id: 'g', search: ['murica', 'cinerata'], named: [] };
    expect(open().result.current[0]).toEqual({ search: 'murica' });
    expect(renderHook(() => useParams<{ id: string; search?: string }>()).result.current).toMatchObject({
      id: 'g',
      search: 'murica',
    });
  });

  it('holds at once; the address follows after a pause, once, and drops what is empty', () => {
    const { result, rerender } = open();
    for (const search of ['m', 'mu', 'mur']) act(() => result.current[1]({ search }));
    expect(result.current[0].search).toBe('mur');
    expect(mockSet).not.toHaveBeenCalled();
    act(() => jest.advanceTimersByTime(300));
    expect(mockSet.mock.calls).toEqual([[{ search: 'mur' }]]);
    rerender({});
    act(() => result.current[1]({ search: '', named: 'yes' }));
    act(() => jest.advanceTimersByTime(300));
    expect(mockSet).toHaveBeenLastCalledWith({ search: undefined, named: 'yes' });
  });

  it('follows the address when that changes under it, as by Back', () => {
    const { result, rerender } = open();
    act(() => result.current[1]({ search: 'murica' }));
    act(() => jest.advanceTimersByTime(300));
    rerender({});
    mockParams = { id: 'g', search: 'cinerata' };
    rerender({});
    expect(result.current[0].search).toBe('cinerata');
  });

  it('is in the address before what is pressed leads elsewhere, once', () => {
    const document = new EventTarget();
    Object.assign(globalThis, { document });
    const press = (name: string, key?: string) => act(() => void document.dispatchEvent(Object.assign(new Event(name), { key })));
    const { result, unmount } = open();
    act(() => result.current[1]({ search: 'mur' }));
    press('keydown', 'i');
    expect(mockSet).not.toHaveBeenCalled();
    press('pointerdown');
    press('keydown', 'Enter');
    expect(mockSet.mock.calls).toEqual([[{ search: 'mur' }]]);
    unmount();
    Reflect.deleteProperty(globalThis, 'document');
  });

  it('does not write after one has left the page', () => {
    const { result, unmount } = open();
    act(() => result.current[1]({ search: 'x' }));
    unmount();
    act(() => jest.advanceTimersByTime(300));
    expect(mockSet).not.toHaveBeenCalled();
  });
});
