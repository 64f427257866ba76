import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { screen, waitFor } from '@testing-library/react-native';
import { demoGuides } from '@plesion/demo';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { PensCard } from './PensCard';

let mockStation: FakeStation;
const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, Link: ({ children }: { children: object }) => children }));
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' }, account: { name: 'Bram' } }) }));

const moths = demoGuides.find(({ id }) => id === 'lantern-moths')!;
const ID = (n: number) => `0192f3a0-0000-7485-8000-${String(n).padStart(12, '0')}`;
const member = (n: number, kept: Partial<Kept>): ColonyMember => ({
  ...{ id: ID(n), version: 1, label: `Moth ${n}`, name: `Moth ${n}` },
  kept: { status: 'here', phenotypes: {}, ...kept },
});
const sexed = (called: 'female' | 'male') => ({ sex: { called, certainty: 1 } });

beforeEach(() => {
  forgetForms();
  mockStation = fakeStation();
  mockStation.answer('counts', () => ({ counts: [] }));
});
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);

it('a pen is written down and changed; who is too many in it, a stranger, or kept apart is said, and who was in it', async () => {
  const rule = { strains: ['Quell', 'North'] as [string, string], why: 'They would be lost.' };
  const members = [
    member(3, { ...sexed('male'), pen: 'cage 1', strain: 'Quell' }),
    member(4, { ...sexed('female'), pen: 'cage 1', strain: 'North', moves: [{ on: '2026-05-10', pen: 'cage 1' }] }),
  ];
  const stamps = { recordedBy: 'Bram', createdAt: '2026-05-01T10:00:00Z', updatedAt: '2026-05-01T10:00:00Z' };
  const pen = {
    ...{ id: ID(88), version: 1, hidden: false, guideId: ID(9), name: 'cage 1' },
    ...{ holds: 1, strain: 'Quell' },
    ...stamps,
  };
  mockStation.answer('writePen', ({ params, body }) => ({ ...(body as object), ...stamps, id: params!.id }));
  const empty = { ...pen, id: ID(89), name: 'cage 3', holds: 4, note: 'Leaks.' };
  const colony: Colony = { members, pens: [pen, empty], pairings: [], inbreeding: {}, problems: [] };
  const guide = { ...moths, heredity: { ...moths.heredity!, neverMix: [rule] } };
  await showScreen(<PensCard guide={guide} guideId={ID(9)} colony={colony} />);
  screen.getByText('1 female, 1 male · 2 of 1 places · for Quell');
  screen.getByText('1 more than it takes');
  screen.getByText('not of the strain it is kept for: Moth 4');
  screen.getByText('Quell and North are together here, and are kept apart: They would be lost.');
  await press('More of cage 1');
  await shown('2 of the book');
  await type('In cage 1 on', '2026-05-09');
  await shown('1 of the book');
  await type('In cage 1 on', 'May');
  await shown('Write the day as YYYY-MM-DD.');
  await press('Change it: cage 1');
  await type('What it is called', ' ');
  await press('Write the pen down');
  await shown('Give it a name.');
  await type('What it is called', 'Loft');
  await type('How many it takes', 'two');
  await press('Write the pen down');
  await shown('Write a whole number, or nothing.');
  await type('How many it takes', '2');
  await press('Write the pen down');
  await waitFor(() => expect(screen.queryByLabelText('Write the pen down')).toBeNull());
  expect(screen.queryByLabelText('Remove this pen')).toBeNull();
  screen.getByText('nobody is in it · 0 of 4 places · for Quell');
  screen.getByText('Leaks.');
  await press('More of cage 3');
  await press('Change it: cage 3');
  await press('Remove this pen');
  await waitFor(() => expect(sent('writePen')).toHaveLength(2));
  await press('Write a pen down');
  await type('What it is called', 'CAGE 1');
  await press('Write the pen down');
  await shown('There is a pen “cage 1” already; call this one otherwise.');
  await type('What it is called', 'cage 2');
  await press('North: Kept for the strain');
  await press('Write the pen down');
  await waitFor(() => expect(sent('writePen')).toHaveLength(3));
  expect(sent('writePen').map(({ body }) => body)).toEqual([
    { version: 1, hidden: false, guideId: ID(9), name: 'Loft', holds: 2, strain: 'Quell' },
    { version: 1, hidden: true, guideId: ID(9), name: 'cage 3', holds: 4, strain: 'Quell', note: 'Leaks.' },
    { version: 0, hidden: false, guideId: ID(9), name: 'cage 2', strain: 'North' },
  ]);
});
