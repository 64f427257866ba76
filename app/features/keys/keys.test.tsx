import type { KeyImport, StoredGuide, StoredKey } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { depthOf, endpointsOf, type Key, lintKey } from '@plesion/core/keys';
import { selwithKey, strandBeetles } from '@plesion/demo';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { device } from '../../lib/device';
import { createOutbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { TermText } from '../glossary/TermText';
import { EditKeyScreen } from './edit/EditKeyScreen';
import { keyedBy } from '../analysis/keyedBy';
import { KeyPage } from './KeyPage';
import { MakeKeyScreen } from './MakeKeyScreen';
import { ReadKeyScreen } from './ReadKeyScreen';
import { WalkScreen } from '../walk/WalkScreen';

const KEY = '0192f3a0-0000-7001-8000-000000000001';
const GUIDE = '0192f3a0-0000-7001-8000-000000000002';
const mockApi = jest.fn();
const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('../../lib/api', () => {
  const { QueryClient: Client } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (...given: unknown[]) => mockApi(...given), queryClient: new Client() };
});
jest.mock('expo-router', () => ({
  useRouter: () => mockRouter,
  Link: jest
    .requireActual<{ linkTo: (go: (href: unknown) => void) => unknown }>('../../test/link')
    .linkTo((href) => mockRouter.push(href)),
}));
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' }, account: { name: 'ann' } }) }));
let mockStanding: object | undefined;
jest.mock('../analysis/useStanding', () => ({ useStanding: () => ({ data: mockStanding }) }));

const stored = (key: Key, version = 1): StoredKey => ({
  id: KEY,
  title: key.title,
  guideId: GUIDE,
  version,
  couplets: key.couplets.length,
  endpoints: endpointsOf(key).length,
  faults: 0,
  hidden: false,
  updatedAt: '2026-05-12T10:00:00Z',
  key,
  problems: lintKey(key, strandBeetles),
  depth: depthOf(key),
});
const guide: StoredGuide = {
  id: GUIDE,
  slug: 'strand-beetles',
  title: strandBeetles.title,
  summary: '',
  group: '',
  area: '',
  version: 1,
  hash: 'h',
  forms: 44,
  characters: 31,
  updatedAt: '2026-05-12T10:00:00Z',
  guide: strandBeetles,
};

let key = stored(selwithKey);
const sent: { name: string; asked: { body: never } }[] = [];
beforeEach(async () => {
  jest.clearAllMocks();
  sent.length = 0;
  mockStanding = undefined;
  key = stored(selwithKey);
  setOutbox(await createOutbox(memoryStorage()));
  device.keys().forEach((name) => device.remove(name));
  mockApi.mockImplementation(async (name: string, asked: { body: never }) => {
    sent.push({ name, asked });
    if (name === 'key') return key;
    if (name === 'guide') return guide;
    if (name === 'guides') return { guides: [guide] };
    if (name === 'importKey') return { keyId: KEY, couplets: 2, endpoints: 3, problems: [] };
    if (name === 'writeKey') return (key = { ...stored((asked.body as { key: Key }).key, key.version + 1) });
    throw new Error(`unexpected ${name}`);
  });
});

const show = async (element: ReactNode) => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(<QueryClientProvider client={client}>{element}</QueryClientProvider>);
  await act(async () => {});
};
const press = (label: string | RegExp) => act(async () => fireEvent.press(screen.getByLabelText(label)));
const lead = (name: string) => within(screen.getByLabelText(`Lead ${name}`));

describe('terms', () => {
  it('open in place with a drawing, and close again', async () => {
    await show(<TermText guide={strandBeetles} text="Hind thigh swollen; palp like an axe" />);
    expect(screen.queryByText(/form of its last segment/)).toBeNull();
    await press(/what is palp\?$/);
    expect(screen.getByText(/form of its last segment/)).toBeTruthy();
    expect(screen.getByLabelText('like an axe')).toBeTruthy();
    await press('Close palp');
    expect(screen.queryByText(/form of its last segment/)).toBeNull();
  });
});

describe('the page of a key', () => {
  it('tells what it is for, what is to consider, and its couplets', async () => {
    await show(<KeyPage id={KEY} />);
    expect(await screen.findByText('20 couplets · 22 endings · at most 9 steps · version 1')).toBeTruthy();
    expect(screen.getByText(/permit/)).toBeTruthy();
    expect(screen.getByText('Couplet 11 rests on colour alone, which fades and shifts.')).toBeTruthy();
    await act(async () => fireEvent.press(screen.getAllByLabelText(/walk from couplet 15$/)[0]));
    expect(mockRouter.push).toHaveBeenCalledWith(`/keys/${KEY}/walk?start=c15`);
  });

  it('can be removed and put back', async () => {
    await show(<KeyPage id={KEY} />);
    await screen.findByText('Remove this key');
    await press('Remove this key');
    expect(sent.at(-1)).toMatchObject({ name: 'writeKey', asked: { body: { hidden: true, version: 1 } } });
  });
});

describe('a walk without a specimen', () => {
  const walk = async () => {
    await show(<WalkScreen keyId={KEY} />);
    await screen.findByText('Couplet 1');
  };

  it('shows both leads in full, each statement to tick, and says that nothing is recorded', async () => {
    await walk();
    expect(screen.getByText('for no specimen: nothing is recorded')).toBeTruthy();
    for (const one of ['1a', '1b']) expect(lead(one).getAllByLabelText('can’t see')).toHaveLength(2);
    expect(screen.getByText(/Lay the specimen on its side/)).toBeTruthy();
  });

  it('weighs what is ticked, and goes on by the person’s decision', async () => {
    await walk();
    await act(async () => fireEvent.press(lead('1b').getAllByLabelText('fits')[1]));
    expect(lead('1b').getByText('+1.6 bits')).toBeTruthy();
    expect(lead('1a').getByText('-3.1 bits')).toBeTruthy();
    await press('Take lead 1b');
    expect(screen.getByText('Couplet 3')).toBeTruthy();
    await press(/^Couplet 1b:/);
    expect(screen.getByText('Couplet 1')).toBeTruthy();
  });

  it('ends at a name, and can be taken back', async () => {
    await walk();
    await press('Take lead 1a');
    await press('Take lead 2b');
    expect(within(screen.getByLabelText('The key comes to')).getByText('Fucalis nudalis')).toBeTruthy();
    await press('Undo');
    expect(screen.getByText('Couplet 2')).toBeTruthy();
  });

  it('forks both ways, and lets the person lean', async () => {
    await walk();
    await press('Can’t decide: go both ways');
    await press(/^Couplet 1 both/);
    await press('rather a');
    expect(lead('1a').getByText('not ticked')).toBeTruthy();
    expect(screen.getByText('Fucalis algarum')).toBeTruthy();
  });

  it('withholds what needs closeness while danger is possible, but for saying that it cannot be seen', async () => {
    mockStanding = { withheld: { close: true }, hazards: [] };
    await walk();
    expect(lead('1a').getAllByText(/withheld while a dangerous one is possible/)).toHaveLength(2);
    for (const off of ['fits', 'does not', 'in part']) expect(lead('1a').getAllByLabelText(off)[0]).toBeDisabled();
    await act(async () => fireEvent.press(lead('1a').getAllByLabelText('can’t see')[0]));
    expect(lead('1a').getAllByLabelText('can’t see')[0]).toBeChecked();
  });

  it('tells which couplets a name must pass', async () => {
    await walk();
    fireEvent.changeText(screen.getByLabelText('A name the key ends at'), 'obtusa');
    await act(async () => fireEvent.press(screen.getByText('Arenossa obtusa Tolmar, 1998')));
    const way = within(screen.getByLabelText('Is it …?'));
    for (const step of ['1b', '3a', '4a']) expect(way.getByText(step)).toBeTruthy();
    await press('Start there: the group is known already');
    expect(screen.getByText('Couplet 3')).toBeTruthy();
  });
});

describe('reading in', () => {
  const paste = async (text: string) => {
    await act(async () => fireEvent.changeText(screen.getByLabelText('Paste it here'), text));
  };

  it('previews what was understood and sends it as it is', async () => {
    await show(<ReadKeyScreen guideId={GUIDE} />);
    expect(screen.getByText('Paste or choose a key first.')).toBeTruthy();
    await paste('1a Jaws: short ... Lithonyx aridus\n1b Jaws: long, like sickles ... Vadomera cursora');
    expect(screen.getByText('1 couplets, 2 endings')).toBeTruthy();
    expect(await screen.findByText(/2 of 2 names and 2 of 2 statements are tied/)).toBeTruthy();
    expect(screen.getByLabelText('Import')).toBeDisabled();
    fireEvent.changeText(screen.getByLabelText('Title'), 'Two');
    await press('Import');
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalledWith(`/keys/${KEY}`));
    const body = sent.find(({ name }) => name === 'importKey')!.asked.body as KeyImport;
    expect(body).toMatchObject({ title: 'Two', guideId: GUIDE, text: expect.stringContaining('1a Jaws') });
  });

  it('calls the key what its first line says, until something else is typed', async () => {
    await show(<ReadKeyScreen />);
    await paste('Key to the crickets of Quell\n1a Jaws short ... Rivetta alba\n1b Jaws long ... Rivetta nigra');
    expect(screen.getByLabelText('Title').props.value).toBe('Key to the crickets of Quell');
    expect(screen.queryByText('One line to look at')).toBeNull();
    expect(screen.getByLabelText('Import')).not.toBeDisabled();
    fireEvent.changeText(screen.getByLabelText('Title'), '');
    expect(screen.getByText('One line to look at')).toBeTruthy();
    expect(screen.getByLabelText('Import')).toBeDisabled();
    fireEvent.changeText(screen.getByLabelText('Title'), 'Crickets');
    await press('Import');
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalledWith(`/keys/${KEY}`));
    expect(sent.find(({ name }) => name === 'importKey')!.asked.body).toMatchObject({ title: 'Crickets' });
  });

  it('names the line of what is wrong, offers the mend, and takes nothing while it is ambiguous', async () => {
    await show(<ReadKeyScreen />);
    await paste('1a Foo ... 2\n1b Bar ... Aus bus\n1a Baz ... Aus cus\n1b Qux ... Aus dus');
    expect(screen.getByText('line 3')).toBeTruthy();
    expect(screen.getByText('Correct what is ambiguous first; nothing is lost meanwhile.')).toBeTruthy();
    await press('Number this couplet 2');
    expect(screen.getByText('2 couplets, 3 endings')).toBeTruthy();
    expect(screen.getByLabelText('Paste it here').props.value).toContain('2a Baz');
  });
});

describe('mending', () => {
  it('changes words, undoes, and saves a version when the person says so', async () => {
    await show(<EditKeyScreen id={KEY} couplet="c12" />);
    const words = await screen.findByLabelText('Statements of 12a');
    await act(async () => fireEvent.changeText(words, 'Claws split; ground brown'));
    await act(async () => fireEvent(words, 'blur'));
    expect(screen.getByText('changes kept on this device')).toBeTruthy();
    expect(sent.some(({ name }) => name === 'writeKey')).toBe(false);
    await press('Undo');
    expect(screen.getByLabelText('Statements of 12a').props.value).toBe('Claws split');
    await press('Redo');
    await press('Save as version 2');
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalledWith(`/keys/${KEY}`));
    await act(async () => {});
    expect(sent.find(({ name }) => name === 'writeKey')).toMatchObject({ asked: { body: { version: 1 } } });
    const written = (sent.find(({ name }) => name === 'writeKey')!.asked.body as { key: Key }).key;
    const [first] = written.couplets[11].leads;
    expect(first.statements.map(({ text, link }) => [text, link?.character])).toEqual([
      ['Claws split', 'claws'],
      ['ground brown', undefined],
    ]);
  });

  it('shows at once what a change breaks', async () => {
    key = { ...stored(selwithKey), version: 3 };
    await show(<EditKeyScreen id="0192f3a0-0000-7001-8000-000000000003" couplet="c2" />);
    await screen.findByText('Couplet 2');
    await press('Remove lead 2b');
    expect(screen.getByText('Couplet 2 has one lead; nothing stands against it.')).toBeTruthy();
  });
});

describe('making', () => {
  it('asks for what it was told, follows the work, and shows how short the key is', async () => {
    const making = { meanPath: 4.68, worstPath: 8, entropyBound: 4.37, together: [['Lithonyx duplex', 'Lithonyx dubiosus']] };
    const jobs = [
      { jobId: GUIDE, state: 'running', progress: 0.4 },
      { jobId: GUIDE, state: 'done', progress: 1, result: { ...key, keyId: KEY, ...making } },
    ];
    const other = mockApi.getMockImplementation()!;
    mockApi.mockImplementation((name: string, asked: { body: never }) => {
      if (name === 'makeKey') sent.push({ name, asked });
      if (name === 'makeKey') return Promise.resolve({ jobId: GUIDE });
      return name === 'job' ? Promise.resolve(jobs.length > 1 ? jobs.shift() : jobs[0]) : other(name, asked);
    });
    await show(<MakeKeyScreen guideId={GUIDE} />);
    await screen.findByLabelText('without touching');
    await press('without touching');
    await press('Fucalis algarum');
    expect(screen.getByLabelText('Make it')).toBeDisabled();
    await press('Fucalis nudalis');
    await press('Make it');
    expect(sent.find(({ name }) => name === 'makeKey')!.asked.body).toEqual({
      purpose: 'hands-off',
      confirm: 2,
      forms: ['algarum', 'nudalis'],
    });
    expect(await screen.findByText('4.68')).toBeTruthy();
    expect(screen.getByText('Nothing allowed tells apart: Lithonyx duplex and Lithonyx dubiosus.')).toBeTruthy();
    await press('Open the key');
    expect(mockRouter.replace).toHaveBeenCalledWith(`/keys/${KEY}`);
  });
});

describe('a guide whose school is the key', () => {
  const answers = '1a 2b'.split(' ').map((step) => ({ couplet: `c${step[0]}`, lead: step[1] }));
  const content = { version: 1, guideId: GUIDE, label: '', situation: {}, readings: [], determinations: [], hidden: false };

  it('is told what a finished walk came to, and nothing before', () => {
    const walk = { keyId: KEY, keyVersion: 1, answers };
    const { settings } = strandBeetles;
    const byKey: Guide = { ...strandBeetles, settings: { ...settings, call: { ...settings.call, school: 'key' } } };
    // Nothing was read and nothing ticked: decided, but not checked.
    expect(keyedBy(byKey, selwithKey, { ...content, walk })).toMatchObject({ taxon: 'nudalis', decided: true, fits: false });
    const [first, second] = answers;
    const n = selwithKey.couplets[0].leads[0].statements.find(({ link }) => link)!.n;
    const ticked = [{ ...first, statements: [{ n, answer: 'fits' as const }] }, second];
    expect(keyedBy(byKey, selwithKey, { ...content, walk: { ...walk, answers: ticked } })).toMatchObject({ fits: true });
    expect(keyedBy(strandBeetles, selwithKey, { ...content, walk })).toBeUndefined();
    expect(keyedBy(byKey, selwithKey, { ...content, walk: { ...walk, answers: answers.slice(0, 1) } })).toBeUndefined();
  });
});
