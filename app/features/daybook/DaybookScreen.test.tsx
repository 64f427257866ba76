import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { fakeStation, type FakeStation, OFFLINE, specimenContent as content, STATION } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { outbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { DaybookScreen } from './DaybookScreen';

let mockStation: FakeStation;
const mockPush = jest.fn();
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: mockPush, replace: jest.fn() }),
  Link: ({ children }: { children: ReactNode }) => children,
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ station: { id: mockStationId, name: 'Quell Harbour' }, account: { name: 'ann' } }),
}));
const mockStationId = STATION;

const id = (n: number) => `0192f3a0-0000-7003-8000-${String(n).padStart(12, '0')}`;
const written = (name: string) => ({
  id: id(99),
  qualifier: 'none' as const,
  facets: {},
  written: { name },
  by: 'ann',
  at: '2026-05-12T10:00:00Z',
  p: 0,
  recommended: '',
  overruled: false,
});

beforeEach(() => {
  jest.clearAllMocks();
  mockStation = fakeStation();
});

describe('the daybook', () => {
  it('that is empty says what to do next', async () => {
    await showScreen(<DaybookScreen />);
    await shown('0 specimens');
    await press('New specimen');
    expect(mockPush).toHaveBeenCalledWith('/specimens/new');
  });

  it('has every specimen under its day, those without a guide like any other', async () => {
    const crabs = mockStation.idOf('ledge-crabs');
    mockStation.put(id(1), content({ guideId: crabs, label: 'L4', situation: { date: '2026-05-12', place: 'Gannet Steps' } }));
    mockStation.put(
      id(2),
      content({ label: 'N-1', situation: { date: '2026-05-12' }, determinations: [written('Velda tarsalis')] }),
    );
    await showScreen(<DaybookScreen />);
    await shown('2 specimens');
    expect(screen.getByText('Tuesday 12 May 2026')).toBeTruthy();
    expect(screen.getByText('Gannet Steps · L4')).toBeTruthy();
    expect(screen.getByText('Velda tarsalis')).toBeTruthy();
    expect(screen.getAllByText('open')).toHaveLength(1);
  });

  it('is searched, and says how many were found', async () => {
    mockStation.put(id(1), content({ label: 'one' }));
    mockStation.put(id(2), content({ label: 'two' }));
    await showScreen(<DaybookScreen />);
    await screen.findByLabelText('Find');
    await type('Find', 'two');
    await shown('1 specimen found');
    expect(mockStation.asked.filter(({ name }) => name === 'specimens').at(-1)!.given.query).toMatchObject({ search: 'two' });
    await type('Find', 'three');
    await shown('0 specimens found');
  });

  it('that cannot be reached says so, and tries again when asked', async () => {
    mockStation.fail(OFFLINE);
    await showScreen(<DaybookScreen />);
    await shown(/cannot be reached/);
    mockStation.fail();
    mockStation.put(id(1), content({ label: 'there after all' }));
    await press('Try again');
    await shown('1 specimen');
  });

  describe('with changes that only this device has', () => {
    const entry = (n: number, kind: string, held: object) => ({
      key: `${STATION}/${kind}/${id(n)}`,
      station: STATION,
      kind,
      id: id(n),
      place: n,
      content: held,
    });

    it('says how many there are, of every kind, and sends them when asked', async () => {
      mockStation.answer('writeLot', ({ params, body }) => ({
        ...body,
        id: params!.id,
        version: 1,
        createdAt: '',
        updatedAt: '',
      }));
      const lot = { version: 0, label: 'L', specimens: [], hidden: false };
      await showScreen(
        <DaybookScreen />,
        memoryStorage([entry(11, 'specimen', content({ label: 'kept' })), entry(12, 'lot', lot)]),
      );
      await shown('2 not sent yet');
      await press('Send now');
      await waitFor(() => expect(screen.queryByText(/not sent yet/)).toBeNull());
      expect(mockStation.specimens.get(id(11))!.label).toBe('kept');
    });

    it('says so when the browser keeps nothing over a reload', async () => {
      await showScreen(<DaybookScreen />, memoryStorage([entry(13, 'specimen', content())]));
      await shown(/leave this page open until it is sent/);
    });

    it('offers a copy of what another version kept, and removes it only when asked', async () => {
      const made: Blob[] = [];
      Object.assign(globalThis, { document: { createElement: () => ({ click: jest.fn() }) } });
      Object.assign(URL, { createObjectURL: (blob: Blob) => (made.push(blob), 'blob:'), revokeObjectURL: jest.fn() });
      await showScreen(<DaybookScreen />, memoryStorage([entry(14, 'specimen', { strange: true })]));
      await shown('1 kept by another version of Plesion');
      expect(screen.queryByText(/not sent yet/)).toBeNull();
      await press('Save a copy');
      expect(made).toHaveLength(1);
      expect(outbox().waiting(STATION)).toHaveLength(1);
      await press('Remove from this device');
      expect(outbox().waiting(STATION)).toHaveLength(0);
    });

    it('opens the record that waits', async () => {
      await showScreen(<DaybookScreen />, memoryStorage([entry(15, 'specimen', content())]));
      await shown('1 not sent yet');
      await press('Open');
      expect(mockPush).toHaveBeenCalledWith(`/specimens/${id(15)}`);
    });
  });

  it('filters by what has a name', async () => {
    mockStation.put(id(1), content({ label: 'open one' }));
    mockStation.put(id(2), content({ determinations: [written('Velda alba')] }));
    await showScreen(<DaybookScreen />);
    await screen.findByLabelText('Find');
    await press('Filters');
    await act(async () => fireEvent.press(screen.getByText('named')));
    await shown('1 specimen found');
    expect(screen.getByText('Velda alba')).toBeTruthy();
  });
});
