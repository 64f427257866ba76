import { RequestProblem } from '@plesion/contract';
import type { Colony, ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { posteriorAsked } from '@plesion/core/heredity';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { demoGuides } from '@plesion/demo';
import { sayDate, today } from '../../lib/dates';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown, type } from '../../test/showScreen';
import { ColonyScreen } from './ColonyScreen';
import { MemberPage } from './MemberPage';
import { NewMember } from './NewMember';
import { type Doubted, insteadOf, sayDoubted, turnedOut } from './settling';
import { saySex } from './words';

let mockStation: FakeStation;
const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (name: string, given: object) => mockStation.api(name, given), queryClient: new QueryClient() };
});
jest.mock('expo-router', () => ({ useRouter: () => mockRouter, Link: ({ children }: { children: object }) => children }));
const mockPick = jest.fn();
jest.mock('../../lib/files', () => ({ pickFile: (accept: string) => mockPick(accept) as Promise<unknown> }));
const mockDownload = jest.fn();
jest.mock('../../lib/download', () => ({ download: (url: string) => mockDownload(url) as void }));
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' }, account: { name: 'Bram' } }) }));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));

const moths = demoGuides.find(({ id }) => id === 'lantern-moths')!;
const ID = (n: number) => `0192f3a0-0000-7485-8000-${String(n).padStart(12, '0')}`;
const member = (n: number, kept: Partial<Kept>): ColonyMember => ({
  ...{ id: ID(n), version: 1, label: `Moth ${n}`, name: `Moth ${n}` },
  kept: { status: 'here', phenotypes: {}, ...kept },
});
const sexed = (called: 'female' | 'male', certainty = 1) => ({ sex: { called, certainty } });
let members: ColonyMember[];
let guideId: string;
/** The book as the server tells it: worked out by the core. */
const colony = (): Colony => {
  const { system, loci, characters } = moths.heredity!;
  const names = new Map(members.map(({ id, name }) => [id, name]));
  const individuals = members.map(({ name, kept: { sex, father, mother, phenotypes } }) => ({
    ...{ id: name, phenotypes },
    ...(sex ? { sex: sex.certainty === 1 ? sex.called : sex } : {}),
    ...(father ? { father: names.get(father)! } : {}),
    ...(mother ? { mother: names.get(mother)! } : {}),
  }));
  const posterior = posteriorAsked({ system, loci, characters, individuals, ask: [] });
  if (!posterior.ok) throw new Error(posterior.problems[0].message);
  return { members, posterior: posterior.value, inbreeding: {}, problems: [], pairings: [], pens: [] };
};

beforeEach(() => {
  forgetForms();
  jest.clearAllMocks();
  mockStation = fakeStation();
  guideId = mockStation.idOf('lantern-moths');
  members = [
    member(3, { ...sexed('male'), phenotypes: { morph: 'pale' } }),
    member(4, { ...sexed('female'), phenotypes: { morph: 'wild' } }),
    member(17, { ...sexed('male', 0.9), father: ID(3), mother: ID(4), phenotypes: { morph: 'pale' } }),
  ];
  mockStation.answer('colonies', () => ({ colonies: [{ guideId, title: moths.title, n: members.length }] }));
  mockStation.answer('colony', colony);
  mockStation.answer('unlikely', () => ({ records: [] }));
  mockStation.answer('sexing', () => ({ marks: [], known: 0 }));
  mockStation.answer('individual', ({ params }) => {
    const { id, version, label, kept } = members.find((one) => one.id === params!.id)!;
    return {
      id,
      version,
      label,
      kept,
      guideId,
      hidden: false,
      createdAt: '2026-05-12T10:00:00Z',
      updatedAt: '2026-05-12T10:00:00Z',
    };
  });
});
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);

it('the book says who is here, what each carries, and that one called a male is a female', async () => {
  await showScreen(<ColonyScreen />);
  await shown('Moth 17');
  screen.getByText(moths.caution);
  screen.getByText(/^called a male: it is a female, pale morph$/);
  screen.getByText(/^pale p\/W · smoke/);
  expect(screen.queryByText('Something does not fit')).toBeNull();
  await press('Write one down');
  expect(mockRouter.push).toHaveBeenCalledWith(`/field/colony/new?guide=${guideId}`);
});

it('pens stand with who is in them and what came of counting; a count begins with the names of the pen', async () => {
  members = members.map((one) => ({ ...one, kept: { ...one.kept, pen: one.label === 'Moth 17' ? 'cage 2' : 'cage 10' } }));
  const expected = [
    { name: 'Moth 3', seen: true },
    { name: 'Moth 4', seen: false },
  ];
  const label = `cage 10, ${moths.title}`;
  mockStation.answer('writeCount', ({ body }) => ({ ...(body as object), version: 1 }));
  mockStation.answer('counts', () => ({ counts: [{ id: ID(77), label, at: '2026-05-12T10:00:00Z', expected }] }));
  await showScreen(<ColonyScreen />);
  await shown('Pens');
  const pens = screen.getAllByText(/^cage (2|10)$/).map(({ props }) => props.children as string);
  expect(pens.slice(0, 2)).toEqual(['cage 2', 'cage 10']);
  screen.getByText('1 female, 1 male');
  await shown('counted 12 May 2026: Moth 4 not seen');
  await press('Count it: cage 10');
  expect(mockRouter.push).toHaveBeenCalledWith(expect.stringMatching(/^\/field\/counts\//));
  await waitFor(() => expect(sent('writeCount')).toHaveLength(1));
  expect(sent('writeCount')[0]).toMatchObject({
    body: { kind: 'inventory', label, by: 'Bram', expected: [{ name: 'Moth 3', seen: false }, { name: 'Moth 4' }] },
  });
});

it('a file is looked at before it is taken; what is wrong with it stands by line', async () => {
  const file = { name: 'moths.csv', size: 40, text: () => Promise.resolve('individual\nx') };
  mockPick.mockResolvedValue(file);
  const nothing = { added: [], same: [], otherwise: [], problems: [], taken: false };
  let answer: object = { ...nothing, problems: [{ line: 2, column: 'morph', message: 'no such state.' }] };
  mockStation.answer('importBook', ({ body }) => ((body as { take: boolean }).take ? { ...answer, taken: true } : answer));
  await showScreen(<ColonyScreen />);
  await shown('Files of the book');
  await press('Files of the book');
  await press('Import a file');
  await shown(/moths\.csv: nothing was written\. Line 2, morph: no such state\./);
  answer = { ...nothing, added: ['x', 'y'], otherwise: ['Moth 3'] };
  await press('Import a file');
  await shown('New: x, y');
  screen.getByText('In the book otherwise, and left as they stand there: Moth 3');
  await press('Write all 2 down');
  await shown('moths.csv: 2 written into the book.');
  expect(sent('importBook').at(-1)).toMatchObject({ body: { as: 'csv', text: 'individual\nx', take: true } });
  mockPick.mockResolvedValue({ ...file, size: 2_000_000 });
  await press('Import a file');
  await shown(/larger than a megabyte/);
  await press('pedigree file, six columns');
  await press('Export the book');
  expect(mockDownload).toHaveBeenCalledWith(`/api/guides/${guideId}/colony/export?as=linkage&character=morph`);
});

it('what does not fit stands above, the likeliest first', async () => {
  members[2] = member(17, { ...sexed('male'), father: ID(3), mother: ID(4), phenotypes: { morph: 'pale' } });
  await showScreen(<ColonyScreen />);
  await shown('Something does not fit');
  const ways = screen.getAllByText(/ is wrong \(\d+ in 100 of these\)$/);
  expect(ways[0].props.children).toMatch(/^the sex of Moth 17 is wrong/);
  expect(ways.length).toBeGreaterThan(1);
});

it('a record that does not fit is settled: what was written stays beside what is right, and why', async () => {
  members[2] = { ...member(17, { ...sexed('male'), father: ID(3), mother: ID(4), phenotypes: { morph: 'pale' } }), version: 4 };
  mockStation.answer('writeIndividual', () => ({}));
  mockStation.answer('verify', ({ body }) => body);
  await showScreen(<ColonyScreen />);
  await shown('Something does not fit');
  await press('Settle it: the sex of Moth 17 is wrong');
  screen.getByText('Written: male. What is right?');
  await waitFor(() => expect(screen.getByLabelText('Settle it')).toBeEnabled());
  await press('Settle it');
  screen.getByText('Say what is right.');
  await choose('What is right', 'a female');
  await press('Settle it');
  screen.getByText('Say how it was found out.');
  await press('dissection');
  await type('How it was found out', 'it laid an egg');
  await act(async () => screen.unmount());
  await showScreen(<ColonyScreen />);
  await shown('Something does not fit');
  await press('Settle it: the sex of Moth 17 is wrong');
  await waitFor(() => expect(screen.getByLabelText('Settle it')).toBeEnabled());
  await press('Settle it');
  await waitFor(() => expect(sent('writeIndividual')).toHaveLength(1));
  expect(sent('writeIndividual')[0]).toMatchObject({
    params: { id: ID(17) },
    body: {
      version: 4,
      kept: {
        ...{ sex: { called: 'female', certainty: 1 }, father: ID(3), phenotypes: { morph: 'pale' } },
        corrections: [{ on: today(), what: 'sex', was: 'male', now: 'a female', why: 'it laid an egg' }],
      },
    },
  });
  // The names of its specimens are held against what it turned out to be.
  await waitFor(() => expect(sent('verify')).toHaveLength(1));
  expect(sent('verify')[0]).toMatchObject({
    body: {
      individualId: ID(17),
      kind: 'dissection',
      taxon: moths.heredity!.taxon,
      facets: { sex: 'female' },
      wrong: 0.005,
      sameCall: false,
    },
  });
});

it('what may stand instead: the other sex, another state, another parent or none', () => {
  const doubtful = member(17, { ...sexed('female'), fathers: [ID(3), ID(5)], mother: ID(4), phenotypes: { morph: 'pale' } });
  const book = [...members, member(5, sexed('male')), doubtful];
  const names = new Map(book.map(({ id, name }) => [id, name]));
  const labels = (doubted: Doubted) => insteadOf(moths, doubtful, doubted, book).map(({ label }) => label);
  expect(labels({ what: 'sex' })).toEqual(['a male', 'not known']);
  expect(labels({ what: 'phenotype', character: 'morph' })).toEqual(['wild type', 'smoke morph', 'not seen']);
  expect(labels({ what: 'mother' })).toEqual(['not known']);
  expect(labels({ what: 'father' })).toEqual(['not known', 'Moth 3', 'Moth 5']);
  const [male, unsexed] = insteadOf(moths, doubtful, { what: 'sex' }, book);
  expect(turnedOut(moths, { what: 'sex' }, male)).toEqual({ taxon: moths.heredity!.taxon, facets: { sex: 'male' } });
  expect(turnedOut(moths, { what: 'sex' }, unsexed)).toBeUndefined();
  expect(turnedOut(moths, { what: 'mother' }, male)).toBeUndefined();
  const [none, one] = insteadOf(moths, doubtful, { what: 'father' }, book);
  expect([none.kept.father, none.kept.fathers, one.kept.father, one.kept.fathers]).toEqual([
    undefined,
    undefined,
    ID(3),
    undefined,
  ]);
  expect(sayDoubted(moths, doubtful, { what: 'father' }, names)).toBe('Moth 3 or Moth 5');
  expect(sayDoubted(moths, doubtful, { what: 'phenotype', character: 'morph' }, names)).toBe('pale morph');
});

it('without a guide that says how its kinds inherit the book says so', async () => {
  mockStation.answer('colonies', () => ({ colonies: [] }));
  await showScreen(<ColonyScreen />);
  await shown('No guide says how its kinds inherit');
});

it('one of it shows what it carries, whose it is, and what it would have with another', async () => {
  mockStation.answer('pair', () => ({
    young: [{ sex: 'female', shows: { morph: 'pale' }, p: 0.5, expected: 10, atLeastOne: 0.9999 }],
    genotypes: { pale: [{ genotype: 'p/W', p: 1 }] },
    inbreeding: 0.25,
    without: [{ id: 'Moth 9', what: 'phenotype', character: 'morph' }],
  }));
  await showScreen(<MemberPage id={ID(3)} />);
  await shown('What it carries');
  screen.getByText('p/p');
  screen.getByText('Its father is not known.');
  screen.getByText('Young in the book: 1');
  // Moth 17 is a female whatever it was called, and so a mate of a male.
  await press('Moth 17');
  await shown('female, pale morph');
  screen.getByText('50 in 100 of the young; of 20 about 10.0');
  screen.getByText('The young would be inbred: F = 0.250.');
  screen.getByText(/not all can be true: the morph of Moth 9\.$/);
  expect(sent('pair').at(-1)).toEqual({ params: { id: guideId }, body: { father: ID(3), mother: ID(17), clutch: 20 } });
  await type('Young of a clutch', '0');
  await shown('Write a whole number from 1 to 1000.');
});

it('whether it carries something unseen is asked of all that could be its mates, and said in words', async () => {
  const mate = { mate: 'Moth 17', carrier: 0.18, telling: 2, young: 3, found: [0.09, 0.13, 0.15, 0.16, 0.17, 0.175] };
  let mates: object[] = [mate, { ...mate, mate: 'Moth 4', telling: undefined, young: undefined }];
  mockStation.answer('prove', () => ({ mates }));
  await showScreen(<MemberPage id={ID(3)} />);
  await shown('Does it carry it unseen?');
  expect(sent('prove')).toEqual([]);
  await choose('What it may carry', 'pale morph');
  await shown('3 young, and none that shows it: 95 in 100 sure that it does not carry it.');
  screen.getByText(/^carries it now 18 in 100; if so, one young in 2 would show it\. Found out within 6 young: 18 in 100\.$/);
  screen.getByText('No number of young would clear it.');
  const asked = { individual: ID(3), locus: 'pale', allele: 'p', shows: { character: 'morph', state: 'pale' }, sure: 0.95 };
  expect(sent('prove')).toEqual([{ params: { id: guideId }, body: asked }]);
  mates = [];
  members[0] = { ...members[0], version: 2 };
  await act(async () => screen.unmount());
  await showScreen(<MemberPage id={ID(3)} />);
  await shown('Does it carry it unseen?');
  await choose('What it may carry', 'pale morph');
  await shown('There is nobody here with whom it could have young.');
});

it('the records that make it so are asked for a locus, and said in bits', async () => {
  const record = { id: 'Moth 17', what: 'phenotype', character: 'morph' };
  mockStation.answer('reasons', () => ({ reasons: [{ record, bits: 1.584, without: [{ genotype: '+/+', p: 0.67 }] }] }));
  await showScreen(<MemberPage id={ID(3)} />);
  await shown('What it carries');
  await press(/^What makes it so\? pale$/);
  await shown('the morph of Moth 17, 1.58 bits: without it +/+ 67 in 100');
  expect(sent('reasons')[0]).toMatchObject({ params: { id: guideId }, body: { individual: ID(3), locus: 'pale' } });
});

it('whose egg lies in a pen is told with the order in which to separate them', async () => {
  members = members.map((one) => ({ ...one, kept: { ...one.kept, pen: 'cage 2' } }));
  mockStation.answer('whoseEgg', () => ({
    members: [
      { id: 'Moth 17', p: 0.6 },
      { id: 'Moth 4', p: 0.4 },
      { id: 'Moth 3', p: 0 },
    ],
    separations: 1.4,
  }));
  await showScreen(<ColonyScreen />);
  await shown('Moth 17');
  await press('Whose egg is it?');
  await choose('It lay in', 'cage 2');
  await shown('1. Moth 17: 60 in 100');
  screen.getByText('2. Moth 4: 40 in 100');
  expect(screen.queryByText(/Moth 3:/)).toBeNull();
  screen.getByText(/about 1\.4 separations/);
  expect(sent('whoseEgg')).toEqual([{ params: { id: guideId }, body: { pen: 'cage 2', since: today() } }]);
});

describe('one kept alone to find out whose an egg is', () => {
  const note = 'Antennae worn.';
  const seventeen = () => members.find(({ label }) => label === 'Moth 17')!;
  beforeEach(() => {
    members = members.map((one) => ({ ...one, note, kept: { ...one.kept, pen: 'cage 2' } }));
    mockStation.answer('whoseEgg', () => ({
      members: [
        { id: 'Moth 17', p: 0.6 },
        { id: 'Moth 4', p: 0.4 },
      ],
      separations: 1.4,
    }));
    mockStation.answer('writeIndividual', ({ params, body }) => {
      const { kept } = body as { kept: Kept };
      members = members.map((one) => (one.id === params!.id ? { ...one, version: one.version + 1, kept } : one));
      return { ...body, id: params!.id, version: seventeen().version };
    });
  });
  const open = async () => {
    await showScreen(<ColonyScreen />);
    await shown('Moth 17');
    await press('Whose egg is it?');
    await choose('It lay in', 'cage 2');
    await shown('1. Moth 17: 60 in 100');
    await press('Kept alone: Moth 17');
    await shown('laid none');
  };

  it('has its result written with it, which counts and can be struck out again', async () => {
    await open();
    await press('Write it down');
    await shown('Say what came of it.');
    await choose('Moth 17, kept alone', 'laid none');
    await type('Seen on', '2026-02-30');
    await press('Write it down');
    await shown('Write the day as YYYY-MM-DD.');
    await type('Seen on', today());
    await press('Write it down');
    await shown(`${sayDate(today())}, Moth 17: laid none`);
    expect(sent('writeIndividual').at(-1)).toMatchObject({
      body: { note, kept: { pen: 'cage 2', separations: [{ on: today(), from: 'cage 2', found: 'none' }] } },
    });
    await waitFor(() => expect(sent('whoseEgg')).toHaveLength(2));
    await press(`Remove: ${sayDate(today())}, Moth 17: laid none`);
    await waitFor(() => expect(seventeen().kept.separations).toEqual([]));
    await waitFor(() => expect(screen.queryByText('Kept alone so far')).toBeNull());
  });

  it('that lays and was called a male is settled as a female at once', async () => {
    await open();
    await choose('Moth 17, kept alone', 'laid an egg');
    await press('Write it down');
    await shown('Moth 17 lays: it is a female.');
    screen.getByText('Written: male. What is right?');
  });
});

describe('of which sex one is', () => {
  const open = async () => {
    await showScreen(<MemberPage id={ID(17)} />);
    await shown('Of which sex');
  };

  it('is said by each that says something, with the marks and what speaks against the rest', async () => {
    members = members.map((one) => ({ ...one, kept: { ...one.kept, strain: 'Quell' } }));
    mockStation.answer('sexing', () => ({
      ...{ female: 0.08, books: 0.3, known: 14 },
      marks: [
        { character: 'antenna', bits: -4.25, ours: true },
        { character: 'wing-length', bits: 0.7, ours: false },
      ],
    }));
    await open();
    await shown('By its marks: a male, 92 in 100');
    screen.getByText('Called: a male, 90 in 100');
    screen.getByText('By what it and its kin show and carry: a female, over 999 in 1000');
    screen.getByText('These do not agree');
    screen.getByText(/: a male, 4\.25 bits$/);
    screen.getByText('as in Quell');
    screen.getByText(/: a female, 0\.70 bits$/);
    screen.getByText('speaks against the rest');
    screen.getByText('Weighed with 14 specimens of Quell whose sex is known; by the guide alone a male, 70 in 100.');
    expect(sent('sexing')).toEqual([{ params: { id: guideId }, body: { individual: ID(17) } }]);
  });

  it('without a mark that was read says how to come to one', async () => {
    await open();
    await shown(/No mark that tells the sexes apart was read of it/);
    expect(screen.queryByText(/^By its marks/)).toBeNull();
  });
});

it('what does not fit is told matter by matter', async () => {
  const way = (matter: number, id: string) => ({
    ...{ matter, p: 0.5, why: `sex of ${id} is wrong` },
    records: [{ id, what: 'sex' as const }],
  });
  const impossible = [way(0, 'Moth 3'), way(0, 'Moth 4'), way(1, 'Moth 17')];
  mockStation.answer('colony', () => ({ ...colony(), posterior: { individuals: [], together: [], impossible } }));
  await showScreen(<ColonyScreen />);
  await shown('Not all that is written can be true. One of these is wrong, the likeliest first:');
  screen.getByText('And apart from that: One of these is wrong, the likeliest first:');
  expect(screen.getAllByText(/^the sex of Moth \d+ is wrong/)).toHaveLength(3);
});

it('records that can be true and are unlikely are named, and settled like those that cannot', async () => {
  mockStation.answer('unlikely', () => ({
    records: [{ record: { id: 'Moth 17', what: 'sex' }, p: 0.98 }],
  }));
  await showScreen(<ColonyScreen />);
  await shown('the sex of Moth 17 is wrong (98 in 100)');
  screen.getByText(/all the others speak against them/);
  await press('Settle it: the sex of Moth 17 is wrong');
  await shown('Written: male. What is right?');
});

describe('writing one down', () => {
  const open = async () => {
    await showScreen(<NewMember guideId={guideId} />);
    await shown('Mark or name');
  };

  it('asks for a name, sends what was said, and goes to its page', async () => {
    mockStation.answer('writeIndividual', ({ params, body }) => ({ ...body, id: params!.id, version: 1 }));
    await open();
    await press('Write it down');
    await shown('Give it a mark or a name.');
    await type('Mark or name', 'Moth 71');
    await choose('Called a', 'female');
    await choose('How sure of it', 'almost surely');
    await press('pale morph');
    await choose('How its morph was seen', 'in doubt');
    await press('Moth 3');
    await type('Hatched on', 'May');
    await press('Write it down');
    await shown('Write the day as YYYY-MM-DD.');
    await type('Hatched on', '2026-05-12');
    await press('Write it down');
    await waitFor(() => expect(mockRouter.replace).toHaveBeenCalled());
    const [{ params, body }] = sent('writeIndividual');
    expect(body).toEqual({
      ...{ version: 0, guideId, label: 'Moth 71', hidden: false },
      kept: {
        ...{ sex: { called: 'female', certainty: 0.95 }, hatched: '2026-05-12', father: ID(3), status: 'here' },
        phenotypes: { morph: { states: ['pale'], certainty: 0.8 } },
      },
    });
    expect(mockRouter.replace).toHaveBeenCalledWith(`/field/colony/${params!.id}`);
  });

  it('knows a range of days, whence it came, and several of whom one may be the father', async () => {
    mockStation.answer('writeIndividual', ({ params, body }) => ({ ...body, id: params!.id, version: 1 }));
    members[2] = { ...members[2], kept: { ...members[2].kept, pen: 'cage 7' } };
    await open();
    await type('Mark or name', 'Moth 73');
    await type('Hatched on', '2026-05-12');
    await type('Or hatched until', '2026-05-16');
    await type('Whence it came', 'Quell reef');
    await choose('Its father', 'Moth 3');
    await press('Its father: perhaps another');
    await choose('Its father, or else', 'Moth 17');
    await press('cage 7: Pen or cage');
    await press('Write it down');
    await waitFor(() => expect(sent('writeIndividual')).toHaveLength(1));
    expect(sent('writeIndividual')[0].body).toMatchObject({
      kept: {
        ...{ hatched: '2026-05-12', hatchedTo: '2026-05-16', origin: 'Quell reef', pen: 'cage 7' },
        fathers: [ID(3), ID(17)],
      },
    });
  });

  it('says on its page between which days it hatched, whence it came, and its strains by descent', async () => {
    members = members.map((one, i) => ({ ...one, kept: { ...one.kept, ...(i < 2 ? { strain: ['Quell', 'North'][i] } : {}) } }));
    members[2] = {
      ...members[2],
      kept: { ...members[2].kept, hatched: '2026-05-12', hatchedTo: '2026-05-16', origin: 'Quell reef' },
    };
    await showScreen(<MemberPage id={ID(17)} />);
    await shown('hatched 12 May 2026 to 16 May 2026 · from Quell reef');
    screen.getByText('By descent: Quell 50 in 100, North 50 in 100');
  });

  it('keeps what was typed over a reload and a refusal, and says it at its field', async () => {
    mockStation.answer('writeIndividual', () => {
      throw new RequestProblem(400, {
        code: 'unknown-individual',
        message: 'This parent is not in the book.',
        field: 'kept.father',
      });
    });
    await open();
    await type('Mark or name', 'Moth 72');
    await press('Write it down');
    await shown('This parent is not in the book.');
    await act(async () => screen.unmount());
    await open();
    expect(screen.getByLabelText('Mark or name').props.value).toBe('Moth 72');
  });

  it('changes what is written, keeps what it does not show, and may be left', async () => {
    members[2] = {
      ...members[2],
      kept: {
        ...members[2].kept,
        ...{ father: undefined, fathers: [ID(3), ID(4)], origin: 'Quell reef' },
        phenotypes: { morph: { states: ['pale', 'wild'], certainty: 0.8 } },
      },
    };
    mockStation.answer('colony', () => ({
      members,
      ...{ pairings: [], pens: [] },
      inbreeding: {},
      problems: [{ name: 'Moth 17', message: 'Something is wrong.' }],
    }));
    mockStation.answer('writeIndividual', ({ params, body }) => ({ ...body, id: params!.id, version: 2 }));
    await showScreen(<MemberPage id={ID(17)} />);
    await shown(/cannot be told while something is wrong/);
    await press('Change what is written');
    await type('Pen or cage', 'cage 9');
    await act(async () => fireEvent.press(screen.getByText('Cancel')));
    expect(sent('writeIndividual')).toEqual([]);
    await press('Change what is written');
    expect(screen.getByLabelText('Pen or cage').props.value).toBe('');
    await type('Pen or cage', 'cage 9');
    await press('Write it down');
    await waitFor(() => expect(sent('writeIndividual')).toHaveLength(1));
    expect(sent('writeIndividual')[0].body).toMatchObject({
      version: 1,
      kept: {
        ...{ pen: 'cage 9', fathers: [ID(3), ID(4)], mother: ID(4), origin: 'Quell reef' },
        phenotypes: { morph: { states: ['pale', 'wild'], certainty: 0.8 } },
      },
    });
  });
});

it.each([
  [{ kept: member(1, sexed('male')).kept }, undefined, 'a male'],
  [{ kept: member(1, sexed('male', 0.8)).kept }, undefined, 'perhaps a male'],
  [{ kept: member(1, {}).kept }, { female: 0.5, male: 0.5 }, 'sex not known'],
  [{ kept: member(1, {}).kept }, { female: 1, male: 0 }, 'a female'],
  [{ kept: member(1, {}).kept }, { female: 0.8, male: 0.2 }, 'a female, 80 in 100'],
  [{ kept: member(1, sexed('male', 0.8)).kept }, { female: 0.8, male: 0.2 }, 'called a male; a female, 80 in 100'],
])('the sex of one is said as it was called, and as it comes out', (one, told, words) => {
  expect(saySex(one, told)).toBe(words);
});
