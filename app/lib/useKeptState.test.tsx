import { act, renderHook } from '@testing-library/react-native';
import { z } from 'zod';
import { page } from './device';
import { forgetForms } from './keptForm';
import { useKeptState } from './useKeptState';

const Typed = z.object({ title: z.string(), rows: z.array(z.string()) });
const begin = () => renderHook(() => useKeptState('trial', Typed, { title: '', rows: [] }));

beforeEach(forgetForms);

describe('what is being put together', () => {
  it('is there again after a reload, part by part, until it is taken', () => {
    const { result, unmount } = begin();
    act(() => result.current[1]({ title: 'Crabs' }));
    act(() => result.current[1]({ rows: ['a'] }));
    unmount();
    const again = begin();
    expect(again.result.current[0]).toEqual({ title: 'Crabs', rows: ['a'] });
    again.result.current[2]();
    expect(begin().result.current[0]).toEqual({ title: '', rows: [] });
  });

  it('of another version, or of another station, is passed over', () => {
    page.write('plesion.form.trial', JSON.stringify({ title: 7 }));
    expect(begin().result.current[0].title).toBe('');
    const { result } = begin();
    act(() => result.current[1]({ title: 'Crabs' }));
    forgetForms();
    expect(begin().result.current[0].title).toBe('');
  });
});
