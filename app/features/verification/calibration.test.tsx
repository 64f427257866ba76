import type { CalibrationView } from '@plesion/contract/calibration';
import { ledgeCrabs } from '@plesion/demo';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { CalibrationScreen } from './CalibrationScreen';

let mockStation: FakeStation;
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));
const mockChart = jest.fn<null, [object]>(() => null);
jest.mock('../../ui/lazyCalibrationChart', () => ({ CalibrationChart: (given: object) => mockChart(given) }));

let view: CalibrationView;
const sent = () => mockStation.asked.filter(({ name }) => name === 'calibration').map(({ given }) => given);

beforeEach(() => {
  mockStation = fakeStation();
  const guideId = mockStation.idOf('ledge-crabs');
  view = {
    guides: [{ id: guideId, title: 'Ledge crabs' }],
    observers: ['mira', 'tolmar'],
    seasons: [2026, 2025],
    schools: ['key', 'weigh'],
    usual: 0.95,
    names: { all: 60, verified: 12, meanAll: 0.91, meanVerified: 0.84 },
    calibration: {
      ...{ n: 12, right: 10, brier: 0.123, logScore: -0.41 },
      parts: { reliability: 0.011, resolution: 0.02, uncertainty: 0.139, within: 0 },
      classes: [{ from: 0.8, to: 0.9, n: 12, stated: 0.84, right: 10 / 12, low: 0.552, high: 0.953 }],
    },
    thresholds: [
      { threshold: 0.8, names: 12, wrong: 2 },
      { threshold: 0.9, names: 5, wrong: 1 },
      { threshold: 0.94, names: 4, wrong: 1 },
      { threshold: 0.95, names: 4, wrong: 1 },
      { threshold: 0.99, names: 0, wrong: 0 },
    ],
    pairs: [
      { guideId, called: 'murica', truth: 'murica', right: true, n: 10, specimens: [] },
      { guideId, called: 'murica', truth: 'velloma', right: false, n: 2, specimens: [guideId] },
    ],
  };
  mockStation.answer('calibration', () => view);
  const rate = (hits: number, n: number) => ({ n, hits, rate: hits / n, low: 0.32, high: 0.78 });
  mockStation.answer('hitRates', () => ({
    marks: [
      { guideId, character: 'granules', ...rate(5, 9) },
      { guideId, character: 'claw-gape', ...rate(11, 12) },
    ],
    observers: [
      { by: 'tolmar', ...rate(3, 5) },
      { by: 'mira', ...rate(7, 7) },
    ],
    guides: [{ guideId, ...rate(10, 12) }],
  }));
});

it('says how many turned out so, how they were chosen, what another threshold would change, and what was called wrongly', async () => {
  await showScreen(<CalibrationScreen />);
  await shown('10 of 12 turned out to be so.');
  screen.getByText(
    'Known of 12 of 60 names, and those are chosen, not drawn by lot: they were given with 84 in 100 in the mean, all together with 91 in 100.',
  );
  screen.getByText('0.123');
  expect(mockChart).toHaveBeenLastCalledWith({ bins: [{ label: '80–90', n: 12, stated: 0.84, right: 10 / 12 }] });
  await shown('called thorned ledge crab, was saddled ledge crab');
  expect(screen.queryByText('Record 1')).toBeNull();
  await press('called thorned ledge crab, was saddled ledge crab: 2, show the records');
  screen.getByText('Record 1');
  screen.getByText('and 1 more');
  screen.getByText('Practise these two');
  const { label } = ledgeCrabs.characters.find(({ id }) => id === 'granules')!;
  expect(within(screen.getByLabelText('How often each mark was right')).getByText(label)).toBeTruthy();
  screen.getByText('5 of 9');
  screen.getByText('3 of 5');
  // One guide alone is no table.
  expect(screen.queryByText('By guide')).toBeNull();
});

it('is asked for a guide, a person and a year', async () => {
  await showScreen(<CalibrationScreen />);
  await shown('10 of 12 turned out to be so.');
  await press('tolmar');
  await press('2025');
  await waitFor(() => expect(sent().at(-1)).toEqual({ query: { by: 'tolmar', season: '2025' } }));
});

it('says how something comes to be known, where nothing is', async () => {
  view = { ...view, guides: [], observers: [], seasons: [], calibration: undefined, thresholds: [], pairs: [] };
  await showScreen(<CalibrationScreen />);
  await shown('Nothing is known yet');
});

it('says what another certainty would change, against what the guide asks for', async () => {
  await showScreen(<CalibrationScreen />);
  await shown('At 90 instead of 95: 1 more name, as many wrong.');
  screen.getByText('From 90 in 100 on: 5 names, 1 of them wrong. From 95 in 100 on: 4 names, 1 of them wrong.');
  const move = (to: number) =>
    act(async () => fireEvent(screen.getByLabelText('Given from'), 'change', { target: { value: String(to) } }));
  await move(80);
  screen.getByText('At 80 instead of 95: 8 more names, 1 more wrong.');
  await move(99);
  screen.getByText('At 99 instead of 95: 4 fewer names, 1 fewer wrong.');
  await move(94);
  screen.getByText('At 94 instead of 95: the same names.');
  await move(95);
  screen.getByText('95 in 100 is what they are given from.');
});

it('shows one guide’s names as a grid: a cell that is touched has its records', async () => {
  await showScreen(<CalibrationScreen />);
  await shown('Called, and what it was');
  const cell = '2 called P. murica, was P. velloma: show the records';
  await press(cell);
  screen.getByLabelText('Record 1: called P. murica, was P. velloma');
  await press(cell);
  expect(screen.queryByLabelText('Record 1: called P. murica, was P. velloma')).toBeNull();
  // Of several guides there is no grid.
  screen.unmount();
  view = { ...view, pairs: [...view.pairs, { ...view.pairs[0], guideId: mockStation.idOf('tessary-terns') }] };
  await showScreen(<CalibrationScreen />);
  await shown('10 of 12 turned out to be so.');
  expect(screen.queryByText('Called, and what it was')).toBeNull();
});

it('is asked for by how guides give names', async () => {
  await showScreen(<CalibrationScreen />);
  await shown('weigh all characters');
  await press('a whole way through a key');
  await waitFor(() => expect(sent().at(-1)).toMatchObject({ query: { school: 'key' } }));
});
