import { type GivenAnswer, RequestProblem } from '@plesion/contract';
import { compileGuide } from '@plesion/core/guide';
import { type Asked, type Item, practiceItem, scoreAnswer, whyOf } from '@plesion/core/practice';
import { planOf } from '@plesion/core/plates/plans';
import { ledgeCrabs } from '@plesion/demo';
import { screen, waitFor } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
import { PracticeScreen } from './PracticeScreen';

let mockStation: FakeStation;
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
const mockFocus = jest.fn();
jest.mock('../../ui/PageHeading', () => ({
  ...jest.requireActual<object>('../../ui/PageHeading'),
  focusHeading: () => mockFocus() as unknown,
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));

const compiled = compileGuide(ledgeCrabs);
const plan = planOf(ledgeCrabs)!;
let items: Item[];
let given: GivenAnswer[];

beforeEach(() => {
  given = [];
  mockStation = fakeStation();
  mockStation.answer('practiceItems', ({ body }) => {
    const { level, view, n } = body as unknown as Asked & { n: number };
    items = Array.from({ length: n }, (_, i) => practiceItem(compiled, plan, { level, view }, `item ${i}`)!);
    return { guideVersion: 1, items };
  });
  mockStation.answer('practiceAnswers', ({ body }) => {
    const { answers } = body as unknown as { answers: GivenAnswer[] };
    given.push(...answers);
    return {
      answers: answers.map(({ id, seed, answer }) => {
        const item = items.find((one) => one.seed === seed)!;
        const { group, best } = item.truth;
        return { id, truth: group, best, why: whyOf(compiled, item, answer.groups), ...scoreAnswer(item, answer) };
      }),
    };
  });
});

const open = () => showScreen(<PracticeScreen id={mockStation.idOf('ledge-crabs')} />);
const called = (id: string) => ledgeCrabs.taxa.find((taxon) => taxon.id === id)!.vernacular!;

it('an answer that says too little is asked for in words, and one that is whole is told with its truth and why', async () => {
  await open();
  await shown('Answer');
  await press('Answer');
  await shown('Say what it is, which two it may be, or that it cannot be told.');
  const { truth } = items[0];
  await press(called(truth.group));
  await press('Answer');
  await shown('Say how sure you are.');
  await press('certain');
  screen.getByText('certain: right 99 times in a hundred.');
  await press('Answer');
  await shown(`It is the ${called(truth.group)}.`);
  expect(given).toMatchObject([{ answer: { groups: [truth.group], sure: 'certain' }, seed: items[0].seed, guideVersion: 1 }]);
  // The button that was pressed is gone: the focus does not fall to nowhere.
  expect(mockFocus).toHaveBeenCalled();
  screen.getByText('Right');
  screen.getByText('1 of 1 right');
  const why = whyOf(compiled, items[0], [truth.group])!;
  if (why.remember) screen.getByText(why.remember);
  await press('Next');
  await shown('Answer');
  expect(screen.queryByText('Next')).toBeNull();
});

it('of three that are chosen the newest two stand, and that it cannot be told stands alone', async () => {
  await open();
  await shown('Answer');
  const [a, b, c] = items[0].choices.map(({ id }) => called(id));
  for (const one of [a, b, c]) await press(one);
  const chosen = () => screen.getAllByRole('checkbox', { checked: true });
  expect(chosen()).toHaveLength(2);
  expect(screen.getByRole('checkbox', { name: a, checked: false })).toBeTruthy();
  await press('cannot be told');
  expect(chosen()).toHaveLength(1);
  await press('Answer');
  await waitFor(() => expect(given).toMatchObject([{ answer: { groups: [], sure: 'guess' } }]));
  await shown('Next');
});

it('what could not be sent is said, and the answer stays as it was', async () => {
  await open();
  await shown('Answer');
  await press(called(items[0].choices[0].id));
  await press('sure');
  mockStation.answer('practiceAnswers', () => {
    throw new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
  });
  await press('Answer');
  await shown('The station’s server cannot be reached.');
  screen.getByRole('checkbox', { name: called(items[0].choices[0].id), checked: true });
});
