import type { Reading } from '@plesion/core/observation';
import { ledgeCrabs } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { specimenContent } from '../../test/fakeStation';
import type { Bench } from './useBench';
import { useMeasuringError, useRepeatsOf } from './useMoreRepeats';

jest.mock('./useKeyed', () => ({ useKeyed: () => undefined }));
const mockAsked: string[] = [];
jest.mock('./weigher', () => {
  const { moreRepeats } = jest.requireActual<{ moreRepeats: (asked: object, times: object) => unknown }>(
    '@plesion/core/analysis',
  );
  return {
    askWorker: async (name: string, { times, ...asked }: { times: object }, { guide }: { guide: object }) => {
      mockAsked.push(name);
      return moreRepeats({ ...asked, guide }, times);
    },
  };
});

const client = new QueryClient();
const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>;
const teeth: Reading = { id: 'teeth', character: 'front-edge', states: ['three-teeth'] };
const measured: Reading = {
  id: 'ratio',
  character: 'width-ratio',
  value: 1.2,
  error: 0.1,
  measurement: '0192f3a0-0000-7009-8000-000000000001',
};
const benchOf = (...readings: Reading[]) =>
  ({
    stored: { guide: ledgeCrabs, hash: 'crabs' },
    state: { content: specimenContent({ situation: { region: 'ostren', date: '2026-05-12' }, readings }) },
  }) as unknown as Bench;
beforeEach(() => mockAsked.splice(0));

describe('the measuring error', () => {
  it('is named where it keeps a name open, with what more repeats would do', async () => {
    const { result } = renderHook(() => useMeasuringError(benchOf(teeth, measured)), { wrapper });
    await waitFor(() => expect(result.current).toMatch(/^The measuring error, and not the animal, keeps the \w+ open\./));
  });

  it('is not asked for where nothing was measured', () => {
    const { result } = renderHook(() => useMeasuringError(benchOf(teeth, { ...measured, measurement: undefined })), { wrapper });
    expect(result.current).toBeUndefined();
    expect(mockAsked).toEqual([]);
  });

  it('of what is being measured is weighed as if it were read, once the point rests', async () => {
    const { result, rerender } = renderHook(
      ({ value }: { value: number }) => useRepeatsOf(benchOf(teeth), 'Width', { ...measured, value }, 1),
      { wrapper, initialProps: { value: 1.1 } },
    );
    for (const value of [1.12, 1.15, 1.18, 1.2]) rerender({ value });
    await waitFor(() => expect(result.current).toMatch(/of width would/));
    expect(mockAsked).toHaveLength(1);
  });
});
