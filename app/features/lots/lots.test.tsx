import type { Lot, LotWrite, Specimen, SpecimenWrite, StoredGuide } from '@plesion/contract';
import { demoLots, demoSpecimens, strandBeetles } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { createOutbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { ToastPlace } from '../../ui/Toast';
import { LotPage } from './LotPage';
import { LotsScreen } from './LotsScreen';

const GUIDE = '0192f3a0-0000-7001-8000-000000000002';
const mockApi = jest.fn();
const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('../../lib/api', () => {
  const { QueryClient: Client } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (...given: unknown[]) => mockApi(...given), queryClient: new Client() };
});
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, Link: ({ children }: { children: ReactNode }) => children }));
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' }, account: { name: 'ann' } }) }));

const instant = '2026-05-12T10:00:00Z';
const guide = {
  id: GUIDE,
  title: strandBeetles.title,
  group: strandBeetles.group,
  hash: 'h',
  version: 1,
  guide: strandBeetles,
} as StoredGuide;
const specimens = new Map(
  demoSpecimens.map((content): [string, Specimen] => [
    content.id,
    {
      ...content,
      guideId: GUIDE,
      version: 1,
      guideVersion: 1,
      hidden: false,
      createdAt: instant,
      updatedAt: instant,
      summary: { name: 'Not yet named', qualifier: 'unknown', facets: {}, p: 0, leadingForm: '', text: '' },
    },
  ]),
);
const lotOf = (content: (typeof demoLots)[number]): Lot => ({
  ...content,
  guideId: GUIDE,
  version: 1,
  hidden: false,
  createdAt: instant,
  updatedAt: instant,
});
const [damaged, mixed] = demoLots.map(lotOf);

interface Asked {
  params?: { id: string };
  body?: LotWrite & SpecimenWrite;
}
const written: { id: string; body: LotWrite }[] = [];
beforeEach(async () => {
  jest.clearAllMocks();
  written.length = 0;
  setOutbox(await createOutbox(memoryStorage()));
  mockApi.mockImplementation(async (name: string, { params, body }: Asked) => {
    if (name === 'lots') return { lots: [damaged, mixed] };
    if (name === 'lot') return [damaged, mixed].find(({ id }) => id === params!.id);
    if (name === 'guide') return guide;
    if (name === 'guides') return { guides: [guide] };
    if (name === 'keys') return { keys: [] };
    if (name === 'specimen') return specimens.get(params!.id);
    if (name === 'specimens') return new Promise(() => {});
    if (name === 'writeLot') {
      written.push({ id: params!.id, body: body! });
      return { ...body, id: params!.id, version: body!.version + 1, createdAt: instant, updatedAt: instant };
    }
    throw new Error(`unexpected ${name}`);
  });
});

const show = async (element: ReactNode) => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <ToastPlace page="/lots">{element}</ToastPlace>
    </QueryClientProvider>,
  );
  await act(async () => {});
};
const press = (label: string) => act(async () => fireEvent.press(screen.getByLabelText(label)));

describe('the lots', () => {
  it('are listed with how many they hold', async () => {
    await show(<LotsScreen />);
    expect(await screen.findByText('W7, four from one pitfall')).toBeTruthy();
    expect(screen.getByText(`4 specimens · ${strandBeetles.title}`)).toBeTruthy();
  });

  it('a new one wants a label and a guide, and says so', async () => {
    await show(<LotsScreen />);
    await press('Begin the lot');
    await screen.findByText('Give the lot a label, such as the trap it came from.');
    fireEvent.changeText(screen.getByLabelText('Label'), 'pitfall 9');
    screen.getByText('Say which guide it is read with, or that it has none.');
    expect(screen.queryByText('Give the lot a label, such as the trap it came from.')).toBeNull();
    await press(strandBeetles.title);
    await press('Begin the lot');
    await waitFor(() =>
      expect(written).toMatchObject([{ body: { label: 'pitfall 9', guideId: GUIDE, specimens: [], version: 0 } }]),
    );
    expect(mockRouter.push).toHaveBeenCalledWith(`/lots/${written[0].id}`);
  });
});

describe('a lot', () => {
  it('shows what each specimen tells, and that they go together', async () => {
    await show(<LotPage id={damaged.id} />);
    expect(await screen.findByText('No. 1: W7 no. 1')).toBeTruthy();
    expect(screen.getByText('Hind thigh: not visible: hind legs gone')).toBeTruthy();
    expect(screen.getByText(/^The specimens agree \([\d.]+ bits for their being one taxon\)\.$/)).toBeTruthy();
    expect(screen.getByText(/There is no key for it yet/)).toBeTruthy();
  });

  it('that is mixed says so, and is split by one press: two lots, nothing lost', async () => {
    await show(<LotPage id={mixed.id} />);
    expect(await screen.findByText(/^This looks like a mixed lot:/)).toBeTruthy();
    expect(screen.getByText('no. 2: nearest to Arenossa bicolor')).toBeTruthy();
    await press('Split off no. 2');
    await waitFor(() => expect(mockRouter.push).toHaveBeenCalled());
    const [apart, rest] = written.map(({ body }) => body.specimens);
    expect(apart).toEqual([mixed.specimens[1]]);
    expect(rest).toEqual([mixed.specimens[0], mixed.specimens[2]]);
    expect(written[0].body.label).toBe('D2, three from the dunes, split off');
  });

  it('lets a specimen be taken out, and undoes it', async () => {
    await show(<LotPage id={damaged.id} />);
    await screen.findByText('No. 4: W7 no. 4');
    await press('Remove no. 4 from the lot');
    expect(screen.queryByText('No. 4: W7 no. 4')).toBeNull();
    await press('Undo');
    expect(screen.getByText('No. 4: W7 no. 4')).toBeTruthy();
    // Below the page the removal is undone, whatever was changed since.
    await press('Remove no. 4 from the lot');
    await act(async () => fireEvent.changeText(screen.getByLabelText('Label'), 'Another name'));
    await press('Undo: Removed from the lot: no. 4');
    expect(screen.getByText('No. 4: W7 no. 4')).toBeTruthy();
    expect(screen.getByLabelText('Label').props.value).toBe('Another name');
  });
});
