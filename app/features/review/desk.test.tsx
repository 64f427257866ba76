import { RequestProblem } from '@plesion/contract';
import type { Desk, DeskRecord, Review } from '@plesion/contract/review';
import { formsOf } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { act, screen, waitFor } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { loadPlan } from '../records/plans';
import { DeskScreen } from './DeskScreen';
import { ReviewsSheet } from './ReviewsSheet';
import { ViewsWanted } from './ViewsWanted';

let mockStation: FakeStation;
let mockActionOf: (event: { key: string }) => (() => void) | undefined;
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../../ui/useShortcuts', () => ({
  useShortcuts: (actionOf: typeof mockActionOf) => {
    mockActionOf = actionOf;
  },
}));
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: 'reviewer' }, station: { id: 's' } }),
}));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const AT = '2026-05-12T10:00:00Z';
const idOf = (n: number) => `0192f3a0-0000-7001-8000-00000000000${n}`;
const is = (taxon: string, other?: string) => ({
  ...{ qualifier: other ? ('or' as const) : ('none' as const), taxon, facets: {} },
  ...(other ? { other } : {}),
});
const record = (n: number, more: Partial<DeskRecord> = {}): DeskRecord => ({
  ...{ id: idOf(n), label: `L4-0${n}`, guideId: mockStation.idOf('ledge-crabs'), recordedBy: 'tolmar', situation: {} },
  ...{ readings: [{ character: 'granules', states: ['dense'] }], media: [], worth: 1 / n, reasons: [] },
  name: { ...is('murica'), id: idOf(n + 4), by: 'tolmar', at: AT, p: 0.8, recommended: '', overruled: false },
  look: {
    options: [
      { name: is('murica'), p: 0.8, form: 'murica' },
      { name: is('velloma'), p: 0.1, form: 'velloma' },
      { name: is('murica', 'velloma'), p: 0.9, form: 'murica' },
    ],
    ...{ margin: 3, missed: 0, lead: { character: 'granules', bits: 2 } },
    views: [
      { view: 'ventral', character: 'abdomen', text: 'Abdomen: narrow, in 9 of ten.' },
      { view: 'front', character: 'claws', text: 'Claws: large, in 8 of ten.' },
    ],
  },
  ...more,
});

let records: DeskRecord[];
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const key = (name: string) => act(async () => mockActionOf({ key: name })?.());

beforeEach(() => {
  forgetForms();
  mockStation = fakeStation();
  records = [1, 2, 3].map((n) => record(n));
  mockStation.answer('desk', (): Desk => {
    const said = new Set(sent('review').map((given) => (given as { body: { specimenId: string } }).body.specimenId));
    const left = records.filter(({ id }) => !said.has(id));
    return { records: left, total: left.length, today: 4, guides: [] };
  });
  mockStation.answer('review', () => ({}));
  mockStation.answer('withdrawReview', () => ({}));
});

it('shows why a record waits, what was read, and by one key says what it is, and the next comes', async () => {
  records[0] = record(1, { reasons: [{ kind: 'thin', text: 'Only 8 to one for it, by what was read' }] });
  await showScreen(<DeskScreen />);
  await shown('L4-01');
  await shown('Only 8 to one for it, by what was read');
  await shown(/on which the name rests most$/);
  await shown('3 wait · 4 looked at today');
  await key('1');
  await shown('L4-02');
  await shown('2 wait · 5 looked at today');
  await key('2');
  await shown('L4-03');
  await key('3');
  await shown('Nothing waits for you');
  expect(sent('review')).toMatchObject([
    { body: { specimenId: idOf(1), determination: idOf(5), word: 'agree' } },
    { body: { specimenId: idOf(2), word: 'name', name: is('velloma') } },
    { body: { specimenId: idOf(3), word: 'name', name: is('murica', 'velloma') } },
  ]);
});

it('asks for the view that would tell, with what to look for, and passes on', async () => {
  await showScreen(<DeskScreen />);
  await shown('Needs another view: from below');
  await key('v');
  await shown('L4-02');
  await press('Pass on to the other reviewers');
  await shown('L4-03');
  expect(sent('review')).toMatchObject([
    { body: { word: 'view', view: 'ventral', note: 'Abdomen: narrow, in 9 of ten.' } },
    { body: { word: 'pass', specimenId: idOf(2) } },
  ]);
});

it('what is half said of a record is there again after a reload, in sight, and goes with the word', async () => {
  await showScreen(<DeskScreen />);
  await shown('L4-01');
  await press('Say why, or what to look for');
  await type('With what you say', 'the spines are worn');
  await act(async () => screen.unmount());
  await showScreen(<DeskScreen />);
  await shown('L4-01');
  expect(screen.getByLabelText('With what you say').props.value).toBe('the spines are worn');
  await key('1');
  await shown('L4-02');
  expect(sent('review')).toMatchObject([{ body: { word: 'agree', note: 'the spines are worn' } }]);
  await press('Say why, or what to look for');
  expect(screen.getByLabelText('With what you say').props.value).toBe('');
});

it('goes on without a word, and what was left comes again after the others', async () => {
  await showScreen(<DeskScreen />);
  await shown('L4-01');
  for (const next of ['L4-02', 'L4-03', 'L4-01']) {
    await key('n');
    await shown(next);
  }
  expect(sent('review')).toEqual([]);
});

it('takes back what was said last', async () => {
  await showScreen(<DeskScreen />);
  await shown('L4-01');
  await key('1');
  await shown('L4-02');
  const { id } = (sent('review')[0] as { body: { id: string } }).body;
  mockStation.answer('desk', () => ({ records, total: 3, today: 4, guides: [] }));
  await key('z');
  await shown('L4-01');
  expect(sent('withdrawReview')).toEqual([{ params: { id } }]);
  expect(screen.queryByText('Undo')).toBeNull();
});

it('says what was not saved, and has the record at hand again', async () => {
  mockStation.answer('review', () => {
    throw new RequestProblem(409, { code: 'named-anew', message: 'It was named anew meanwhile.' });
  });
  mockStation.answer('desk', () => ({ records, total: 3, today: 4, guides: [] }));
  await showScreen(<DeskScreen />);
  await shown('L4-01');
  await key('1');
  await shown('Of L4-01 nothing was saved. It was named anew meanwhile.');
  await shown('L4-01');
});

it('warns of a look-alike that can hurt, and always keeps the guide’s caution in sight', async () => {
  const danger = { taxon: 'velloma', name: 'Petralda velloma', p: 0.1, kind: 'venom' as const, grade: 'grave' as const };
  records[0] = record(1, { look: { ...record(1).look, danger } });
  await showScreen(<DeskScreen />);
  await shown('It may be Petralda velloma, which can hurt');
  await shown(ledgeCrabs.caution);
});

it('is told on the specimen: who agrees, who named it, and which view is wanted, drawn', async () => {
  const said: Review[] = [
    { word: 'view' as const, view: 'ventral', note: 'the abdomen', writtenSince: false },
    { word: 'name' as const, name: is('velloma'), writtenSince: true },
    { word: 'agree' as const, writtenSince: true },
    { word: 'pass' as const, writtenSince: true },
    { word: 'agree' as const, withdrawn: true, by: 'selwith', writtenSince: true },
  ].map((one, i) => ({ id: idOf(i), specimenId: idOf(1), determination: idOf(5), by: 'mira', at: AT, withdrawn: false, ...one }));
  await loadPlan(ledgeCrabs.plan);
  mockStation.answer('reviews', () => ({ reviews: said }));
  await showScreen(
    <ReviewsSheet specimenId={idOf(1)} guide={ledgeCrabs} determinations={[record(1).name]} form={formsOf(ledgeCrabs)[0].id} />,
  );
  await shown('mira needs another view: from below.');
  await shown('the abdomen');
  await waitFor(() => expect(screen.getByText(/^mira named it /)).toBeTruthy());
  await waitFor(() => expect(screen.getByText(/^mira agrees: /)).toBeTruthy());
  expect(screen.getByLabelText('The view that is wanted, from below')).toBeTruthy();
  expect(screen.queryByText(/selwith/)).toBeNull();
});

it('lists the views that are wanted of oneself', async () => {
  const wanted = {
    id: idOf(1),
    specimenId: idOf(2),
    label: 'L4-02',
    by: 'mira',
    at: AT,
    guide: 'Ledge crabs',
    view: 'from below',
  };
  mockStation.answer('viewsWanted', () => ({ wanted: [wanted] }));
  await showScreen(<ViewsWanted />);
  await shown('L4-02: from below');
});
