import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { useQueryAtOnce } from './useQueryAtOnce';

let client: QueryClient;
beforeEach(() => {
  client = new QueryClient({ defaultOptions: { queries: { gcTime: Number.POSITIVE_INFINITY } } });
});
const inClient = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>;

describe('what is asked at once', () => {
  it('is asked as the page is rendered, and once', async () => {
    const asked = jest.fn(async () => 'a tern');
    let askedWhileRendering = 0;
    const { result } = renderHook(
      () => {
        const query = useQueryAtOnce({ queryKey: ['bird'], queryFn: asked });
        askedWhileRendering ||= asked.mock.calls.length;
        return query;
      },
      { wrapper: inClient },
    );
    expect(askedWhileRendering).toBe(1);
    await waitFor(() => expect(result.current.data).toBe('a tern'));
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('is not asked where it is not to be, and says an error as any other', async () => {
    const asked = jest.fn().mockRejectedValue(new Error('It is gone.'));
    const { result, rerender } = renderHook(
      ({ enabled }: { enabled: boolean }) => useQueryAtOnce({ queryKey: ['bird'], queryFn: asked, enabled, retry: false }),
      { wrapper: inClient, initialProps: { enabled: false } },
    );
    expect(asked).not.toHaveBeenCalled();
    rerender({ enabled: true });
    await waitFor(() => expect(result.current.error?.message).toBe('It is gone.'));
  });
});
