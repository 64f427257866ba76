import { RequestProblem } from '@plesion/contract';
import type { OwnView, OwnWrite } from '@plesion/contract/own';
import { CORRECTED, type OwnCell } from '@plesion/core/own';
import { ledgeCrabs } from '@plesion/demo';
import { screen, waitFor } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { OwnScreen } from './OwnScreen';

let mockStation: FakeStation;
let mockRole = 'member';
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));
const mockPush = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ push: mockPush }),
}));

const cell = (more: Partial<OwnCell>): OwnCell => ({
  ...{ character: 'granules', taxon: 'murica', facets: {}, n: 36, surprise: 0.0001, pulls: true },
  states: [
    { state: 'dense', books: 0.98, read: 31, both: 0.886 },
    { state: 'sparse', books: 0.02, read: 5, both: 0.114 },
  ],
  text: 'dense: books 98 in 100; ours 31 of 36',
  ...more,
});
let view: OwnView;
const PROPOSE = `Propose as a correction: ${ledgeCrabs.characters.find(({ id }) => id === 'granules')!.label}`;
const sent = () =>
  mockStation.asked.filter(({ name }) => name === 'followOwnRecords').map(({ given }) => (given as { body: OwnWrite }).body);
const open = () => showScreen(<OwnScreen id={mockStation.idOf('ledge-crabs')} />);

beforeEach(() => {
  mockRole = 'member';
  mockPush.mockClear();
  mockStation = fakeStation();
  const both = { mean: 33.4, sd: 2.1 };
  const values = { books: { mean: 31, sd: 2 }, read: { mean: 34, sd: 2 }, both };
  view = {
    ...{ version: 4, specimens: 42 },
    cells: [
      cell({}),
      cell({
        character: 'carapace-width',
        states: undefined,
        values,
        pulls: false,
        text: 'books 31.0 ± 2.0 mm; ours 34.0 ± 2.0 mm, 9 measured',
      }),
    ],
  };
  mockStation.answer('ownRecords', () => view);
  mockStation.answer('followOwnRecords', ({ body }) => {
    const { followed } = body as OwnWrite;
    view = { ...view, version: view.version + 1, followed: followed === 'none' ? undefined : followed };
    return view;
  });
});

it('shows where they pull away from the books, and what both come to; the rest when asked', async () => {
  await open();
  await shown(/what was read of 42 specimens/);
  await shown('dense: books 98 in 100; ours 31 of 36');
  await shown(/^Both together: .*: 89; .*: 11 in 100$/);
  expect(screen.queryByText(/9 measured/)).toBeNull();
  await press('They go with the books (1)');
  await shown('Both together: 33.4 ± 2.1 mm');
  await shown(/was not left to chance/);
});

it('makes them a source of the guide, beside it, or none, each on the version that was seen', async () => {
  await open();
  await shown('They are no source of this guide yet.');
  await press('30 specimens');
  await press('Follow them');
  await shown(/^They are followed in this guide/);
  await press('Add them, left out');
  await shown(/^They are kept in this guide beside the books/);
  await press('Remove them');
  await shown('They are no source of this guide yet.');
  expect(sent()).toEqual([
    { version: 4, followed: 'followed', weight: 30 },
    { version: 5, followed: 'beside', weight: 30 },
    { version: 6, followed: 'none', weight: 30 },
  ]);
});

it('proposes a mark that pulls away as a correction, and goes to the version that it was written into', async () => {
  mockStation.answer('proposeCorrection', () => ({ draft: 'd1' }));
  await open();
  await shown('Propose as a correction');
  await press(PROPOSE);
  await waitFor(() => expect(mockPush).toHaveBeenCalledWith('/guides/write/d1?part=look'));
  expect(mockStation.asked.at(-1)).toMatchObject({
    name: 'proposeCorrection',
    given: { body: { taxon: 'murica', facets: {}, character: 'granules', weight: 10 } },
  });
  // What goes with the books is not to be corrected.
  await press('They go with the books (1)');
  expect(screen.getAllByText('Propose as a correction')).toHaveLength(1);
});

it('says what was corrected already, and what stands in the way of it', async () => {
  const value = { kind: 'states' as const, states: { dense: 0.886 } };
  const score = { character: 'granules', source: CORRECTED, scope: { taxon: 'murica' }, value };
  const corrected = { ...ledgeCrabs, scores: [...ledgeCrabs.scores, score] };
  mockStation.answer('guide', () => mockStation.storedGuide(mockStation.idOf('ledge-crabs'), corrected));
  mockStation.answer('proposeCorrection', () => {
    throw new RequestProblem(403, { code: 'not-ours', message: 'The guide is of another station.' });
  });
  await open();
  await shown('Corrected in this guide.');
  await press(PROPOSE.replace('Propose as a correction', 'Propose it anew'));
  await shown('The guide is of another station.');
  expect(mockPush).not.toHaveBeenCalled();
});

it('says what was not saved, and that there are too few; a learner only looks', async () => {
  mockStation.answer('followOwnRecords', () => {
    throw new RequestProblem(409, { code: 'stale-version', message: 'The guide was changed meanwhile.' });
  });
  await open();
  await shown('Follow them');
  await press('Follow them');
  await shown('The guide was changed meanwhile.');
  screen.unmount();
  view = { ...view, cells: [] };
  await open();
  await shown('Too few yet');
  screen.unmount();
  mockRole = 'learner';
  view = { ...view, cells: [cell({})] };
  await open();
  await shown('They are no source of this guide yet.');
  expect(screen.queryByText('Follow them')).toBeNull();
  expect(screen.queryByText('Propose as a correction')).toBeNull();
});
