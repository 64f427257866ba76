import { RequestProblem } from '@plesion/contract';
import type { SetAnswer, SetSource, SetView } from '@plesion/contract/sets';
import { compiledFor } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { type Item, practiceItem, sayGroup, whyOf } from '@plesion/core/practice';
import { ledgeCrabs } from '@plesion/demo';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { MakeSetScreen } from './MakeSetScreen';
import { ResultsScreen } from './ResultsScreen';
import { SetScreen } from './SetScreen';
import { SetsScreen } from './SetsScreen';

let mockStation: FakeStation;
let mockRole = 'member';
const mockReplace = jest.fn();
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../ui/PageHeading', () => ({
  ...jest.requireActual<object>('../../ui/PageHeading'),
  focusHeading: () => undefined,
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ replace: mockReplace }),
}));
jest.mock('../../ui/useShortcuts', () => ({ useShortcuts: () => undefined }));

const ID = '0192f3a0-0000-7001-8000-0000000000c1';
const ASKED = { level: { kind: 'rank', rank: 'species' } as const, groups: ['murica', 'velloma'] };
const SEEDS = ['a', 'b'];
const itemOf = (seed: string): Item => practiceItem(compiledFor(ledgeCrabs), planOf(ledgeCrabs)!, ASKED, seed)!;
const called = (id: string) => sayGroup(ledgeCrabs, itemOf('a').choices.find((one) => one.id === id) ?? { id, label: id });
const other = (id: string) => itemOf('a').choices.find((one) => one.id !== id)!.id;

let view: SetView;
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const pressButton = (label: string | RegExp) => act(async () => fireEvent.press(screen.getByLabelText(label)));

beforeEach(() => {
  jest.clearAllMocks();
  forgetForms();
  mockRole = 'member';
  mockStation = fakeStation();
  view = {
    ...{ id: ID, version: 1, title: 'First crabs', guideId: mockStation.idOf('ledge-crabs'), guideVersion: 1, kind: 'lesson' },
    ...{ given: true, closed: false, told: false, hidden: false, madeBy: 'tolmar', updatedAt: '2026-05-12T10:00:00Z' },
    ...{ n: 2, begun: 0, answered: 0, answers: [] },
  };
  mockStation.answer('practiceSet', () => view);
  mockStation.answer('beginPracticeSet', () => {
    view = {
      ...view,
      begunAt: '2026-05-12T10:00:00Z',
      items: SEEDS.map((seed, n) => {
        const { truth, ...item } = itemOf(seed);
        return { n, asked: ASKED, item: { ...item, readings: truth.readings } };
      }),
    };
    return view;
  });
  mockStation.answer('answerPracticeSet', ({ body }): SetAnswer => {
    const { n, answer } = body as unknown as Pick<SetAnswer, 'n' | 'answer'>;
    const { truth } = itemOf(SEEDS[n]);
    const why = whyOf(compiledFor(ledgeCrabs), itemOf(SEEDS[n]), answer.groups);
    const right = answer.groups.includes(truth.group);
    const told = { truth: truth.group, p: right ? 0.9 : 0.1, bits: right ? 0.8 : -2, right, best: truth.best, why };
    return { n, answer, at: '2026-05-12T10:01:00Z', ...(view.kind === 'lesson' ? { told } : {}) };
  });
});

const say = async (id: string) => {
  await press(called(id));
  await press('sure');
  await press('Answer');
};

describe('a set that is taken', () => {
  it('for a lesson is told item by item, and summed up at its end', async () => {
    await showScreen(<SetScreen id={ID} />);
    await shown('After each answer you are told what it was, and why.');
    await shown('Begin');
    await press('Begin');
    await shown('Item 1 of 2');
    const [a, b] = SEEDS.map((seed) => itemOf(seed).truth.group);
    await say(a);
    await shown(`It is the ${called(a)}.`);
    screen.getByText('Right');
    await press('Next');
    await shown('Item 2 of 2');
    await say(other(b));
    await shown(`It is the ${called(b)}.`);
    screen.getByText('Not that');
    await press('Next');
    await shown('1 of 2 right.');
    screen.getByText(`1: ${called(a)}: right`);
    screen.getByText(`2: ${called(b)}; you said ${called(other(b))}`);
    expect(sent('answerPracticeSet')).toMatchObject([{ body: { n: 0 } }, { body: { n: 1 } }]);
  });

  it('as a test goes on without a word of what each was', async () => {
    view = { ...view, kind: 'test' };
    await showScreen(<SetScreen id={ID} />);
    await shown('Begin');
    await press('Begin');
    await shown('Item 1 of 2');
    await say('murica');
    await shown('Item 2 of 2');
    expect(screen.queryByText(/^It is the/)).toBeNull();
    await say('velloma');
    await shown('Thank you. What each was is told when whoever gave the test says so.');
    expect(screen.queryByText(/right/)).toBeNull();
  });

  it('that is refused keeps what was chosen, and says why', async () => {
    await showScreen(<SetScreen id={ID} />);
    await shown('Begin');
    await press('Begin');
    await shown('Item 1 of 2');
    mockStation.answer('answerPracticeSet', () => {
      throw new RequestProblem(0, { code: 'offline', message: 'There is no connection.' });
    });
    await say('murica');
    await shown('There is no connection.');
    expect(screen.getByRole('checkbox', { name: called('murica'), checked: true })).toBeTruthy();
    screen.getByText('Item 1 of 2');
  });

  it('whose time is over is shown as far as it came', async () => {
    mockStation.answer('practiceSet', () => ({ ...view, until: '2026-05-12T10:05:00Z', items: [], n: 2 }));
    await showScreen(<SetScreen id={ID} />);
    await shown('Nothing was answered.');
  });
});

describe('a set that is made', () => {
  const open = async () => {
    await showScreen(<MakeSetScreen guide={mockStation.idOf('ledge-crabs')} />);
    await shown('Add items');
  };

  it('by rule is drawn, changed item by item, and given', async () => {
    mockStation.answer('writePracticeSet', ({ params, body }) => ({
      ...(body as object),
      id: params!.id,
      begun: 0,
      answered: 0,
    }));
    await open();
    await press(called('murica'));
    await type('How many', '3');
    await press('Add them');
    await shown('Which kinds: choose two at the least, or none for all.');
    await press(called('velloma'));
    await press('Add them');
    await shown(/^3: /);
    await pressButton('Remove item 2');
    await waitFor(() => expect(screen.queryByText(/^3: /)).toBeNull());
    await press('Hand it out');
    await shown('Give it a title.');
    await type('Title', 'Two crabs');
    await type('Time limit', 'soon');
    await press('Hand it out');
    await shown(/^Give it as a number/);
    await type('Time limit', '10');
    const [first, second] = ['1', '2'].map((n) => screen.getByText(new RegExp(`^${n}: `)).props.children as string);
    await press('Hand it out');
    await waitFor(() => expect(mockReplace).toHaveBeenCalledWith(expect.stringMatching(/\/results$/)));
    const [{ body }] = sent('writePracticeSet') as unknown as { body: SetSource }[];
    expect(body).toMatchObject({ version: 0, title: 'Two crabs', kind: 'lesson', minutes: 10, given: true, guideVersion: 1 });
    expect(body.items).toHaveLength(2);
    // What is given is what was drawn.
    body.items.forEach(({ seed, asked }, i) => {
      expect(asked.groups).toEqual(['murica', 'velloma']);
      const { truth } = practiceItem(compiledFor(ledgeCrabs), planOf(ledgeCrabs)!, asked, seed)!;
      expect([first, second][i]).toBe(`${i + 1}: ${called(truth.group)}`);
    });
  });

  it('is there again after a reload', async () => {
    await open();
    await type('Title', 'Half a set');
    await type('How many', '1');
    await press('Add them');
    await shown(/^1: /);
    await open();
    expect(screen.getByLabelText('Title').props.value).toBe('Half a set');
    await shown(/^1: /);
  });
});

it('how it went is told by learner, by item and by what was taken for what, and its answers are told when one says so', async () => {
  const source: SetSource = { ...view, kind: 'test', begun: 2, items: SEEDS.map((seed) => ({ seed, asked: ASKED })) };
  const { group } = itemOf('a').truth;
  mockStation.answer('practiceSetSource', () => source);
  mockStation.answer('writePracticeSet', ({ body }) => ({ ...source, ...(body as object) }));
  mockStation.answer('practiceSetResults', () => ({
    learners: [{ name: 'rhea', begunAt: '2026-05-12T10:00:00Z', answered: 2, right: 1, bits: 0.25, seconds: 130 }],
    items: [{ n: 0, truth: group, answered: 2, right: 1, said: [{ group: other(group), n: 1 }] }],
    confused: [{ truth: group, said: other(group), n: 1 }],
  }));
  await showScreen(<ResultsScreen id={ID} />);
  await shown('rhea');
  screen.getByText('0.3 bits');
  screen.getByText('2 min');
  screen.getByText(`1: ${called(group)}`);
  screen.getByText('1 of 2 right');
  screen.getByText(`Said instead: ${called(other(group))} 1`);
  screen.getByText('not answered yet');
  screen.getByText('Make another from it');
  await press('Tell what each was');
  await shown('Hold the answers back');
  expect(sent('writePracticeSet')).toMatchObject([{ body: { told: true, version: 1, kind: 'test' } }]);
});

it('the sets are listed with where each stands; who learns makes none', async () => {
  mockStation.answer('practiceSets', () => ({
    sets: [
      { ...view, answered: 1 },
      { ...view, id: ID.replace('c1', 'c2'), title: 'Draft', given: false },
    ],
  }));
  await showScreen(<SetsScreen />);
  await shown('First crabs');
  screen.getByText(/1 answered by you/);
  screen.getByText(/not handed out yet/);
  screen.getByText('Make a set');
  mockRole = 'learner';
  await showScreen(<SetsScreen />);
  await shown('First crabs');
  expect(screen.queryByText('Make a set')).toBeNull();
  expect(screen.queryByText(/^Results of/)).toBeNull();
});
