import type { KeyGuideView } from '@plesion/contract/authoring';
import { guideFromKeys } from '@plesion/core/authoring';
import { KeyGuideChoices } from '@plesion/core/authoring/schema';
import { type Key, readKeyText } from '@plesion/core/keys';
import { screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown, type } from '../../test/showScreen';
import { KeyGuideScreen } from './KeyGuideScreen';

let mockStation: FakeStation;
const mockReplace = jest.fn();
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: 'member' }, station: { id: 's' } }),
}));
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ replace: mockReplace }),
}));

const KEY = '0192f3a0-0000-7001-8000-0000000000a1';
const OTHER = '0192f3a0-0000-7001-8000-0000000000a2';
const TEXTS: Record<string, string> = {
  [KEY]: `1a Legs red or brown ... 2
1b Legs black ... Velda alba
2a Legs red ... Velda velox
2b Legs brown; legs with spines ... Velda minuta`,
  [OTHER]: '1a Feelers red ... Velda alba\n1b Feelers brown ... Velda velox',
};
let texts: Record<string, string>;
const keyOf = (id: string): Key => readKeyText(texts[id], id === KEY ? 'Veldas' : 'Veldas anew').key!;
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);

beforeEach(() => {
  texts = { ...TEXTS };
  forgetForms();
  mockReplace.mockClear();
  mockStation = fakeStation();
  mockStation.answer('keys', () => ({
    keys: [KEY, OTHER].map((id) => ({ id, title: id === KEY ? 'Veldas' : 'Veldas anew', hidden: false })),
  }));
  mockStation.answer('keyGuide', ({ body }): KeyGuideView => {
    const { keys, ...choices } = body as { keys: string[] };
    const made = guideFromKeys('looked-at', keys.map(keyOf), KeyGuideChoices.parse(choices));
    if (!made.ok) throw new Error(made.problems[0].message);
    const { guide, characters, proposals, notes } = made.value;
    return {
      title: guide.title,
      taxa: guide.taxa.filter(({ forms }) => forms).map(({ name }) => name),
      characters,
      proposals,
      notes,
    };
  });
  mockStation.answer('makeKeyGuide', () => ({ id: 'g1' }));
});

it('what the key says stands with the texts it came from; what is not one is parted, and undone', async () => {
  await showScreen(<KeyGuideScreen keyId={KEY} />);
  await shown('3 kinds, 2 characters');
  screen.getByText('Legs red or brown');
  screen.getByText('said of one side only');
  await press('Part couplet 2 from Legs');
  await shown('3 kinds, 3 characters');
  expect(sent('keyGuide').at(-1)).toMatchObject({ body: { keys: [KEY], alone: ['0-c2-0'] } });
  await press('Undo the last decision');
  await shown('3 kinds, 2 characters');
});

it('another key is put in, and what may be one is joined', async () => {
  await showScreen(<KeyGuideScreen keyId={KEY} />);
  await shown('3 kinds, 2 characters');
  await shown('Veldas anew');
  await press('Veldas anew');
  await shown('3 kinds, 3 characters');
  await shown('These may be one character');
  await press('Join Legs and Feelers');
  await shown('3 kinds, 2 characters');
  expect(sent('keyGuide').at(-1)).toMatchObject({ body: { keys: [KEY, OTHER], join: [['0-c1-0', '1-c1-0']] } });
});

it('two words for one state are called by one of them; what a couplet holds apart stays two, and is said to', async () => {
  texts[KEY] = `1a Legs red ... 2
1b Legs black ... Velda alba
2a Legs reddish ... Velda velox
2b Legs brown ... Velda minuta`;
  await showScreen(<KeyGuideScreen keyId={KEY} />);
  await shown('3 kinds, 1 character');
  await press('Two states are one: Legs');
  await choose('Which two', 'brown');
  await choose('Which two', 'red');
  await choose('Which two', 'reddish');
  await press('Call both “red”');
  await waitFor(() => expect(screen.queryByText('reddish')).toBeNull());
  expect(sent('keyGuide').at(-1)).toMatchObject({ body: { same: [{ of: '0-c1-0', from: 'reddish', to: 'red' }] } });
  await press('Two states are one: Legs');
  await choose('Which two', 'red');
  await choose('Which two', 'brown');
  await press('Call both “brown”');
  await shown('“red” and “brown” stay two: couplet 2 holds them against each other.');
  await press('Undo the last decision');
  await waitFor(() => expect(screen.queryByText(/stay two/)).toBeNull());
});

it('is called something, made, and opened', async () => {
  await showScreen(<KeyGuideScreen keyId={KEY} />);
  await shown('3 kinds, 2 characters');
  await type('Title', 'The Veldas');
  await press('Call it otherwise: Legs');
  await type('Call Legs', 'Colour of the legs');
  await shown('Colour of the legs');
  await press('Make the guide');
  await waitFor(() => expect(mockReplace).toHaveBeenCalledWith('/guides/g1'));
  expect(sent('makeKeyGuide')).toMatchObject([
    { body: { keys: [KEY], title: 'The Veldas', labels: { '0-c1-0': 'Colour of the legs' }, alone: [], join: [] } },
  ]);
});

it('what is decided is there again after a reload', async () => {
  await showScreen(<KeyGuideScreen keyId={KEY} />);
  await shown('3 kinds, 2 characters');
  await press('Part couplet 2 from Legs');
  await shown('3 kinds, 3 characters');
  screen.unmount();
  await showScreen(<KeyGuideScreen keyId={KEY} />);
  await shown('3 kinds, 3 characters');
});
