import type { CaptureWrite, FieldView } from '@plesion/contract';
import { AGE_FAMILIES, stringStanding } from '@plesion/core/fieldwork';
import { terns } from '@plesion/demo';
import { headsOf, sayCount } from './countWords';
import { garwoodOf } from './density';
import { haltsOf } from './halts';
import { numberOf } from '../../lib/numberOf';
import { createOutbox, outbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { stringOf } from './StringsScreen';
import { familyTyped, writtenFamily } from './ageFamily';
import { captureOf, NOTHING_TYPED, Typed as TypedShape, type Typed, typedOf } from './typed';
import { type Field, USUAL_SHEET, withWaiting } from './useField';
import { listUnder, sayFirsts } from './useLists';

jest.mock('expo-router', () => ({}));
jest.mock('../records/fieldDrafts', () => ({}));

const ID = '0192f3a0-0000-7001-8000-000000000001';
const string = {
  id: ID,
  version: 1,
  hidden: false,
  letters: 'H',
  digits: 5,
  first: 4501,
  last: 4600,
  size: 'C',
  ringer: 'Mira',
  loadedOn: '2026-01-01',
  unused: [],
  recordedBy: 'demo',
  createdAt: '',
  updatedAt: '',
  ringed: ['H 04501'],
};
const field = {
  view: {} as FieldView,
  open: [],
  strings: [{ string, standing: stringStanding(string, string.ringed) }],
  sheet: USUAL_SHEET,
  families: [...AGE_FAMILIES],
  waiting: [],
} satisfies Field;

const around = { visitId: ID, guideId: ID, guide: terns, family: 'letters', by: 'demo', now: '2026-06-02T20:00:00.000Z' };
const made = (part: Partial<Typed>, mark?: string, before?: CaptureWrite) =>
  captureOf({ ...NOTHING_TYPED, ...part }, { ...around, mark, before });
const codes = (part: Partial<Typed>, mark?: string, more: object = {}) => {
  const typed = { ...NOTHING_TYPED, ...part };
  const known = { field, guide: terns, families: AGE_FAMILIES, capture: made(part, mark), id: 'now', isNew: true, ...more };
  return haltsOf(typed, known).map(({ code, beyond }) => `${code}${beyond ? '*' : ''}`);
};
const tern = { taxon: 'sodalis', age: 'AHY', sex: 'male' } as const;

describe('a catch as it is typed', () => {
  it('becomes what is kept, and is typed again as it was', () => {
    const typed: Typed = {
      ...NOTHING_TYPED,
      ...tern,
      sexBy: 'size',
      mass: '118,5',
      values: { 'wing-chord': '271' },
      states: { saddle: ['plain'] },
      note: ' ringed at dusk ',
      reasons: { weight: ' heavy ', other: '  ' },
    };
    const capture = captureOf(typed, { ...around, mark: 'H 04502' });
    expect(capture).toMatchObject({
      what: 'ringed',
      mark: 'H 04502',
      age: { family: 'letters', code: 'AHY' },
      mass: 118.5,
      note: 'ringed at dusk',
      overrides: [{ what: 'weight', reason: 'heavy', by: 'demo' }],
    });
    expect(capture.readings).toEqual([
      { id: 'wing-chord-1', character: 'wing-chord', value: 271 },
      { id: 'saddle-1', character: 'saddle', states: ['plain'] },
    ]);
    expect(captureOf(typedOf(capture), { ...around, mark: 'H 04502', before: capture })).toEqual(capture);
  });

  it('keeps what the sheet does not ask, errors, and who said a reason first', () => {
    const before = {
      ...made(tern, 'H 04502'),
      version: 3,
      readings: [
        { id: 'w', character: 'wing-chord', value: 271, error: 1 },
        { id: 'n', character: 'nape', states: ['smooth'] },
      ],
      overrides: [{ what: 'weight', reason: 'heavy', by: 'Odo', at: '2026-01-01T00:00:00.000Z' }],
    };
    const after = captureOf(typedOf(before), { ...around, mark: 'H 04502', before });
    expect(after).toEqual(before);
    const changed = captureOf({ ...typedOf(before), values: { 'wing-chord': '272' } }, { ...around, mark: 'H 04502', before });
    expect(changed.readings.find(({ character }) => character === 'wing-chord')).toEqual({
      id: 'w',
      character: 'wing-chord',
      value: 272,
    });
  });

  it('of another kind has a name, and neither ring, age nor readings', () => {
    const other = made({ ...tern, what: 'other-kind', name: 'little owl', values: { 'wing-chord': '271' } }, 'H 04502');
    expect(other).toMatchObject({ what: 'other-kind', name: 'little owl', readings: [] });
    for (const name of ['mark', 'age', 'sex', 'taxon']) expect(other).not.toHaveProperty(name);
  });
});

describe('what keeps a catch from being saved', () => {
  it('is nothing where all is there', () => {
    expect(codes(tern, 'H 04502')).toEqual([]);
    expect(codes({ what: 'other-kind', name: 'little owl' })).toEqual([]);
    expect(codes({ what: 'lost' })).toEqual([]);
  });

  it('is what is missing or no number, each by its field', () => {
    expect(codes({}, 'H 04502')).toEqual(['bad-kind', 'bad-age', 'bad-sex']);
    expect(codes({ what: 'other-kind' })).toEqual(['bad-name']);
    expect(codes({ ...tern, mass: 'x', values: { 'wing-chord': '27l' } }, 'H 04502')).toEqual([
      'bad-mass',
      'bad-reading:wing-chord',
    ]);
    expect(codes({ ...tern, mass: '0' }, 'H 04502')).toEqual(['bad-mass']);
    expect(codes({ ...tern, due: '12 May', dueText: '' }, 'H 04502')).toEqual(['bad-due', 'bad-dueText']);
    expect(codes({ ...tern, what: 'again' })).toEqual(['bad-mark']);
  });

  it('is a ring that is no ring, is read otherwise the second time, or is out', () => {
    expect(codes({ ...tern, mark: '4H' })).toEqual(['bad-mark']);
    expect(codes({ ...tern, mark: 'H 04502' }, 'H 04502')).toEqual(['bad-markAgain']);
    expect(codes({ ...tern, mark: 'H 04502', markAgain: 'h04520' }, 'H 04502')).toEqual(['bad-markAgain']);
    expect(codes({ ...tern, mark: 'H 04502', markAgain: 'h 04·502' }, 'H 04502')).toEqual([]);
    const history = { mark: 'H 04501', captures: [], visits: [], sites: [] };
    const twice = { mark: 'H 04501', markAgain: 'H 04501' };
    expect(codes({ ...tern, ...twice }, 'H 04501', { history })).toEqual(['ring-out']);
  });

  it('can be gone beyond where it is odd and not impossible', () => {
    const twice = (mark: string) => ({ ...tern, mark, markAgain: mark });
    expect(codes(twice('H 04510'), 'H 04510')).toEqual(['ring-not-next*']);
    expect(codes({ ...twice('H 04502'), taxon: 'nivalis', values: {} }, 'H 04502')).toEqual(['ring-size*']);
    expect(codes({ ...twice('K 1'), what: 'again' }, 'K 1', { history: null })).toEqual(['ring-elsewhere*']);
    expect(codes({ ...tern, age: 'HY' }, 'H 04502')).toEqual(['young-unsexed*']);
    expect(codes({ ...tern, values: { 'wing-chord': '249' } }, 'H 04502')).toEqual(['wing-under-250*']);
    expect(codes({ ...tern, sex: 'unknown', states: { saddle: ['scaly'] } }, 'H 04502')).toEqual(['scaly-not-adult*']);
  });

  it('is an earlier catch that does not go with it', () => {
    const first = { ...made({ ...tern, sex: 'female' }, 'H 04501'), id: 'first', at: '2025-06-02T20:00:00Z' };
    const history = { mark: 'H 04501', captures: [first], visits: [], sites: [] };
    const again = { ...tern, what: 'again' as const, mark: 'H 04501', markAgain: 'H 04501' };
    expect(codes(again, 'H 04501', { history })).toEqual(['sexes-differ*']);
  });
});

describe('what waits on this device', () => {
  const stored: FieldView = { ...field.view, sites: [], sheets: [], open: [], recent: [], strings: [string] };
  const offered = () => withWaiting(stored, ID).strings[0].standing.next;
  const keep = (content: Partial<CaptureWrite>) =>
    outbox().keep({ station: ID, kind: 'capture', id: 'one', content: { ...made(tern, 'H 04502'), ...content }, unanswered: [] });

  it('has put its ring on, and one that is taken back frees it before the station is told', async () => {
    setOutbox(await createOutbox(memoryStorage()));
    expect(offered()).toBe('H 04502');
    await keep({});
    expect(offered()).toBe('H 04503');
    await keep({ version: 1, mark: 'H 04501', hidden: true });
    expect(offered()).toBe('H 04501');
  });
});

describe('a string that is loaded', () => {
  const asked = (first: string, last: string, size = 'C') => {
    const found = stringOf({ first, last, size }, 'Mira', field);
    return 'at' in found ? found.at : found.string;
  };
  it('is told by its first and last ring', () => {
    expect(asked('h05001', 'H 05100', 'c')).toMatchObject({ letters: 'H', digits: 5, first: 5001, last: 5100, size: 'C' });
    expect(asked('7', '9')).toMatchObject({ letters: '', digits: 1 });
  });
  it.each([
    ['', 'H 2', 'first'],
    ['H 1', 'x', 'last'],
    ['H 10', 'K 20', 'last'],
    ['H 10', 'H 9', 'last'],
    ['H 20', 'H 10', 'last'],
    ['H 00001', 'H 20000', 'last'],
    ['H 04590', 'H 04620', 'first'],
  ])('from %s to %s is refused at its %s ring', (first, last, at) => expect(asked(first, last)).toBe(at));
  it('has a size', () => expect(asked('H 05001', 'H 05100', ' ')).toBe('size'));
});

describe('counts', () => {
  const base = { version: 1, hidden: false, label: 'x', at: '2026-01-01T00:00:00Z', by: 'demo', tallies: [] };
  it('are said in a few words', () => {
    const row = { label: 'grown', males: 3, females: 5, unsexed: 2 };
    expect(headsOf({ tallies: [row, row] })).toBe(20);
    expect(sayCount({ ...base, kind: 'inventory', tallies: [row], expected: [{ name: 'Chip', seen: false }] })).toBe(
      '10 heads · 3.5.2 · missing: Chip',
    );
    expect(sayCount({ ...base, kind: 'transect', quadrats: [{ along: 0, area: 0.25, counts: [3, 2] }] })).toBe(
      '20.0 a m² over 1 quadrats',
    );
    expect(sayCount({ ...base, kind: 'flock', flock: [{ kind: 'a', amount: { how: 'estimated', from: 3, to: 9 } }] })).toBe(
      '3–9 in all',
    );
    expect(sayCount({ ...base, kind: 'flock', flock: [] })).toBe('0 in all');
    expect(sayCount({ ...base, kind: 'transect', quadrats: [] })).toBe('no number');
  });
  it('have a density with its interval', () => {
    const quadrats = [0, 1, 2, 3].map((n) => ({ area: 0.25, counts: [n] }));
    expect(garwoodOf(quadrats, 0)).toMatchObject({ n: 6, rate: 6 });
    expect(garwoodOf(quadrats, 0).low).toBeCloseTo(2.2019, 3);
    expect(garwoodOf([], 0)).toEqual({ n: 0, rate: 0, low: 0, high: 0 });
  });
});

it('numbers are read with a point or a comma, and nothing else is one', () => {
  expect(['28.4', '28,4', ' 7 ', '-3', '.5', '3.'].map(numberOf)).toEqual([28.4, 28.4, 7, -3, 0.5, 3]);
  for (const text of ['', 'x', '1e3', '1.2.3', '--3', '12 g']) expect(numberOf(text)).toBeUndefined();
});

describe('lists', () => {
  const record = (id: string, day: string, more: object = {}) => ({
    kind: 'capture' as const,
    id,
    day,
    guideId: 'g',
    taxon: 'sodalis',
    site: 'spit',
    by: 'demo',
    ...more,
  });
  const records = [
    record('a', '2025-06-01'),
    record('b', '2026-06-01', { by: 'odo' }),
    record('c', '2026-07-01', { taxon: 'consors', site: 'pier' }),
    record('d', '2026-05-01', { taxon: undefined, group: 'halistris' }),
    record('e', '2026-08-01', { guideId: 'other' }),
  ];
  const ids = (filter: object) => listUnder(records, filter).map(({ id }) => id);

  it('hold each name of each guide once, the newest first, under any filter', () => {
    expect(ids({})).toEqual(['e', 'c', 'd', 'a']);
    expect(ids({ year: '2026' })).toEqual(['e', 'c', 'b', 'd']);
    expect(ids({ by: 'odo' })).toEqual(['b']);
    expect(ids({ site: 'pier' })).toEqual(['c']);
    expect(ids({ guideId: 'g', year: '2024' })).toEqual([]);
  });

  it('say what a record is the first of, and nothing where it is none', () => {
    expect(sayFirsts(record('n', '2026-09-01', { taxon: 'nivalis' }), records)).toBe(
      'your first, the first here, the first this year',
    );
    expect(sayFirsts(record('n', '2026-09-01', { site: 'pier' }), records)).toBe('the first here');
    expect(sayFirsts(record('n', '2027-01-01'), records)).toBe('the first this year');
    expect(sayFirsts(record('n', '2026-09-01'), records)).toBeUndefined();
    // A kind of the same name in another guide is another kind.
    expect(sayFirsts(record('n', '2026-09-01', { guideId: 'third' }), records)).toMatch(/your first/);
  });
});

describe('a family of age codes of the station’s own', () => {
  const typed = { label: 'Reed codes', reference: '05-01', codes: 'J; hatched this year; 0; 0\n\nA; older; 1' };
  it('is read from its lines, and written as it was', () => {
    const read = familyTyped(typed, AGE_FAMILIES);
    if (!read.ok) throw new Error(read.problems[0].message);
    expect(read.value).toMatchObject({
      label: 'Reed codes',
      reference: '05-01',
      codes: [
        { code: 'J', label: 'hatched this year', from: 0, to: 0 },
        { code: 'A', label: 'older', from: 1 },
      ],
    });
    expect(writtenFamily(read.value)).toBe('J; hatched this year; 0; 0\nA; older; 1');
    expect(familyTyped({ ...typed, id: read.value.id }, [read.value])).toMatchObject({ ok: true, value: { id: read.value.id } });
  });
  it.each([
    [{ label: ' ' }, 'label'],
    [{ label: 'numeric series' }, 'label'],
    [{ codes: '' }, 'codes'],
    [{ codes: 'J, young, 0' }, 'codes'],
    [{ codes: 'J; young; 2; 1' }, 'codes'],
    [{ codes: 'J; young; 0\nJ; old; 1' }, 'codes'],
    [{ codes: 'JUVENILEX; young; 0' }, 'codes'],
    [{ reference: '31-12' }, 'reference'],
  ])('%o is refused by its field', (more, field) => {
    expect(familyTyped({ ...typed, ...more }, AGE_FAMILIES)).toMatchObject({ ok: false, problems: [{ field }] });
  });
});

describe('what came to the sheet later', () => {
  it('is kept as typed and typed again as it was; a ring of a parent that is none is told', () => {
    const mark = { id: 'n', kind: 'notch' as const, words: 'left web' };
    const typed: Typed = {
      ...NOTHING_TYPED,
      ...tern,
      mother: 'h 4501',
      brood: ' box 3 ',
      release: 'let-go',
      naturalMarks: [mark],
    };
    const capture = made(typed);
    expect(capture).toMatchObject({ parents: { mother: 'H 4501', brood: 'box 3' }, release: 'let-go', naturalMarks: [mark] });
    expect(typedOf(capture)).toMatchObject({ mother: 'H 4501', brood: 'box 3', release: 'let-go', naturalMarks: [mark] });
    expect(codes({ ...tern, father: 'nobody' })).toContain('bad-father');
    expect(codes({ ...tern, mark: 'H 04502', markAgain: 'H 04502', father: 'H04502' }, 'H 04502')).toContain('bad-father');
  });
  it('is nothing in a catch that was typed before there was such a thing', () => {
    const old = {
      what: 'ringed',
      mark: '',
      markAgain: '',
      name: '',
      mass: '',
      values: {},
      states: {},
      due: '',
      dueText: '',
      note: '',
      reasons: {},
    };
    expect(TypedShape.parse(old)).toEqual(NOTHING_TYPED);
  });
});
