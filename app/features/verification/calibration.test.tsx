import type { CalibrationView } from '@plesion/contract/calibration';
import { ledgeCrabs } from '@plesion/demo';
import { screen, waitFor, within } from '@testing-library/react-native';
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
jest.mock('../../ui/lazyCalibrationChart', () => ({ CalibrationChart: () => null }));

let view: CalibrationView;
const sent = () => mockStation.asked.filter(({ name }) => name === 'calibration').map(({ given }) => given);

beforeEach(() => {
  mockStation = fakeStation();
  const guideId = mockStation.idOf('ledge-crabs');
  view = {
    guides: [{ id: guideId, title: 'Ledge crabs' }],
    observers: ['mira', 'tolmar'],
    seasons: [2026, 2025],
    names: { all: 60, verified: 12, meanAll: 0.91, meanVerified: 0.84 },
    calibration: {
      ...{ n: 12, right: 10, brier: 0.123, logScore: -0.41 },
      parts: { reliability: 0.011, resolution: 0.02, uncertainty: 0.139, within: 0 },
      classes: [{ from: 0.8, to: 0.9, n: 12, stated: 0.84, right: 10 / 12, low: 0.552, high: 0.953 }],
    },
    thresholds: [
      { threshold: 0.8, names: 12, wrong: 2 },
      { threshold: 0.9, names: 5, wrong: 0 },
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
  screen.getByText('55 to 95');
  screen.getByText('From 80 in 100 on: 12 names, 2 of them wrong');
  screen.getByText('From 90 in 100 on: 5 names, none of them wrong: 7 fewer names, 2 fewer wrong than the line above.');
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
