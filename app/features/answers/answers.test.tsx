import { RequestProblem } from '@plesion/contract';
import type { AnswerList, AnswerWrite } from '@plesion/contract/answers';
import { ledgeCrabs } from '@plesion/demo';
import { screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { AnswersSheet } from './AnswersSheet';

let mockStation: FakeStation;
let mockRole = 'member';
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));

const ID = '0192f3a0-0000-7001-8000-0000000000d1';
const AT = '2026-05-12T10:00:00Z';
let list: AnswerList;
const sent = () =>
  mockStation.asked.filter(({ name }) => name === 'writeStockAnswer').map(({ given }) => (given as { body: AnswerWrite }).body);
const open = () => showScreen(<AnswersSheet guideId={ID} guide={ledgeCrabs} specimenId={ID} />);

beforeEach(() => {
  forgetForms();
  mockRole = 'member';
  mockStation = fakeStation();
  list = { answers: [], common: [{ called: 'murica', truth: 'cinerata', n: 3 }] };
  mockStation.answer('stockAnswers', () => list);
  mockStation.answer('writeStockAnswer', ({ params, body }) => {
    const one = { ...(body as AnswerWrite), id: params!.id, by: 'mira', at: AT };
    list = { answers: [one], common: [] };
    return one;
  });
  mockStation.answer('removeStockAnswer', () => {
    list = { ...list, answers: [] };
    return {};
  });
});

it('offers what is misnamed often, and keeps the answer to it, with its page', async () => {
  await open();
  await shown(/^No answer is kept yet/);
  await press('Write it: taken for Petralda murica, is Petralda cinerata, 3 times: without an answer');
  await type('What the station answers', 'Look at the front edge.');
  await press('Save: the answer');
  await shown('Look at the front edge.');
  expect(sent()).toEqual([{ guideId: ID, called: 'murica', truth: 'cinerata', text: 'Look at the front edge.' }]);
  expect(screen.getByLabelText(/^PDF: a page to send with the answer, taken for Petralda murica/)).toBeTruthy();
  await press(/^Change the answer/);
  await type('What the station answers', 'Look at the edge, from above.');
  await press('Save: the answer');
  await shown('Look at the edge, from above.');
  await press(/^Remove the answer/);
  await shown(/^No answer is kept yet/);
  await press(/^Undo: Removed: the answer to taken for Petralda murica/);
  await shown('Look at the edge, from above.');
  expect(sent().at(-1)).toEqual(sent().at(-2));
});

it('is written to any two of the guide, and stays typed where it could not be kept', async () => {
  mockStation.answer('writeStockAnswer', () => {
    throw new RequestProblem(400, { code: 'unknown-taxon', message: 'There is no such taxon.', field: 'truth' });
  });
  await open();
  await shown('Another answer');
  await press('Another answer: write one');
  await press('Save: the answer');
  expect(sent()).toEqual([]);
  const labels = (id: string) => {
    const { name, vernacular } = ledgeCrabs.taxa.find((taxon) => taxon.id === id)!;
    return `${vernacular} (${name})`;
  };
  const options = screen.getAllByText(labels('murica'));
  expect(options).toHaveLength(2);
  await press('Not now');
  await waitFor(() => expect(screen.queryByText(labels('murica'))).toBeNull());
});

it('is only read by a learner', async () => {
  mockRole = 'learner';
  list = {
    answers: [{ id: ID, guideId: ID, called: 'murica', truth: 'cinerata', text: 'Look at the edge.', by: 'tolmar', at: AT }],
    common: list.common,
  };
  await open();
  await shown('Look at the edge.');
  expect(screen.queryByText('Change')).toBeNull();
  expect(screen.queryByText('Write it')).toBeNull();
  expect(screen.queryByText('Another answer')).toBeNull();
});
