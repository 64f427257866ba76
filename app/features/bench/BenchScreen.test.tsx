import { RequestProblem, type SpecimenWrite } from '@plesion/contract';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ComponentType, ReactNode } from 'react';
import { fakeStation, type FakeStation, OFFLINE, specimenContent as content, STATION } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { outbox } from '../../lib/outbox/outbox';
import { BenchScreen } from './BenchScreen';
import type { BenchKeys } from './useBenchKeys';

let mockStation: FakeStation;
let mockWide = false;
const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('expo-router', () => {
  const { Text } = jest.requireActual<{ Text: ComponentType<{ children: string }> }>('react-native');
  return {
    useRouter: () => mockRouter,
    Link: ({ children }: { children: ReactNode }) => children,
    Redirect: ({ href }: { href: string }) => <Text>{`gone to ${href}`}</Text>,
  };
});
const mockStationId = STATION;
jest.mock('../session/useSession', () => ({
  useSession: () => ({ station: { id: mockStationId, name: 'Quell' }, account: { name: 'ann' } }),
}));
jest.mock('../analysis/weigher', () => {
  const { analyse } = jest.requireActual<{ analyse: (asked: object) => object }>('@plesion/core/analysis');
  return {
    askWorker: async (_: string, asked: object, { guide }: { guide: object }) => {
      await mockWeighing;
      return analyse({ ...asked, guide });
    },
  };
});
/** What the worker waits for, where it is slow. */
let mockWeighing: Promise<void> | undefined;
let mockKeys: BenchKeys;
jest.mock('./useBenchKeys', () => ({
  ...jest.requireActual<object>('./useBenchKeys'),
  useBenchKeys: (keys: BenchKeys) => (mockKeys = keys),
}));
jest.mock('../../theme', () => ({ ...jest.requireActual<object>('../../theme'), useWide: () => mockWide }));

let made = 0;
const mint = () => `0192f3a0-0000-7005-8000-${String(++made).padStart(12, '0')}`;

/** A crab on the Bench. */
async function open(more: Partial<SpecimenWrite> = {}) {
  const id = mint();
  mockStation.put(id, content({ guideId: mockStation.idOf('ledge-crabs'), label: 'L4-01', ...more }));
  await showScreen(<BenchScreen id={id} />);
  return id;
}
const called = () => screen.getByTestId('call').props.children as string;
const stored = (id: string) => mockStation.specimens.get(id)!;
beforeEach(() => {
  jest.clearAllMocks();
  mockWide = false;
  mockWeighing = undefined;
  mockStation = fakeStation();
});

describe('the Bench on a phone', () => {
  it('offers the character to look at first, takes the answer, and offers another', async () => {
    const id = await open();
    await shown('Nothing read yet');
    const offered = screen.getByText(/^Look next: /).props.children as string;
    fireEvent.press(screen.getAllByRole('radio')[0]);
    await shown('Not yet a name');
    await waitFor(() => expect(stored(id).readings).toHaveLength(1));
    expect(screen.getByText(/^Look next: /).props.children).not.toBe(offered);
  });

  it('marks what was touched before anything is weighed; a second state is joined to it, and then another look is offered', async () => {
    const id = await open();
    await shown('Nothing read yet');
    const offered = screen.getByText(/^Look next: /).props.children as string;
    await press('Cannot choose between two');
    let weighed = () => {};
    mockWeighing = new Promise((resolve) => (weighed = resolve));
    const tile = (i: number) => screen.getAllByRole('checkbox')[i];
    fireEvent.press(tile(0));
    expect(tile(0)).toBeChecked();
    fireEvent.press(tile(1));
    expect(tile(0)).toBeChecked();
    expect(tile(1)).toBeChecked();
    await waitFor(() => expect(stored(id).readings).toMatchObject([{ states: [expect.any(String), expect.any(String)] }]));
    expect(screen.getByText(offered)).toBeTruthy();
    await act(async () => weighed());
    await waitFor(() => expect(screen.getByText(/^Look next: /).props.children).not.toBe(offered));
  });

  it('says what the readings allow, and writes it down elsewhere', async () => {
    const id = await open({ readings: [{ id: 'r1', character: 'front-edge', states: ['three-teeth'] }] });
    await waitFor(() => expect(called()).toMatch(/Species no: needs 95 in 100/));
    await press('Write down');
    expect(mockRouter.push).toHaveBeenCalledWith(`/specimens/${id}/name`);
  });

  it('keeps on the device what the station does not take now', async () => {
    const id = await open();
    await shown('Nothing read yet');
    mockStation.fail(OFFLINE);
    fireEvent.press(screen.getAllByRole('radio')[0]);
    await waitFor(() => expect(outbox().waiting(STATION)).toHaveLength(1));
    expect(outbox().waiting(STATION)[0]).toMatchObject({ kind: 'specimen', id });
    expect(stored(id).readings).toEqual([]);
  });

  it('keeps what was read when the session has ended meanwhile', async () => {
    const id = await open();
    await shown('Nothing read yet');
    mockStation.fail(new RequestProblem(401, { code: 'signed-out', message: 'Sign in first.' }));
    fireEvent.press(screen.getAllByRole('radio')[0]);
    await waitFor(() => expect(outbox().entry(`${STATION}/specimen/${id}`)).toBeDefined());
    mockStation.fail();
    expect(outbox().entry(`${STATION}/specimen/${id}`)!.content).toMatchObject({ readings: [{ states: [expect.any(String)] }] });
  });

  it('sends a specimen without a guide to its page', async () => {
    const id = mint();
    mockStation.put(id, content({ label: 'N-1' }));
    await showScreen(<BenchScreen id={id} />);
    await shown(`gone to /specimens/${id}`);
  });

  it('says so where there is no such specimen', async () => {
    await showScreen(<BenchScreen id={mint()} />);
    await shown('There is no such specimen in this station.');
  });
});

describe('the Bench on a wide screen', () => {
  beforeEach(() => (mockWide = true));

  it('shows the list, the character and the standing side by side', async () => {
    await open({ readings: [{ id: 'r1', character: 'front-edge', states: ['three-teeth'] }] });
    await shown('The two in front');
    expect(screen.getAllByText('Front edge between the eyes').length).toBeGreaterThan(1);
    expect(screen.getByText('offered next')).toBeTruthy();
  });

  it('is read by keys: a state, how certain, back, and what cannot be seen', async () => {
    const id = await open();
    await shown('offered next');
    const keyed = (press: (keys: BenchKeys) => void) => act(async () => press(mockKeys));
    await keyed((keys) => keys.next());
    await keyed((keys) => keys.digit(2, 0));
    await waitFor(() => expect(stored(id).readings).toMatchObject([{ states: [expect.any(String)] }]));
    await keyed((keys) => keys.certainty());
    await waitFor(() => expect(stored(id).readings).toMatchObject([{ certainty: 'likely' }]));
    await keyed((keys) => keys.unseen());
    await waitFor(() => expect(stored(id).readings).toMatchObject([{ status: 'not-visible' }]));
    await keyed((keys) => keys.undo());
    await waitFor(() => expect(stored(id).readings).toMatchObject([{ certainty: 'likely' }]));
    await keyed((keys) => keys.clear());
    await waitFor(() => expect(stored(id).readings).toEqual([]));
    await keyed((keys) => keys.write());
    expect(mockRouter.push).toHaveBeenCalledWith(`/specimens/${id}/name`);
    await keyed((keys) => keys.help());
    expect(screen.getByText('go to the look offered next')).toBeTruthy();
  });
});
