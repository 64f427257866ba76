import { type PracticeStanding, RequestProblem } from '@plesion/contract';
import type { Judgement } from '@plesion/core/guide';
import { eyeOf, rhoOf } from '@plesion/core/practice';
import { ledgeCrabs } from '@plesion/demo';
import { screen } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { OwnReading } from './OwnReading';

let mockStation: FakeStation;
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({ useSession: () => ({ account: { name: 'mira' }, station: { id: 's' } }) }));

const fringe = ledgeCrabs.characters.find(({ id }) => id === 'leg-fringe')!;
const prior = fringe.reliability ?? ledgeCrabs.settings.reliability;
const GUIDE = '0192f3a0-0000-7001-8000-0000000000a1';

const practised = (marks: PracticeStanding['guides'][number]['marks']): PracticeStanding => ({
  guides: [
    {
      ...{ guideId: GUIDE, level: { kind: 'rank', rank: 'species' }, answers: 40, right: 20, bits: 0 },
      ...{ confused: [], certainty: [], weeks: [], lately: [], flocks: [], walks: [], marks },
    },
  ],
  memories: [],
});

beforeEach(() => {
  mockStation = fakeStation();
});

async function show(judgement: Judgement = {}) {
  const onJudge = jest.fn();
  await showScreen(<OwnReading guideId={GUIDE} guide={ledgeCrabs} judgement={judgement} onJudge={onJudge} />);
  return onJudge;
}

it('one’s own reading of a mark is told beside the guide’s, and counts when it is switched on', async () => {
  mockStation.answer('practiceStanding', () => practised([{ character: 'leg-fringe', answers: 40, right: 20 }]));
  const onJudge = await show({ treatment: 'any' });
  const rho = Math.round(100 * rhoOf(prior, { answers: 40, right: 20 }).rho) / 100;
  expect(rho).toBeLessThan(prior);
  await shown(`As you have practised: ${fringe.label} ${rho.toFixed(2)} (the guide’s ${prior.toFixed(2)}).`);
  await press('Use my own reading');
  expect(onJudge).toHaveBeenCalledWith({ treatment: 'any', reader: { name: 'mira', rho: { 'leg-fringe': rho } } });
});

it('values by eye count as one’s eye is known, from five on', async () => {
  const ratio = ledgeCrabs.characters.find(({ id }) => id === 'width-ratio')!;
  const mark = { character: ratio.id, answers: 12, right: 6, bias: { values: 12, ratio: 1.2, spread: 0.2 } };
  mockStation.answer('practiceStanding', () => practised([mark]));
  const onJudge = await show();
  const own = eyeOf(mark.bias);
  const eye = { ratio: Math.round(100 * own.ratio) / 100, spread: Math.round(100 * own.spread) / 100 };
  expect(eye.ratio).toBeGreaterThan(1.05);
  await shown(
    `As you have practised: ${ratio.label} by eye ${Math.round(100 * (eye.ratio - 1))} in a hundred too much in the middle, scattering by ${Math.round(100 * eye.spread)} in a hundred.`,
  );
  await press('Use my own reading');
  expect(onJudge).toHaveBeenCalledWith({ reader: { name: 'mira', rho: {}, eye: { [ratio.id]: eye } } });
});

it('few values by eye tell nothing yet', async () => {
  const mark = { character: 'width-ratio', answers: 4, right: 2, bias: { values: 4, ratio: 1.2, spread: 0.2 } };
  mockStation.answer('practiceStanding', () => practised([mark]));
  await show();
  await shown('After practice with its marks, your own reading of them can count here.');
});

it('is said with its reader where it counts, and can be taken back', async () => {
  mockStation.answer('practiceStanding', () => practised([]));
  const onJudge = await show({ treatment: 'any', reader: { name: 'tolmar', rho: { 'leg-fringe': 0.6 } } });
  screen.getByText(`tolmar’s own reading counts: ${fringe.label} 0.60 (the guide’s ${prior.toFixed(2)}).`);
  await press('As the guide has it');
  expect(onJudge).toHaveBeenCalledWith({ treatment: 'any', reader: undefined });
});

it('without practice, or without a connection, says so', async () => {
  mockStation.answer('practiceStanding', () => practised([]));
  await show();
  await shown('After practice with its marks, your own reading of them can count here.');
  screen.unmount();
  mockStation.answer('practiceStanding', () => {
    throw new RequestProblem(0, { code: 'offline', message: 'The server cannot be reached.' });
  });
  await show();
  await shown('Your practice cannot be had without a connection.');
});
