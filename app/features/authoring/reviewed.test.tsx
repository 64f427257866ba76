import type { DraftReviews } from '@plesion/contract/authoring';
import { selwithKey } from '@plesion/demo';
import { screen } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { DraftKeyCard } from './DraftKeyCard';
import { ReviewCard } from './ReviewCard';

let mockStation: FakeStation;
let mockRole = 'reviewer';
const mockPush = jest.fn();
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));
jest.mock('expo-router', () => ({ useRouter: () => ({ push: mockPush }) }));

const ID = '0192f3a0-0000-7001-8000-0000000000a1';
const KEY = '0192f3a0-0000-7001-8000-0000000000c1';
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
let said: DraftReviews;
beforeEach(() => {
  forgetForms();
  mockRole = 'reviewer';
  mockPush.mockClear();
  said = { reviews: [], writers: ['ann'] };
  mockStation = fakeStation();
  mockStation.answer('draftReviews', () => said);
  mockStation.answer('reviewDraft', ({ body }) => {
    const { version, fit, words } = body as unknown as { version: number; fit: boolean; words: string };
    const review = { n: said.reviews.length + 1, version, by: 'mira', at: '2026-05-12T10:00:00Z', fit, words };
    said = { ...said, reviews: [review, ...said.reviews] };
    return said;
  });
});

describe('a draft that somebody else wrote', () => {
  it('is sent back with words only, then found fit as it is', async () => {
    await showScreen(<ReviewCard id={ID} version={4} />);
    await shown(/Nobody has looked it over/);
    await press('Not yet; say first what is to be changed');
    expect(sent('reviewDraft')).toEqual([]);
    await type('What you say of it', 'The tail is wrong.');
    await press('Not yet: what is to be changed is said above');
    await shown('Not yet: mira, 12 May 2026');
    await shown('not as it is now');
    screen.getByText('The tail is wrong.');
    await press('It is fit to be published');
    await shown('Fit to be published: mira, 12 May 2026');
    await shown('fit as it is');
    expect(sent('reviewDraft').map(({ body }) => body)).toEqual([
      { version: 4, fit: false, words: 'The tail is wrong.' },
      { version: 4, fit: true, words: '' },
    ]);
  });

  it('changed since, it is not as it was looked at', async () => {
    said.reviews = [{ n: 1, version: 2, by: 'ben', at: '2026-05-12T10:00:00Z', fit: true, words: '' }];
    await showScreen(<ReviewCard id={ID} version={4} />);
    await shown('not as it is now');
    await shown('It was changed 2 times since.');
  });
});

it.each([
  ['who wrote in it', 'keeper', ['ann', 'mira']],
  ['a member', 'member', ['ann']],
])('%s is asked nothing', async (_, role, writers) => {
  mockRole = role;
  said.writers = writers;
  await showScreen(<ReviewCard id={ID} version={1} />);
  await shown(/Nobody has looked it over/);
  expect(screen.queryByLabelText('What you say of it')).toBeNull();
});

it('a key is made of what is written by one press, and opened', async () => {
  mockStation.answer('makeDraftKey', () => ({ jobId: ID }));
  mockStation.answer('job', () => ({
    ...{ id: ID, kind: 'makeDraftKey', state: 'done', progress: 1 },
    result: {
      ...{ id: KEY, keyId: KEY, version: 1, hidden: false, updatedAt: '2026-05-12T10:00:00Z', problems: [], depth: 3 },
      ...{ key: selwithKey, title: selwithKey.title, couplets: selwithKey.couplets.length, endpoints: 2, faults: 0 },
      ...{ meanPath: 1, worstPath: 1, entropyBound: 1, together: [] },
    },
  }));
  const flush = jest.fn(async () => undefined);
  await showScreen(<DraftKeyCard id={ID} flush={flush} />);
  await press('Make a key');
  expect(flush).toHaveBeenCalled();
  expect(sent('makeDraftKey')).toEqual([{ params: { id: ID }, body: { purpose: 'bench', confirm: 2 } }]);
  await shown(`${selwithKey.couplets.length} couplets, 2 endings.`);
  await press('Open the key');
  expect(mockPush).toHaveBeenCalledWith(`/keys/${KEY}`);
});
