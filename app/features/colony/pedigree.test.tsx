import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import type { reply as coreReply } from '@plesion/core/analysis';
import type { ask as coreAsk } from '@plesion/core/analysis/ask';
import { chartOf, drawnBook } from '@plesion/core/pedigree';
import { fireEvent, screen } from '@testing-library/react-native';
import { act } from 'react';
import { startAt } from '../../test/address';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { PedigreeScreen } from './PedigreeScreen';
import { stepIn } from './stepIn';

let mockStation: FakeStation;
let mockFails: Error | undefined;
jest.mock('../../lib/usePointers', () => ({ usePointers: jest.fn() }));
const mockDownload = jest.fn();
jest.mock('../../lib/download', () => ({ download: (url: string) => mockDownload(url) as void }));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' }, account: { name: 'Bram' } }) }));
jest.mock('../analysis/weigher', () => {
  const { reply } = jest.requireActual<{ reply: typeof coreReply }>('@plesion/core/analysis');
  const { ask } = jest.requireActual<{ ask: typeof coreAsk }>('@plesion/core/analysis/ask');
  return {
    askWorker: (name: never, asked: never, known: never) =>
      mockFails ? Promise.reject(mockFails) : ask((request) => Promise.resolve(reply(request)), name, asked, known),
  };
});
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: jest.fn() }),
  Link: ({ children }: { children: object }) => children,
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));

const ID = (n: number) => `0192f3a0-0000-7485-8000-${String(n).padStart(12, '0')}`;
const member = (n: number, kept: Partial<Kept> = {}): ColonyMember => ({
  ...{ id: ID(n), version: 1, label: `Moth ${n}`, name: `Moth ${n}` },
  kept: { status: 'here', phenotypes: {}, ...kept },
});
const MEMBERS = [
  member(1, { sex: { called: 'male', certainty: 1 }, strain: 'Quell', status: 'dead' }),
  member(2, { sex: { called: 'female', certainty: 1 }, strain: 'North' }),
  member(3, { father: ID(1), mother: ID(2) }),
  member(4, { father: ID(1), mother: ID(2) }),
  member(5, { father: ID(3) }),
];
const individual = (n: number) => ({
  ...{ id: `Moth ${n}`, sexP: { female: 0.9, male: 0.1 } },
  genotypes: { pale: [{ genotype: '+/p', p: 0.25 * n < 1 ? 0.25 * n : 1 }], smoke: [{ genotype: '+/+', p: 1 }] },
});
let guideId: string;

beforeEach(() => {
  jest.clearAllMocks();
  mockFails = undefined;
  mockStation = fakeStation();
  guideId = mockStation.idOf('lantern-moths');
  startAt({ guide: guideId });
  const colony = {
    members: MEMBERS,
    posterior: { individuals: [1, 2, 3, 4, 5].map(individual), together: [] },
    inbreeding: {},
    problems: [],
  };
  mockStation.answer('colony', () => colony);
});

const key = (name: string) =>
  act(async () => void fireEvent(screen.getByLabelText(/^The pedigree of/), 'keyDown', { key: name, preventDefault: jest.fn() }));

it('is gone through by keys, says who is chosen and what it may carry, and is drawn from there', async () => {
  await showScreen(<PedigreeScreen />);
  await shown('Pedigree');
  await press('pale morph');
  await shown(/^Touch one to see/);
  const surface = screen.getByLabelText('The pedigree of 5, in 3 generations. Home chooses the first.');
  fireEvent(surface.parent!.parent!, 'layout', { nativeEvent: { layout: { width: 390, height: 400 } } });
  await key('Home');
  await key('ArrowDown');
  await shown('Moth 3. a female, 90 in 100. carries pale morph: 75 in 100. pale +/p 75 in 100 · smoke +/+');
  await key('ArrowDown');
  screen.getByText(/^Moth 5\. /);
  expect(screen.queryByLabelText('Fold its young')).toBeNull();
  await key('ArrowUp');
  await press('Fold its young');
  await screen.findByLabelText(/^The pedigree of 4, in 2 generations/);
  await press('Only its ancestors');
  await shown('Only the ancestors of Moth 3, 3 drawn.');
  await press('PDF');
  expect(mockDownload).toHaveBeenCalledWith(
    `/api/guides/${guideId}/colony/pedigree?as=pdf&of=${ID(3)}&toward=ancestors&folded=${encodeURIComponent(ID(3))}&carries=${encodeURIComponent('pale p').replace('%20', '+')}`,
  );
  await press('All of the book');
  await screen.findByLabelText(/^The pedigree of 4,/);
  await key('Escape');
  screen.getByText(/^Touch one to see what it carries/);
});

it('that could not be worked out says so, and is tried again', async () => {
  mockFails = new Error('The weighing stopped.');
  await showScreen(<PedigreeScreen />);
  await shown('That did not work');
  mockFails = undefined;
  await press('Try again');
  expect(await screen.findByLabelText(/^The pedigree of 5,/)).toBeTruthy();
});

it('stands in words too', async () => {
  await showScreen(<PedigreeScreen />);
  await shown('Pedigree');
  await press('The pedigree in words');
  screen.getByText('Moth 1: female, dead, a founder');
  screen.getByText('Moth 5: female, of Moth 3 and somebody');
});

it('of more than can be seen at once asks whose line', async () => {
  const more = Array.from({ length: 400 }, (_, i) => member(100 + i));
  mockStation.answer('colony', () => ({ members: [...MEMBERS, ...more], pairings: [], inbreeding: {}, problems: [] }));
  await showScreen(<PedigreeScreen />);
  await shown('There are 405: too many to be seen at once. Whose ancestors are drawn?');
  await type('Whose ancestors are drawn: find one of 405', 'Moth 5');
  await act(async () => fireEvent.press(screen.getByText('Moth 5')));
  await shown('Only the ancestors of Moth 5, 4 drawn.');
});

it('of no book asks for one', async () => {
  startAt({});
  await showScreen(<PedigreeScreen />);
  await shown('Of which book?');
});

it('steps to parents, young and neighbours, and stays at the edge', () => {
  const { kin } = drawnBook(MEMBERS, undefined);
  const chart = chartOf(kin);
  const from = (n: number, name: string) => stepIn(kin, chart, ID(n), name);
  expect([from(3, 'ArrowUp'), from(5, 'ArrowUp'), from(1, 'ArrowUp'), from(1, 'ArrowDown')]).toEqual([
    ID(1),
    ID(3),
    undefined,
    ID(3),
  ]);
  const [first, last] = [3, 4].sort(
    (a, b) => chart.symbols.findIndex(({ id }) => id === ID(a)) - chart.symbols.findIndex(({ id }) => id === ID(b)),
  );
  expect([from(first, 'ArrowRight'), from(last, 'ArrowLeft'), from(last, 'ArrowRight')]).toEqual([
    ID(last),
    ID(first),
    undefined,
  ]);
});
