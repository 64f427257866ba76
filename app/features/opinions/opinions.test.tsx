import { RequestProblem } from '@plesion/contract';
import type { Ask, BlindRecord } from '@plesion/contract/opinions';
import { ledgeCrabs } from '@plesion/demo';
import { screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown, type } from '../../test/showScreen';
import { BlindScreen } from './BlindScreen';
import { LinkedScreen } from './LinkedScreen';
import { OpinionsSheet } from './OpinionsSheet';
import { WaitingScreen } from './WaitingScreen';

let mockStation: FakeStation;
let mockName = 'mira';
let mockRole = 'member';
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: mockName, role: mockRole }, station: { id: 's' } }),
}));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const ID = '0192f3a0-0000-7001-8000-0000000000d1';
const AT = '2026-05-12T10:00:00Z';
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const called = (id: string) => ledgeCrabs.taxa.find((taxon) => taxon.id === id)!.vernacular!;

let asks: Ask[];
let record: BlindRecord;
const ask = (more: Partial<Ask> = {}): Ask => ({
  ...{ id: ID, specimenId: ID, by: 'mira', at: AT, to: [], answered: [], withdrawn: false },
  ...more,
});

beforeEach(async () => {
  forgetForms();
  [mockName, mockRole] = ['mira', 'member'];
  mockStation = fakeStation();
  const guide = await mockStation.api('guide', { params: { id: mockStation.idOf('ledge-crabs') } });
  asks = [];
  record = {
    ...{ askId: ID, by: 'tolmar', question: 'The granules?', situation: { date: '2026-05-12' }, media: [] },
    guide: guide as BlindRecord['guide'],
  };
  mockStation.answer('asks', () => ({ asks }));
  mockStation.answer('members', () => ({
    members: ['mira', 'tolmar', 'selwith'].map((name) => ({
      id: name,
      name,
      initials: name[0],
      role: 'member',
      since: AT,
      you: name === 'mira',
    })),
  }));
  mockStation.answer('askOpinion', ({ body }) => {
    asks = [ask({ ...(body as object) })];
    return asks[0];
  });
  mockStation.answer('blindRecord', () => record);
  mockStation.answer('linkedRecord', () => record);
});
const sheet = () => showScreen(<OpinionsSheet specimenId={ID} guide={ledgeCrabs} />);

describe('asking', () => {
  it('names whom and what, and makes a link for somebody outside', async () => {
    await sheet();
    await shown(/^Nobody was asked yet/);
    await press('Ask somebody');
    await shown('tolmar');
    expect(screen.queryByText('mira')).toBeNull();
    await press('tolmar');
    await type('What you want to know', 'Dense grains?');
    await press('Ask what they make of it');
    await waitFor(() =>
      expect(sent('askOpinion')).toMatchObject([{ body: { specimenId: ID, to: ['tolmar'], question: 'Dense grains?' } }]),
    );
    await shown(/asked: tolmar · nobody has answered yet/);
    mockStation.answer('linkOpinion', () => ({ token: 'secret', until: AT }));
    await press('A link for somebody outside');
    expect((await screen.findByTestId('link')).props.children).toMatch(/\/opinion\/secret$/);
  });

  it('what was said is told with what it comes to together, and is decided with a reason', async () => {
    const said = (by: string, taxon: string, outside = false) => ({
      ...{ id: by, by, outside, at: AT },
      opinion: {
        readings: [{ character: 'granules', states: ['dense'] }],
        certainty: 'likely' as const,
        name: { qualifier: 'none' as const, taxon, facets: {} },
      },
    });
    asks = [
      ask({
        answered: ['tolmar', 'Ada'],
        opinions: [said('tolmar', 'murica'), said('Ada', 'velloma', true)],
        pooled: {
          opinions: 2,
          correlation: 0.7,
          pairs: 0,
          count: 1.18,
          text: 'Genus yes.',
          taxa: [{ taxon: 'murica', name: 'Petralda murica', p: 0.61 }],
        },
      }),
    ];
    mockStation.answer('decideOpinions', ({ body }) => {
      asks = [{ ...asks[0], decided: { by: 'mira', at: AT, why: String(body!.why) } }];
      return asks[0];
    });
    await sheet();
    await shown('tolmar: Petralda murica, likely');
    screen.getByText('Ada (by link): Petralda velloma, likely');
    screen.getByText('1 of 2: Petralda murica; 1 of 2: Petralda velloma');
    screen.getByText('Together they count as 1.2 of 2');
    screen.getByText(/as second looks do until more is known here/);
    await press('Decide, and say why');
    await type('How you decide, and why', 'the front edge');
    await press('Decide so');
    await shown(/^Decided by mira, .*: the front edge$/);
    expect(screen.queryByText('Ask no more')).toBeNull();
  });

  it('those who are asked see that they are, and nobody’s word; a learner asks nobody', async () => {
    [mockName, mockRole] = ['tolmar', 'learner'];
    asks = [ask({ to: ['tolmar', 'selwith'], answered: ['selwith'] })];
    await sheet();
    await shown('Say what you make of it; then you see what the others said');
    screen.getByText(/answered: selwith/);
    expect(screen.queryByText('Ask somebody')).toBeNull();
    expect(screen.queryByText('Decide')).toBeNull();
  });
});

describe('saying what one makes of it', () => {
  it('is a name with how sure, and what can be seen', async () => {
    mockStation.answer('giveOpinion', ({ body }) => {
      record = {
        ...record,
        given: { id: ID, by: 'mira', outside: false, at: AT, opinion: (body as { opinion: never }).opinion },
      };
      return ask();
    });
    await showScreen(<BlindScreen id={ID} />);
    await shown('tolmar asks: The granules?');
    screen.getByText('There is no photo of it: only what is said below.');
    await press('Say so: it is kept as it is');
    await shown('Say what it is, or that it cannot be told.');
    await press(called('murica'));
    await choose('How sure', 'sure');
    await press('What can be seen of it');
    await type(/^A mark that can be seen: find/, 'grains on');
    await press(/^Grains on the back/);
    await press('dense grains');
    await shown('Grains on the back: dense grains');
    await press('Say so: it is kept as it is');
    await waitFor(() =>
      expect(sent('giveOpinion')).toMatchObject([
        {
          params: { id: ID },
          body: {
            opinion: {
              certainty: 'sure',
              name: { qualifier: 'none', taxon: 'murica', facets: {} },
              readings: [{ character: 'granules', states: ['dense'] }],
            },
          },
        },
      ]),
    );
    await shown('What you said');
    screen.getByText('What the others said');
  });

  it('or that it cannot be told, and why; it is there again after a reload, and a refusal is said', async () => {
    mockStation.answer('giveOpinion', () => {
      throw new RequestProblem(409, { code: 'decided', message: 'It was decided meanwhile. Nothing was saved.' });
    });
    await showScreen(<BlindScreen id={ID} />);
    await shown('tolmar asks: The granules?');
    await choose('Can it be told?', 'it cannot be told from this');
    await press('Say so: it is kept as it is');
    await shown(/^Say what it is, what can be seen of it, or why it cannot be told/);
    await type('Why it cannot be told, or what view would tell', 'from below');
    await showScreen(<BlindScreen id={ID} />);
    await shown('tolmar asks: The granules?');
    expect(screen.getByLabelText('Why it cannot be told, or what view would tell').props.value).toBe('from below');
    await press('Say so: it is kept as it is');
    await shown('It was decided meanwhile. Nothing was saved.');
    expect(sent('giveOpinion').at(-1)).toMatchObject({ body: { opinion: { note: 'from below', readings: [] } } });
  });

  it('somebody outside says their name, and is thanked', async () => {
    mockStation.answer('giveLinkedOpinion', () => ({}));
    await showScreen(<LinkedScreen token="t" />);
    await shown('tolmar asks: The granules?');
    await press(called('velloma'));
    await press('Say so: it is kept as it is');
    await shown('Say by what name you are known.');
    await type('Your name', 'Ada');
    await press('Say so: it is kept as it is');
    await shown('It is kept, and tolmar sees it. This page may be closed.');
    expect(sent('giveLinkedOpinion')).toMatchObject([
      { params: { token: 't' }, body: { by: 'Ada', opinion: { name: { taxon: 'velloma' } } } },
    ]);
  });
});

describe('what waits', () => {
  it('stands with who asks, beside how far people agree', async () => {
    mockStation.answer('opinionsWaiting', () => ({
      waiting: [{ id: ID, by: 'tolmar', at: AT, question: 'The granules?', guideId: ID, guide: 'Ledge crabs' }],
    }));
    const kappa = { kappa: 0.676, se: 0.088, low: 0.505, high: 0.848, agreed: 0.89, chance: 0.66, n: 100 };
    mockStation.answer('opinionAgreement', () => ({ all: kappa, pairs: [{ ...kappa, people: ['mira', 'tolmar'] }] }));
    await showScreen(<WaitingScreen />);
    await shown('The granules?');
    await shown('Agreement beyond chance: κ 0.68, likely 0.51 to 0.85');
    screen.getByText('Two who were asked said the same of 89 in 100; by chance they would of 66.');
    screen.getByText('mira and tolmar');
  });

  it('is nothing, and says so', async () => {
    mockStation.answer('opinionsWaiting', () => ({ waiting: [] }));
    mockStation.answer('opinionAgreement', () => ({ pairs: [] }));
    await showScreen(<WaitingScreen />);
    await shown('Nothing waits for you');
    expect(screen.queryByText('How far people here agree')).toBeNull();
  });
});
