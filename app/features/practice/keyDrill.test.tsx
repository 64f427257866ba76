import type { GivenAnswer, StoredKey } from '@plesion/contract';
import { compiledFor } from '@plesion/core/guide';
import { coupletIndex } from '@plesion/core/keys';
import { planOf } from '@plesion/core/plates/plans';
import type { Item } from '@plesion/core/practice';
import { keyDrill } from '@plesion/core/practice/keyDrill';
import { dallowKey, terns } from '@plesion/demo';
import { screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown } from '../../test/showScreen';
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

const KEY_ID = '0192f3a0-0000-7001-8000-0000000000b1';
let given: GivenAnswer[];
let keys: object[];
beforeEach(() => {
  forgetForms();
  given = [];
  mockStation = fakeStation();
  const row = {
    ...{ id: KEY_ID, title: dallowKey.title, version: 2, couplets: 5, endpoints: 6, faults: 0, hidden: false },
    updatedAt: '2026-01-05T10:00:00.000Z',
  };
  keys = [row];
  mockStation.answer('keys', () => ({ keys }));
  mockStation.answer('key', (): StoredKey => ({ ...row, key: dallowKey, problems: [], depth: 5 }));
  mockStation.answer('practiceStanding', () => ({ guides: [], memories: [] }));
  mockStation.answer('practiceAnswers', ({ body }) => {
    given.push(...(body as unknown as { answers: GivenAnswer[] }).answers);
    return { answers: [] };
  });
});

const open = async () => {
  await showScreen(<PracticeScreen id={mockStation.idOf('tessary-terns')} />);
  await shown('What is shown');
  await press('walk a key');
};

/** The leads that are offered now, as the buttons say them. */
const offered = () =>
  screen
    .getAllByRole('button', { name: /^Take \d+[a-z], key/ })
    .map((one) => /Take (\d+)([a-z])/.exec(one.props.accessibilityLabel as string)!.slice(1));

it('a walk judges each couplet at once, says what it goes by, and ends with what it is and how long each took', async () => {
  await open();
  await shown('Couplet 1');
  for (;;) {
    const [[number, lead]] = offered();
    await press(`Take ${number}${lead}, key 1`);
    await shown(/^(Right|Not)/);
    // What shows it is said with it.
    expect(screen.getAllByText(/: .*\.$/).length).toBeGreaterThan(1);
    if (screen.queryByText('What it is')) break;
    await press('On');
  }
  await press('What it is');
  await shown(/^It is the /);
  await waitFor(() => expect(given).toHaveLength(1));
  const [{ asked, answer, seed }] = given;
  expect(asked).toEqual({ level: { kind: 'rank', rank: 'species' }, walk: { keyId: KEY_ID, keyVersion: 2 } });
  const item: Item = keyDrill(compiledFor(terns), planOf(terns)!, dallowKey, asked, seed)!;
  expect(answer.steps!.map(({ couplet }) => couplet)).toEqual(item.drill!.steps.map(({ couplet }) => couplet));
  const right = item.drill!.steps.filter(({ leads }, i) => leads.includes(answer.steps![i].lead)).length;
  screen.getByText(new RegExp(`^${right} of ${item.drill!.steps.length} couplets right, in `));
  for (const { couplet } of item.drill!.steps)
    expect(screen.getAllByText(coupletIndex(dallowKey).get(couplet)!.number).length).toBeGreaterThan(0);
  await press('Next');
  await shown('Couplet 1');
  expect(offered().length).toBeGreaterThan(1);
});

it('in words, the marks that are asked are said instead of drawn', async () => {
  await open();
  await shown('Couplet 1');
  screen.getByLabelText(/^An individual, /);
  await press('Tell it in words');
  expect(screen.queryByLabelText(/^An individual, /)).toBeNull();
  const nape = terns.characters.find(({ id }) => id === 'nape')!;
  screen.getByText(new RegExp(`^${nape.label}: `));
});

it('without a key it says so, and where to make one', async () => {
  keys = [];
  await open();
  await shown('No key to this guide yet');
  screen.getByText('Make one from the guide');
});
