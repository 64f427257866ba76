import type { GivenAnswer } from '@plesion/contract';
import { compiledFor } from '@plesion/core/guide';
import { countsOf, type Item, oddOf, practiceItem, sayGroup } from '@plesion/core/practice';
import { planOf } from '@plesion/core/plates/plans';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { PracticeScreen } from './PracticeScreen';

let mockStation: FakeStation;
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../ui/PageHeading', () => ({
  ...jest.requireActual<object>('../../ui/PageHeading'),
  focusHeading: () => undefined,
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira' }, station: { id: '0192f3a0-0000-7001-8000-0000000000f0' } }),
}));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));
jest.mock('../../ui/useShortcuts', () => ({ useShortcuts: () => undefined }));

let given: GivenAnswer[];
beforeEach(() => {
  forgetForms();
  given = [];
  mockStation = fakeStation();
  mockStation.answer('practiceStanding', () => ({ guides: [], memories: [] }));
  mockStation.answer('practiceAnswers', ({ body }) => {
    given.push(...(body as unknown as { answers: GivenAnswer[] }).answers);
    return { answers: [] };
  });
});

const open = async (way: string) => {
  await showScreen(<PracticeScreen id={mockStation.idOf('ledge-crabs')} />);
  await shown('What is shown');
  await press(way);
};
/** The item that was answered, made once more. */
const answered = async (): Promise<{ item: Item; answer: GivenAnswer['answer'] }> => {
  await waitFor(() => expect(given).toHaveLength(1));
  const [{ asked, seed, answer }] = given;
  return { answer, item: practiceItem(compiledFor(ledgeCrabs, asked.situation), planOf(ledgeCrabs)!, asked, seed)! };
};
const name = ({ choices }: Item, id: string) =>
  sayGroup(
    ledgeCrabs,
    choices.find((one) => one.id === id)!,
  );

it('the odd one of twenty is touched, and told with what it is and by what', async () => {
  await open('the odd one of twenty');
  await shown('One of them is of another kind. Which?');
  await press('Answer');
  await shown('Touch the odd one.');
  expect(screen.getAllByLabelText(/^Number \d+$/)).toHaveLength(20);
  await press('Number 4');
  await press('Answer');
  await shown(/is the odd one/);
  const { item, answer } = await answered();
  expect(answer).toMatchObject({ groups: [], picked: 3 });
  screen.getByText(`Number ${oddOf(item) + 1} is the odd one: the ${name(item, item.truth.group)}.`);
  screen.getByText(oddOf(item) === 3 ? 'Right' : 'Not that');
  await press('Next');
  await shown('One of them is of another kind. Which?');
});

it('the twenty can be told in words, and the odd one said by its number', async () => {
  await open('the odd one of twenty');
  await press('Tell them in words');
  expect(screen.getAllByText(/^\d+: /)).toHaveLength(20);
  await type('The number of the odd one', '21');
  await press('Answer');
  await shown('Touch the odd one.');
  await type('The number of the odd one', '20');
  await press('Answer');
  expect((await answered()).answer).toMatchObject({ picked: 19 });
});

it('how many there are is said of a flock that is gone, and told with how far it was off', async () => {
  await open('how many');
  screen.getByLabelText('A flock');
  await type('How many, about', 'some');
  await press('Answer');
  await shown('Say about how many there are.');
  await type('How many, about', '50');
  fireEvent(screen.getByLabelText('How many, about'), 'submitEditing');
  await shown(/^There were \d+\.$/);
  const { item, answer } = await answered();
  const n = item.flock!.members.length;
  expect(answer).toMatchObject({ number: 50 });
  screen.getByText(`There were ${n}.`);
  if (n === 50) screen.getByText('You said just that.');
  else screen.getByText(`You said 50: ${Math.round((100 * Math.abs(50 - n)) / n)} in a hundred too ${50 < n ? 'few' : 'many'}.`);
});

it('a colony is counted by a button a kind, the last press taken back, and the counts told beside the true ones', async () => {
  await open('count each kind');
  await shown('How many of each?');
  await press('Answer');
  await shown('Count them: press a button for each that you see.');
  const [first, second] = ['female', 'male'];
  for (const key of ['key 1', 'key 1', 'key 2', 'key 2']) await press(key);
  const button = (key: string) => within(screen.getAllByRole('button').find((one) => within(one).queryByText(key))!);
  button('key 1').getByText('2');
  await press('Undo the last one');
  button('key 2').getByText('1');
  await press('Answer');
  const { item, answer } = await answered();
  const idOf = (said: string) => item.choices.find(({ id }) => name(item, id) === said)!.id;
  expect(answer.counts).toEqual({ [idOf(first)]: 2, [idOf(second)]: 1 });
  const counts = countsOf(item.flock!);
  const table = within(screen.getByLabelText('What was counted'));
  for (const { id } of item.choices) {
    table.getByText(name(item, id));
    expect(table.getAllByText(String(counts.get(id) ?? 0)).length).toBeGreaterThan(0);
  }
});
