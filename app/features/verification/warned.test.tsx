import type { StoredGuide } from '@plesion/contract';
import type { reply as coreReply } from '@plesion/core/analysis';
import type { ask as coreAsk } from '@plesion/core/analysis/ask';
import type { Reading } from '@plesion/core/observation';
import type { Overturned } from '@plesion/core/verification';
import { screen, waitFor } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { showScreen, shown } from '../../test/showScreen';
import { WarnedBefore } from './WarnedBefore';

let mockStation: FakeStation;
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../analysis/weigher', () => {
  const { reply } = jest.requireActual<{ reply: typeof coreReply }>('@plesion/core/analysis');
  const { ask } = jest.requireActual<{ ask: typeof coreAsk }>('@plesion/core/analysis/ask');
  return {
    askWorker: (name: never, asked: never, known: never) => ask((request) => Promise.resolve(reply(request)), name, asked, known),
  };
});
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const dense: Reading = { character: 'granules', states: ['dense'] };
const overturned = (id: string): Overturned => ({
  specimenId: id,
  ...{ kind: 'dissection', on: '2026-05-12', called: { taxon: 'murica', facets: {} }, truth: { taxon: 'velloma', facets: {} } },
  ...{
    lead: dense,
    margin: 8,
    misled: 'Granules mislead.',
    told: { character: 'claw-gape', read: true, text: 'The gape tells.' },
  },
});

let stored: StoredGuide;
beforeEach(async () => {
  mockStation = fakeStation();
  const id = mockStation.idOf('ledge-crabs');
  stored = (await mockStation.api('guide', { params: { id } })) as StoredGuide;
  mockStation.answer('overturned', () => ({ overturned: [overturned(id), overturned(id)] }));
});
const show = (readings: Reading[]) => showScreen(<WarnedBefore stored={stored} content={{ situation: {}, readings }} />);

it('warns where the pattern of an overturned call returns, with what misled, what told, and the record', async () => {
  await show([dense]);
  await shown('So it looked before, and it was not so');
  screen.getByText('Called Petralda murica; known on 12 May 2026 by dissection: Petralda velloma.');
  screen.getByText('What misled: Granules mislead.');
  screen.getByText('What told in the end: The gape tells.');
  screen.getByText('That record; 1 more looked so');
});

it('is silent where it was read otherwise, and asks for nothing to be weighed where nothing is read', async () => {
  await show([{ character: 'granules', states: ['smooth'] }]);
  await waitFor(() => expect(mockStation.asked.map(({ name }) => name)).toContain('overturned'));
  await show([]);
  expect(screen.queryByText(/So it looked before/)).toBeNull();
});
