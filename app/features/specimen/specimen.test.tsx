import { RequestProblem, type SpecimenWrite } from '@plesion/contract';
import { screen, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { fakeStation, type FakeStation, OFFLINE, specimenContent as content, STATION } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { forgetForms } from '../../lib/keptForm';
import { outbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { NewSpecimen } from './NewSpecimen';
import { SituationScreen } from './SituationScreen';
import { SpecimenPage } from './SpecimenPage';

let mockStation: FakeStation;
const mockRouter = { push: jest.fn(), replace: jest.fn(), setParams: jest.fn() };
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  useLocalSearchParams: () => ({}),
  Link: ({ children }: { children: ReactNode }) => children,
}));
const mockStationId = STATION;
jest.mock('../session/useSession', () => ({
  useSession: () => ({ station: { id: mockStationId, name: 'Quell' }, account: { name: 'ann' } }),
}));
jest.mock('../analysis/weigher', () => {
  const { analyse } = jest.requireActual<{ analyse: (asked: object) => object }>('@plesion/core/analysis');
  return { askWorker: async (_: string, asked: object, { guide }: { guide: object }) => analyse({ ...asked, guide }) };
});

let made = 0;
const mint = () => `0192f3a0-0000-7004-8000-${String(++made).padStart(12, '0')}`;
const crab = (more: Partial<SpecimenWrite> = {}) =>
  content({
    guideId: mockStation.idOf('ledge-crabs'),
    label: 'L4-01',
    situation: { place: 'Gannet Steps', date: '2026-05-12' },
    readings: [{ id: 'r1', character: 'front-edge', states: ['three-teeth'] }],
    ...more,
  });

beforeEach(() => {
  forgetForms();
  jest.clearAllMocks();
  mockStation = fakeStation();
});

describe('the page of a specimen', () => {
  it('shows where and when, what was read, and the ways on', async () => {
    const id = mint();
    mockStation.put(id, crab());
    await showScreen(<SpecimenPage id={id} />);
    await shown('Not yet named');
    await shown(/Gannet Steps · 12 May 2026/);
    expect(screen.getByText('Front edge between the eyes')).toBeTruthy();
    await press('Open on the Bench');
    expect(mockRouter.push).toHaveBeenCalledWith(`/specimens/${id}/bench`);
    await press('Write it down');
    expect(mockRouter.push).toHaveBeenCalledWith(`/specimens/${id}/name`);
  });

  it('is removed and put back, without being lost', async () => {
    const id = mint();
    mockStation.put(id, crab());
    await showScreen(<SpecimenPage id={id} />);
    await shown('Not yet named');
    await press('Remove from the daybook');
    await shown('Removed from the daybook');
    await press('Restore');
    expect(screen.queryByText('Removed from the daybook')).toBeNull();
  });

  it('that is not there says so', async () => {
    await showScreen(<SpecimenPage id={mint()} />);
    await shown('There is no such specimen in this station.');
  });

  it('changed elsewhere shows both sides, and keeps the one that is chosen', async () => {
    const id = mint();
    mockStation.put(id, crab());
    await showScreen(<SpecimenPage id={id} />);
    await shown('Not yet named');
    mockStation.put(id, { ...crab({ label: 'theirs' }), version: 1 });
    await press('Remove from the daybook');
    await shown('This specimen was changed elsewhere');
    await press('Use theirs');
    await shown(/theirs/);
    expect(mockStation.specimens.get(id)!).toMatchObject({ label: 'theirs', hidden: false, version: 2 });
  });

  it('refused by the server says why, and where it is kept', async () => {
    const id = mint();
    mockStation.put(id, crab());
    await showScreen(<SpecimenPage id={id} />);
    await shown('Not yet named');
    mockStation.fail(new RequestProblem(400, { code: 'unknown-state', message: 'No such state.', field: 'readings[0].states' }));
    await press('Remove from the daybook');
    await shown('No such state. It is kept on this device.');
    expect(outbox().waiting(STATION)).toMatchObject([{ id, content: { hidden: true } }]);
  });

  it('on a device without room promises nothing', async () => {
    const id = mint();
    mockStation.put(id, crab());
    const full = { ...memoryStorage(), putEntry: () => Promise.reject(new Error('QuotaExceededError')) };
    await showScreen(<SpecimenPage id={id} />, full);
    await shown('Not yet named');
    mockStation.fail(OFFLINE);
    await press('Remove from the daybook');
    await shown('This device has no room');
    expect(screen.queryByText(/Everything is kept/)).toBeNull();
    mockStation.fail();
    await press('Send now');
    await waitFor(() => expect(screen.queryByText('This device has no room')).toBeNull());
    expect(mockStation.specimens.get(id)!.hidden).toBe(true);
  });

  it('goes on while one is signed out: what is changed then is kept and sent later', async () => {
    const id = mint();
    mockStation.put(id, crab());
    await showScreen(<SpecimenPage id={id} />);
    await shown('Not yet named');
    mockStation.fail(new RequestProblem(401, { code: 'signed-out', message: 'Sign in first.' }));
    await press('Remove from the daybook');
    await shown('Removed from the daybook');
    await shown('Send now');
    expect(outbox().waiting(STATION)).toHaveLength(1);
    mockStation.fail();
    await press('Send now');
    await waitFor(() => expect(mockStation.specimens.get(id)!.hidden).toBe(true));
  });
});

describe('a specimen without a guide', () => {
  const named = (name: string) => ({
    id: mint(),
    qualifier: 'cf.' as const,
    facets: {},
    written: { name },
    by: 'ann',
    at: '2026-05-12T10:00:00Z',
    p: 0,
    recommended: '',
    overruled: false,
    reason: 'keyed twice',
  });

  it('has its page, with the names it was given and what they rest on', async () => {
    const id = mint();
    mockStation.put(id, content({ label: 'N-1', determinations: [named('Velda alba')] }));
    await showScreen(<SpecimenPage id={id} />);
    await shown('no guide · N-1');
    await shown('keyed twice');
    expect(screen.queryByText(/in 100/)).toBeNull();
    expect(screen.queryByText('Give it a guide')).toBeNull();
    await press('Name it again');
    expect(mockRouter.push).toHaveBeenCalledWith(`/specimens/${id}/name`);
  });

  it('can be given a guide as long as it has no name', async () => {
    const id = mint();
    mockStation.put(id, content({ label: 'N-2' }));
    await showScreen(<SpecimenPage id={id} />);
    await shown('Give it a guide');
    await press('Ledge crabs of the Tessary Isles');
    await press('To the Bench with it');
    expect(mockRouter.replace).toHaveBeenCalledWith(`/specimens/${id}/bench`);
    await waitFor(() => expect(mockStation.specimens.get(id)!.guideId).toBe(mockStation.idOf('ledge-crabs')));
  });

  it('has a situation without views, regions or a prior', async () => {
    const id = mint();
    mockStation.put(id, content({ situation: { place: 'Quell' } }));
    await showScreen(<SituationScreen id={id} />);
    await shown('Where and when');
    expect(screen.queryByText('Views')).toBeNull();
    expect(screen.queryByText('What counts before looking')).toBeNull();
    await type('Place', 'Ostren, wrack line');
    await press('Back to the specimen');
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalledWith(`/specimens/${id}`));
  });
});

describe('a new specimen', () => {
  const label = 'No guide: named by a key alone, or by hand';

  it('begins with a guide, its caution, and what one has of it', async () => {
    await showScreen(<NewSpecimen />);
    await shown('A new specimen');
    await waitFor(() => screen.getByLabelText('Tent cones of the Tessary Isles'));
    await press('Tent cones of the Tessary Isles');
    await shown('Take care');
    await type('Label or number', 'C-1');
    await press('To the Bench');
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalledWith(expect.stringMatching(/\/bench$/)));
    const found = () => [...mockStation.specimens.values()].find(({ label: own }) => own === 'C-1');
    await waitFor(() => expect(found()).toBeDefined());
    // Something dangerous may be among them: one begins a few paces off, and looks.
    expect(found()).toMatchObject({ label: 'C-1', situation: { distance: 'near', handling: 'look' } });
  });

  it('may do without, and is told what that means', async () => {
    await showScreen(<NewSpecimen />);
    await waitFor(() => screen.getByLabelText(label));
    await press(label);
    await shown(/no danger is told of/);
    await type('Label or number', 'N-9');
    await press('Into the daybook');
    await waitFor(() => expect(mockStation.specimens.size).toBe(1));
    const [specimen] = mockStation.specimens.values();
    expect(specimen.guideId).toBeUndefined();
    expect(mockRouter.replace).toHaveBeenCalledWith(`/specimens/${specimen.id}`);
  });

  it('without a connection is kept here and goes on', async () => {
    await showScreen(<NewSpecimen />);
    await waitFor(() => screen.getByLabelText(label));
    await press(label);
    mockStation.fail(OFFLINE);
    await type('Label or number', 'N-10');
    await press('Into the daybook');
    await waitFor(() => expect(outbox().waiting(STATION)).toMatchObject([{ content: { label: 'N-10' } }]));
    expect(mockRouter.replace).toHaveBeenCalled();
  });
});
