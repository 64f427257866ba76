import { RequestProblem } from '@plesion/contract';
import type { Colony, ColonyMember, RankedPairs } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import type { Kept } from '@plesion/core/colony/schema';
import { act, screen } from '@testing-library/react-native';
import { today } from '../../lib/dates';
import { forgetForms } from '../../lib/keptForm';
import { startAt } from '../../test/address';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown, type } from '../../test/showScreen';
import { AheadScreen } from './AheadScreen';
import { CareCard } from './CareCard';
import { goalsOf } from './goals';
import { nextMarks } from './nextMarks';
import { NewPairing } from './PairingForm';
import { PairingPage } from './PairingPage';
import { PairsScreen } from './PairsScreen';
import { Reminders } from './Reminders';
import { demoGuides } from '@plesion/demo';

let mockStation: FakeStation;
const mockRouter = { push: jest.fn(), replace: jest.fn() };
let mockParams: Record<string, string> = {};
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' }, account: { name: 'Bram' } }) }));
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, Link: ({ children }: { children: object }) => children }));
jest.mock('../../lib/useParams', () => ({ useParams: () => mockParams }));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));

const moths = demoGuides.find(({ id }) => id === 'lantern-moths')!;
const ID = (n: number) => `0192f3a0-0000-7485-8000-${String(n).padStart(12, '0')}`;
const member = (n: number, kept: Partial<Kept> = {}): ColonyMember => ({
  ...{ id: ID(n), version: 1, label: `Moth ${n}`, name: `Moth ${n}` },
  kept: { status: 'here', phenotypes: {}, ...kept },
});
const sexed = (called: 'female' | 'male') => ({ sex: { called, certainty: 1 } });
let guideId: string;
let colony: Colony;
const pairing = (more: Partial<Pairing>): Pairing => ({
  ...{ id: ID(900), version: 3, hidden: false, guideId, fathers: [ID(3)], mothers: [ID(4)], from: '2026-05-01', clutches: [] },
  ...{ recordedBy: 'Bram', createdAt: '2026-05-01T10:00:00Z', updatedAt: '2026-05-01T10:00:00Z' },
  ...more,
});
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);

beforeEach(() => {
  forgetForms();
  jest.clearAllMocks();
  mockStation = fakeStation();
  guideId = mockStation.idOf('lantern-moths');
  mockParams = { guide: guideId, id: ID(900) };
  startAt({ guide: guideId });
  colony = {
    members: [member(3, sexed('male')), member(4, sexed('female')), member(5)],
    pairings: [],
    pens: [],
    inbreeding: {},
    problems: [],
  };
  mockStation.answer('colony', () => colony);
});

it('two are put together; where their strains are kept apart, the reason is asked for and goes with them', async () => {
  let refused = true;
  mockStation.answer('writePairing', () => {
    if (!refused) return pairing({});
    refused = false;
    throw new RequestProblem(400, { code: 'never-mix', field: 'override', message: 'Quell and North are kept apart: because.' });
  });
  await showScreen(<NewPairing />);
  await shown('New pairing');
  await press('Pair them');
  screen.getByText('Say who is the father, or who may be.');
  await choose('Father', 'Moth 3');
  await choose('Mother', 'Moth 4');
  await press('Mother: perhaps another');
  await choose('Mother, or else', 'Moth 5');
  await press('Pair them');
  await shown('Quell and North are kept apart: because.');
  await type('Why all the same', 'a trial');
  await press('Pair them');
  expect(sent('writePairing').at(-1)).toMatchObject({
    body: { version: 0, guideId, fathers: [ID(3)], mothers: [ID(4), ID(5)], from: today(), override: 'a trial', clutches: [] },
  });
  expect(mockRouter.replace).toHaveBeenCalledWith(
    expect.stringMatching(new RegExp(`^/field/colony/pairings/.*guide=${guideId}$`)),
  );
});

it('a clutch is written down, hatches, and its young go into the book in one go', async () => {
  colony.pairings = [pairing({})];
  mockStation.answer('writePairing', ({ body }) => {
    colony = { ...colony, pairings: [pairing({ ...(body as object), version: colony.pairings[0].version + 1 })] };
    return colony.pairings[0];
  });
  mockStation.answer('writeYoung', () => ({ young: [] }));
  await showScreen(<PairingPage />);
  await shown('Moth 3 with Moth 4');
  await press('Write the clutch down');
  screen.getByText('Write how many there are.');
  await type('Eggs', '6');
  await act(async () => screen.unmount());
  await showScreen(<PairingPage />);
  await shown('Moth 3 with Moth 4');
  await press('Write the clutch down');
  await shown(/^6 eggs · due /);
  expect(sent('writePairing')[0]).toMatchObject({ body: { version: 3, clutches: [{ laid: today(), eggs: 6 }] } });
  expect(Object.keys((sent('writePairing')[0] as { body: object }).body)).not.toContain('recordedBy');
  await type('Young', '5');
  await type('Eggs lost', '2');
  await press('It hatched');
  expect(await screen.findAllByText('There were 6 eggs; hatched and lost come to more.')).toHaveLength(2);
  await type('Young', '2');
  await type('Hatched on', '2026-04-01');
  await shown(/^It was laid on /);
  const before = sent('writePairing').length;
  await press('It hatched');
  expect(sent('writePairing')).toHaveLength(before);
  await type('Hatched on', today());
  await act(async () => screen.unmount());
  await showScreen(<PairingPage />);
  await shown(/^6 eggs · due /);
  await press('It hatched');
  await shown(/· 2 young · 2 lost$/);
  await press('Write its young down');
  await choose('Young 1 is a', 'female');
  await choose('The morph of young 1', 'pale morph');
  await type('Mark of young 2', ' ');
  await press('Write all 2 down');
  screen.getByText('Give it a mark or a name.');
  await type('Mark of young 2', 'Moth 7b');
  await press('Write all 2 down');
  const clutch = colony.pairings[0].clutches[0].id;
  expect(sent('writeYoung')[0]).toMatchObject({
    params: { id: ID(900) },
    body: {
      clutch,
      young: [
        { label: 'Moth 6', sex: 'female', phenotypes: { morph: 'pale' } },
        { label: 'Moth 7b', phenotypes: {} },
      ],
    },
  });
});

it('pairs are ranked for what is wanted; those that are kept apart say why', async () => {
  const pair = {
    father: ID(3),
    mother: ID(4),
    p: 0.25,
    expected: 5,
    atLeastOne: 0.9968,
    inbreeding: 0.125,
    shares: { Quell: 1 },
    apart: [],
  };
  mockStation.answer('rankPairs', (): RankedPairs => ({
    pairs: [pair, { ...pair, mother: ID(5), bits: undefined, shares: { Quell: 0.5, North: 0.5 }, apart: ['Never.'] }],
    ...{ looked: 9, inbred: 2, mixed: 0 },
  }));
  await showScreen(<PairsScreen />);
  await shown('Which pair would do best?');
  await choose('What is wanted', 'Young of the morph “pale morph”');
  await choose('Only', 'males');
  await choose('How near kin they may be', 'F up to 0.125');
  await shown('9 pairs looked at, 2 left out as too near kin');
  expect(sent('rankPairs').at(-1)).toMatchObject({
    body: { goal: { shows: { character: 'morph', state: 'pale' }, sex: 'male' }, clutch: 20, mostInbred: 0.125, pure: false },
  });
  screen.getByText('1. Moth 3 with Moth 4');
  screen.getByText('F of the young 0.125 · all Quell');
  screen.getByText('Kept apart: Never.');
  await press('Pair them: Moth 3 with Moth 4');
  expect(mockRouter.push).toHaveBeenCalledWith(`/field/colony/pairings/new?guide=${guideId}&father=${ID(3)}&mother=${ID(4)}`);
});

it('five generations are played by a rule, and told with what nine runs in ten come to', async () => {
  const spread = (mean: number) => ({ mean, low: mean / 2, high: Math.min(1, mean * 2) });
  const generation = (n: number) => ({
    ...{ runs: n < 4 ? 100 : 97, young: spread(24), inbreeding: spread(n / 10) },
    alleles: [{ locus: 'pale', allele: 'p', frequency: spread(0.3) }],
    shows: [{ character: 'morph', state: 'pale', share: spread(0.2) }],
  });
  mockStation.answer('ahead', () => ({ generations: [0, 1, 2, 3, 4].map(generation) }));
  await showScreen(<AheadScreen />);
  await shown('What shows, and what is carried');
  screen.getByText('In 3 of 100 runs there was nobody of one sex before the last generation.');
  expect(screen.getAllByText('20 (10–40)')).toHaveLength(5);
  await shown(/^Inbreeding F, generation by generation/);
  const before = sent('ahead').length;
  await choose('Who is paired', 'those that show something');
  screen.getByText('Choose what is bred for.');
  expect(sent('ahead')).toHaveLength(before);
  await choose('What is bred for', 'Young of the morph “pale morph”');
  await type('Pairs a generation', '21');
  screen.getByText('Write a whole number from 1 to 20.');
  await type('Pairs a generation', '3');
  await shown('What shows, and what is carried');
  expect(sent('ahead').at(-1)).toMatchObject({
    body: { rule: 'show', goal: { character: 'morph', state: 'pale' }, pairs: 3, clutch: 6, generations: 5, seed: '1' },
  });
});

it('a guide lets one want what its young may show, and to be told of what is hidden', () => {
  expect(goalsOf(moths).map(({ label }) => label)).toEqual([
    ...['wild type', 'pale morph', 'smoke morph'].map((state) => `Young of the morph “${state}”`),
    'Tell soonest who carries “pale morph”',
  ]);
});

it('what is to be done stands with its day and leads there', async () => {
  const clutches = [{ id: ID(901), laid: '2026-05-01', eggs: 4 }];
  colony = { ...colony, pairings: [pairing({ pen: 'cage 2', clutches })] };
  await showScreen(<Reminders guide={moths} guideId={guideId} colony={colony} />);
  screen.getByText('A clutch of Moth 3 and Moth 4 is due to hatch');
  screen.getByText('cage 2 · since 12 May 2026');
});

it('a move and a weight are lines of their own, and what was written stays', async () => {
  mockStation.answer('writeIndividual', () => ({}));
  const before = { ...sexed('male'), pen: 'cage 1', weights: [{ on: '2026-05-01', grams: 1.1 }] };
  await showScreen(<CareCard guideId={guideId} member={{ ...member(3, before), note: 'of old' }} pens={['cage 1', 'cage 2']} />);
  expect(screen.getByLabelText('Write the line')).toBeDisabled();
  await type('Weight, g', 'heavy');
  await press('Write the line');
  screen.getByText('Write the weight in grams.');
  await type('Weight, g', '1,25');
  await type('Moved to', 'cage 2');
  await press('Write the line');
  expect(sent('writeIndividual')[0]).toMatchObject({
    body: {
      ...{ version: 1, note: 'of old' },
      kept: {
        ...{ pen: 'cage 2', sex: { called: 'male' }, moves: [{ on: today(), pen: 'cage 2' }] },
        weights: [
          { on: '2026-05-01', grams: 1.1 },
          { on: today(), grams: 1.25 },
        ],
      },
    },
  });
});

it('marks go on where they stopped', () => {
  expect(nextMarks(['Moth 84', 'Moth 9', 'Old Grey'], 2)).toEqual(['Moth 85', 'Moth 86']);
  expect(nextMarks(['A-007', 'B-002'], 1)).toEqual(['A-008']);
  expect(nextMarks([], 2)).toEqual(['1', '2']);
});
