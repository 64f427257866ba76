import { type GivenAnswer, type PracticeStanding, RequestProblem } from '@plesion/contract';
import { compiledFor } from '@plesion/core/guide';
import { type Item, practiceItem, remember, scoreSpot, whyOf } from '@plesion/core/practice';
import { planOf } from '@plesion/core/plates/plans';
import { ledgeCrabs } from '@plesion/demo';
import { act, screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { outbox } from '../../lib/outbox/outbox';
import { fakeStation, type FakeStation, STATION } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { sendWaiting } from '../records/sending';
import { keptTurn } from './keptTurn';
import { PracticeItem } from './PracticeItem';
import { PracticePlace } from './PracticePlace';
import { PracticeScreen } from './PracticeScreen';
import { StandingScreen } from './StandingScreen';

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
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira' }, station: { id: '0192f3a0-0000-7001-8000-0000000000f0' } }),
}));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));
jest.mock('./lazyCharts', () => ({ WeeksChart: () => null }));
jest.mock('../../ui/lazyCalibrationChart', () => ({ CalibrationChart: () => null }));
jest.mock('../../ui/useShortcuts', () => ({ useShortcuts: () => undefined }));

const plan = planOf(ledgeCrabs)!;
let given: GivenAnswer[];
let standing: PracticeStanding;

beforeEach(() => {
  forgetForms();
  given = [];
  standing = { guides: [], memories: [] };
  mockStation = fakeStation();
  mockStation.answer('practiceStanding', () => standing);
  mockStation.answer('practiceAnswers', ({ body }) => {
    given.push(...(body as unknown as { answers: GivenAnswer[] }).answers);
    return { answers: [] };
  });
});

const guideId = () => mockStation.idOf('ledge-crabs');
const open = async () => {
  await showScreen(<PracticeScreen id={guideId()} />);
  await shown('Answer');
  await shown('What is shown');
};
const called = (id: string) => ledgeCrabs.taxa.find((taxon) => taxon.id === id)!.vernacular!;
/** The item that an answer was given to, made once more. */
const itemOf = ({ asked, seed }: GivenAnswer): Item => practiceItem(compiledFor(ledgeCrabs, asked.situation), plan, asked, seed)!;
const offered = () =>
  screen
    .getAllByRole('checkbox')
    .map((one) => one.props.accessibilityLabel as string)
    .filter((label) => label !== 'cannot be told');

it('an answer that says too little is asked for in words, and one that is whole is told with its truth and why', async () => {
  await open();
  await shown('Two that are new to you.');
  await press('Answer');
  await shown('Say what it is, which two it may be, or that it cannot be told.');
  const [first] = offered();
  await press(first);
  await press('Answer');
  await shown('Say how sure you are.');
  await press('certain');
  screen.getByText('certain: right 99 times in a hundred.');
  await press('Answer');
  await shown(/^It is the /);
  await waitFor(() => expect(given).toHaveLength(1));
  const item = itemOf(given[0]);
  screen.getByText(`It is the ${called(item.truth.group)}.`);
  const right = called(item.truth.group) === first;
  screen.getByText(right ? 'Right' : 'Not that');
  screen.getByText(`${right ? 1 : 0} of 1 right`);
  expect(given).toMatchObject([{ guideId: guideId(), guideVersion: 1, answer: { sure: 'certain' }, asked: { hard: 0 } }]);
  // The button that was pressed is gone: the focus does not fall to nowhere.
  expect(mockFocus).toHaveBeenCalled();
  const why = whyOf(compiledFor(ledgeCrabs), item, given[0].answer.groups)!;
  if (why.remember) screen.getByText(why.remember);
  await press('Next');
  await shown('Answer');
  expect(screen.queryByText('Next')).toBeNull();
  // A pair that was just asked rests where there are others.
  expect(offered()).not.toEqual(item.choices.map(({ id }) => called(id)));
});

it('of three that are chosen the newest two stand, and that it cannot be told stands alone', async () => {
  await open();
  await press('as they live');
  await waitFor(() => expect(offered().length).toBeGreaterThan(2));
  const [a, b, c] = offered();
  for (const one of [a, b, c]) await press(one);
  const chosen = () => screen.getAllByRole('checkbox', { checked: true });
  expect(chosen()).toHaveLength(2);
  expect(screen.getByRole('checkbox', { name: a, checked: false })).toBeTruthy();
  await press('cannot be told');
  expect(chosen()).toHaveLength(1);
  await press('Answer');
  await waitFor(() => expect(given).toMatchObject([{ answer: { groups: [], sure: 'guess' } }]));
  expect(given[0].asked).toEqual({ level: { kind: 'rank', rank: 'species' } });
});

it('what was begun is there again after a reload: the same item, and what was said of it', async () => {
  await open();
  const all = offered();
  await press(all[1]);
  await press('sure');
  screen.unmount();
  await open();
  expect(offered()).toEqual(all);
  screen.getByText('sure: right 92 times in a hundred.');
  const chosen = screen.getAllByRole('checkbox', { checked: true });
  expect(chosen.map((one) => one.props.accessibilityLabel as string)).toEqual([all[1]]);
  await press('Answer');
  await shown(/^It is the /);
  await waitFor(() => expect(given).toHaveLength(1));
  const [{ seed }] = given;
  // Once it is answered, a reload goes on.
  screen.unmount();
  await open();
  expect(screen.queryByText('sure: right 92 times in a hundred.')).toBeNull();
  await press('cannot be told');
  await press('Answer');
  await waitFor(() => expect(given).toHaveLength(2));
  expect(given[1].seed).not.toBe(seed);
});

it('what was begun, and the guide has no more, gives way to another item', async () => {
  const asked = { level: { kind: 'rank', rank: 'species' } as const, groups: ['murica', 'gone'] };
  keptTurn(guideId()).keep({ about: JSON.stringify({ way: 'need' }), seed: 'left', asked, why: 'due' });
  await open();
  await shown('Two that are new to you.');
  expect(offered()).toHaveLength(2);
});

it('one mark alone is read, and told as it is', async () => {
  await open();
  await press('one mark');
  await type(/^The mark: find one of/, 'hair');
  await press('Hair on the legs');
  await shown('Hair on the legs: what do you see?');
  expect(screen.queryByText('How sure')).toBeNull();
  await press('Answer');
  await shown('Say what you see in it.');
  const states = ledgeCrabs.characters.find(({ label }) => label === 'Hair on the legs')!.states!;
  await press(states[0].label);
  await press('Answer');
  await waitFor(() => expect(given).toHaveLength(1));
  const reading = itemOf(given[0]).truth.readings.find(({ character }) => character === given[0].asked.character)!;
  const shownAs = states.find(({ id }) => id === reading.states![0])!.label;
  screen.getByText(`Hair on the legs: ${shownAs}.`);
  screen.getByText(shownAs === states[0].label ? 'Right' : 'Not that');
});

it('the mark that was gone by is said before the name, and told with what it was worth', async () => {
  await open();
  await press('Or choose it from the list');
  const [mark] = screen
    .getAllByRole('radio')
    .map((one) => one.props.accessibilityLabel as string)
    .filter((label) => /claw/.test(label));
  await press(mark);
  await press(offered()[0]);
  await press('sure');
  await press('Answer');
  await waitFor(() => expect(given).toHaveLength(1));
  const character = ledgeCrabs.characters.find(({ label }) => label === mark)!.id;
  expect(given[0].answer.wentBy).toEqual({ character });
  await shown(/^You went by .* misleads between the two in .*\.$|is not to be seen in it\.$/);
});

it('the mark that decides is found, where what it is, is said', async () => {
  await open();
  await press('find the mark');
  await shown(/^It is the .*, and not the .*\. By what\?$/);
  expect(screen.queryAllByRole('checkbox')).toHaveLength(0);
  await press('Answer');
  await shown('Touch the mark, or choose it from the list.');
  await press('Or choose it from the list');
  const [mark] = screen
    .getAllByRole('radio')
    .map((one) => one.props.accessibilityLabel as string)
    .filter((label) => ledgeCrabs.characters.some((character) => character.label === label));
  await press(mark);
  await press('Answer');
  await waitFor(() => expect(given).toHaveLength(1));
  const { id } = ledgeCrabs.characters.find(({ label }) => label === mark)!;
  expect(given[0]).toMatchObject({ asked: { spot: true }, answer: { groups: [], wentBy: { character: id } } });
  const why = whyOf(compiledFor(ledgeCrabs), itemOf(given[0]), [])!;
  const best = ledgeCrabs.characters.find((character) => character.id === why.readings[0].reading.character)!;
  screen.getByText(`It is told by ${best.label}.`);
  screen.getByText(scoreSpot(why, id).right ? 'Right' : 'Not that');
});

it('a drawing can be told in words instead, mark by mark', async () => {
  await open();
  const drawn = () => screen.queryAllByLabelText(/^An individual/).length;
  expect(drawn()).toBe(1);
  await press('Tell it in words');
  expect(drawn()).toBe(0);
  await press(offered()[0]);
  await press('sure');
  await press('Answer');
  await waitFor(() => expect(given).toHaveLength(1));
  const { label } = ledgeCrabs.characters.find(({ id }) => id === itemOf(given[0]).truth.readings[0].character)!;
  expect(screen.getAllByText(new RegExp(`^${label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}: `)).length).toBeGreaterThan(0);
});

it('without a connection one practises all the same; what was answered is kept, and sent when it can be', async () => {
  const cut = () => {
    throw new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
  };
  mockStation.answer('practiceStanding', cut);
  mockStation.answer('practiceAnswers', cut);
  await open();
  for (let i = 0; i < 2; i++) {
    await press(offered()[0]);
    await press('sure');
    await press('Answer');
    await shown(/^It is the /);
    await press('Next');
    await shown('Answer');
  }
  expect(
    outbox()
      .waiting(STATION)
      .map(({ kind }) => kind),
  ).toEqual(['practice', 'practice']);
  let calls = 0;
  mockStation.answer('practiceAnswers', ({ body }) => {
    calls++;
    given.push(...(body as unknown as { answers: GivenAnswer[] }).answers);
    return { answers: [] };
  });
  await act(() => sendWaiting(STATION));
  expect([calls, given.length, outbox().waiting(STATION)]).toEqual([1, 2, []]);
});

it('an answer that is refused for good is not tried for ever, and holds back no other', async () => {
  mockStation.answer('practiceAnswers', () => {
    throw new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
  });
  await open();
  for (let i = 0; i < 2; i++) {
    await press(offered()[0]);
    await press('sure');
    await press('Answer');
    await press('Next');
    await shown('Answer');
  }
  const [gone] = outbox().waiting(STATION);
  mockStation.answer('practiceAnswers', ({ body }) => {
    const { answers } = body as unknown as { answers: GivenAnswer[] };
    if (answers.some(({ id }) => id === gone.id)) throw new RequestProblem(400, { code: 'unknown-guide', message: 'Gone.' });
    given.push(...answers);
    return { answers: [] };
  });
  await act(() => sendWaiting(STATION));
  expect([given.length, outbox().waiting(STATION)]).toEqual([1, []]);
});

describe('how it stands', () => {
  const answered = () => {
    const id = guideId();
    const long = '2026-01-05T10:00:00.000Z';
    const memories = remember(
      new Map(),
      [...Array.from({ length: 6 }, () => true), false, false].map((right, i) => ({
        ...{ guideId: id, at: long.replace('10:', `1${i}:`), sure: 'sure' as const, right },
        pair: right ? (['murica', 'velloma'] as const) : (['cinerata', 'murica'] as const),
      })),
    );
    standing = {
      guides: [
        {
          ...{ guideId: id, level: { kind: 'rank', rank: 'species' }, answers: 8, right: 6, bits: 0.4 },
          confused: [{ truth: 'cinerata', said: 'murica', n: 2 }],
          certainty: [{ sure: 'sure', answers: 8, right: 6 }],
          marks: [
            { character: 'leg-fringe', answers: 40, right: 20 },
            { character: 'width-ratio', answers: 9, right: 6, bias: { values: 9, ratio: 1.062, spread: 0.081 } },
          ],
          weeks: [{ from: '2026-01-05', answers: 8, right: 6 }],
          lately: [true],
          flocks: [
            { task: 'many', answers: 4, right: 1, ratio: 0.6 },
            { task: 'odd', answers: 2, right: 2 },
          ],
          walks: [],
        },
      ],
      memories: [...memories.values()],
    };
  };

  it('is said with each guide, and what is due', async () => {
    answered();
    await showScreen(<PracticePlace />);
    await shown('Due now');
    screen.getByText('2 pairs and marks');
    screen.getByText('6 of 8 right');
    expect(screen.getAllByText('not practised yet')).toHaveLength(5);
  });

  it('tells the pairs that are safe and those that are not, what one’s words are worth, and how one reads a mark', async () => {
    answered();
    await showScreen(<StandingScreen id={guideId()} />);
    await shown('Safe');
    screen.getByText('What would help most: ten more of ashen ledge crab and thorned ledge crab.');
    screen.getByText(/^6 of the last 6 right/);
    screen.getByText('“sure” stands for 92 in 100; yours was right in 6 of 8.');
    screen.getByText('By eye: 6 in a hundred too much, give or take 8, over 9.');
    screen.getByText('How many: 1 of 4 within a fifth. In the middle you say 60 where there are 100.');
    screen.getByText('The odd one of twenty: found in 2 of 2.');
    screen.getByText(/^ρ 0\.\d\d \(0\.\d\d–0\.\d\d\) · the guide’s 0\.\d\d · 20 of 40 read as it is$/);
  });

  it('that cannot be had is said, and not that nothing was practised', async () => {
    mockStation.answer('practiceStanding', () => {
      throw new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
    });
    await showScreen(<StandingScreen id={guideId()} />);
    await shown('No connection');
    expect(screen.queryByText('Not practised yet')).toBeNull();
  });

  it('of a guide not practised yet is empty, and says what will be there', async () => {
    await showScreen(<StandingScreen id={guideId()} />);
    await shown('Not practised yet');
  });
});

it('of many kinds one looks for the name, and sees only what was chosen', async () => {
  const asked = { level: { kind: 'rank', rank: 'species' } as const };
  const item = practiceItem(compiledFor(ledgeCrabs), plan, asked, 'many')!;
  const kinds = Array.from({ length: 30 }, (_, i) => ({ id: `kind-${i}`, label: `Kind number ${i}` }));
  const answer = jest.fn();
  const practice = { answer, next: jest.fn(), tally: { answers: 0, right: 0 } };
  const many = { ...item, choices: [...item.choices, ...kinds] };
  await showScreen(<PracticeItem guide={ledgeCrabs} item={many} asked={asked} practice={practice} />);
  expect(offered()).toEqual([]);
  await type(/^Names: find one/, 'number 17');
  await press('Kind number 17');
  expect(offered()).toEqual(['Kind number 17']);
  await press('sure');
  await press('Answer');
  expect(answer).toHaveBeenCalledWith({ groups: ['kind-17'], sure: 'sure' });
});

it('a photograph of the station’s own is named, and told by what it is known', async () => {
  const photo = {
    specimenId: guideId(),
    hash: 'a'.repeat(64),
    view: 'dorsal',
    taxon: 'murica',
    facets: {},
    kind: 'egg',
    wrong: 0.01,
  };
  mockStation.answer('practicePhotos', () => ({ photos: [photo] }));
  await open();
  await press('our photographs');
  await shown('A photograph of this station, of which it is known what it shows.');
  // What it is known by might tell what it is.
  expect(screen.queryByText(/egg/)).toBeNull();
  expect(screen.queryByText('Tell it in words')).toBeNull();
  await press(called('velloma'));
  await press('sure');
  await press('Answer');
  await shown(`It is the ${called('murica')}.`);
  screen.getByText('It is known by an egg it laid: 99 in 100.');
  await waitFor(() =>
    expect(given).toMatchObject([
      { asked: { photo: { specimenId: photo.specimenId, hash: photo.hash } }, answer: { groups: ['velloma'] } },
    ]),
  );
});

it('without a photograph that is verified it says how one comes to be', async () => {
  mockStation.answer('practicePhotos', () => ({ photos: [] }));
  await open();
  await press('our photographs');
  await shown('No photograph yet of which it is known what it shows');
});
