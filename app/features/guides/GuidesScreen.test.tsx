import { RequestProblem } from '@plesion/contract';
import { ledgeCrabs } from '@plesion/demo';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { fakeStation, type FakeStation, OFFLINE, STATION } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { GuidesScreen } from './GuidesScreen';

let mockStation: FakeStation;
let mockFile: File | undefined;
const mockPush = jest.fn();
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('../sharing/sharingApi', () => ({ sharingApi: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('../../lib/files', () => ({ pickFile: async () => mockFile }));
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: mockPush }),
  Link: ({ children }: { children: ReactNode }) => children,
}));
const mockStationId = STATION;
jest.mock('../session/useSession', () => ({
  useSession: () => ({ station: { id: mockStationId, name: 'Quell' }, account: { name: 'ann' } }),
}));

const file = (text: string) => new File([text], 'crabs.json');
const changed = { ...ledgeCrabs, title: 'Ledge crabs, revised' };
const mine = () => mockStation.idOf('ledge-crabs');

beforeEach(() => {
  jest.clearAllMocks();
  mockStation = fakeStation();
  mockFile = file(JSON.stringify(changed));
  mockStation.answer('sharing', () => ({ guides: [] }));
  mockStation.answer('offers', () => ({ offers: [] }));
});

describe('the shelf of guides', () => {
  it('shows each with what it holds, and leads to learning', async () => {
    await showScreen(<GuidesScreen />);
    await shown('Ledge crabs of the Tessary Isles');
    expect(screen.getAllByText(/\d+ forms · \d+ characters · version 1/)).toHaveLength(6);
    await press('Learn from a table');
    expect(mockPush).toHaveBeenCalledWith('/guides/learn');
  });

  it('that cannot be fetched says so, and tries again', async () => {
    mockStation.fail(OFFLINE);
    await showScreen(<GuidesScreen />);
    await shown(/cannot be reached/);
    mockStation.fail();
    // The guides and the keys are fetched each for itself.
    for (const again of screen.getAllByLabelText('Try again')) await act(async () => fireEvent.press(again));
    await shown('Ledge crabs of the Tessary Isles');
  });
});

describe('taking in a guide', () => {
  const conflict = () => {
    const stored = mockStation.storedGuide(mine(), ledgeCrabs, 4);
    throw new RequestProblem(409, { code: 'stale-version', message: 'Changed.', stored, sent: { version: 0, guide: changed } });
  };

  it('that is new says that it is there', async () => {
    mockStation.answer('importGuide', () => mockStation.storedGuide(mine(), changed));
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    await shown('Ledge crabs, revised, version 1, is in the station.');
  });

  it('that is here with other content is not written over: a new version is made when asked', async () => {
    mockStation.answer('importGuide', conflict);
    mockStation.answer('writeGuide', () => mockStation.storedGuide(mine(), changed, 5));
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    await shown('This guide is here already, with other content');
    await shown(/at version 4. Nothing was changed/);
    await press('Make it version 5');
    await shown('Ledge crabs, revised, version 5, is in the station.');
    const { given } = mockStation.asked.find(({ name }) => name === 'writeGuide')!;
    expect(given).toMatchObject({ params: { id: mine() }, body: { version: 4, guide: { title: 'Ledge crabs, revised' } } });
  });

  it('and may be left as it is', async () => {
    mockStation.answer('importGuide', conflict);
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    await shown('This guide is here already, with other content');
    await press('Cancel');
    await waitFor(() => expect(screen.queryByText(/here already/)).toBeNull());
    expect(mockStation.asked.some(({ name }) => name === 'writeGuide')).toBe(false);
  });

  it('that is wrong names every field, and that nothing was imported', async () => {
    const problems = Array.from({ length: 10 }, (_, i) => ({ code: 'x', message: `Wrong ${i}.`, field: `scores[${i}]` }));
    problems[1] = { code: 'x', message: 'colour: this Plesion knows no such field.', field: 'colour' };
    mockStation.answer('importGuide', () => {
      throw new RequestProblem(400, { ...problems[0], problems });
    });
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    await shown('The guide was not imported');
    expect(screen.getByText('scores[7]: Wrong 7.')).toBeTruthy();
    // A message that begins with its field says it once.
    expect(screen.getByText('colour: this Plesion knows no such field.')).toBeTruthy();
    expect(screen.getByText('and 2 more')).toBeTruthy();
  });

  it('that is no JSON is said to be none, and nothing is sent', async () => {
    mockFile = file('{"format":');
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    await shown(/The file is not JSON/);
    expect(mockStation.asked.some(({ name }) => name === 'importGuide')).toBe(false);
  });

  it('with its photographs goes as the file it is', async () => {
    mockFile = new File(['PK'], 'crabs.ZIP');
    mockStation.answer('bringGuide', () => mockStation.storedGuide(mine(), changed));
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    await shown('Ledge crabs, revised, version 1, is in the station.');
    const { given } = mockStation.asked.find(({ name }) => name === 'bringGuide')!;
    expect(given.body).toBeInstanceOf(FormData);
    expect(mockStation.asked.some(({ name }) => name === 'importGuide')).toBe(false);
  });

  it('that was not chosen after all does nothing', async () => {
    mockFile = undefined;
    await showScreen(<GuidesScreen />);
    await press('Import a guide from a Plesion JSON file, or with its photographs');
    expect(mockStation.asked.some(({ name }) => name === 'importGuide')).toBe(false);
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
