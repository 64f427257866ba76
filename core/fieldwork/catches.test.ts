import { checkGuide } from '../guide';
import { tinyGuide } from '../test/tinyGuide';
import {
  brokenChecks,
  contradictions,
  firstsOf,
  isRested,
  legs,
  licenceFor,
  listOf,
  movedBy,
  ringSizes,
  sayOnFile,
  type Seen,
} from '.';

const field = {
  checks: [
    {
      id: 'round-is-young',
      says: 'A round edge: never adult.',
      when: [
        { kind: 'states' as const, character: 'edge', states: ['round'] },
        { kind: 'age' as const, from: 1 },
      ],
    },
    {
      id: 'young-unsexed',
      says: 'Young of the year: the sex stays unknown unless by a listed method.',
      when: [
        { kind: 'age' as const, to: 0 },
        { kind: 'sex' as const, sexes: ['male' as const, 'female' as const] },
      ],
      unless: [{ kind: 'sexBy' as const, methods: ['molecular' as const] }],
    },
    { id: 'short', says: 'Under 7: look again.', taxa: ['b'], when: [{ kind: 'value' as const, character: 'length', under: 7 }] },
    { id: 'light', says: 'Under 20 g: weigh again.', taxa: ['genus'], when: [{ kind: 'mass' as const, under: 20 }] },
  ],
  rings: [
    { taxon: 'genus', sizes: ['C'] },
    { taxon: 'b', sizes: ['B', 'C'] },
  ],
};
const guide = tinyGuide({ field });
const letters = (code: string) => ({ family: 'letters', code });
const broken = (caught: object) => brokenChecks(guide, { readings: [], taxon: 'a', ...caught }).map(({ id }) => id);
const edge = (...states: string[]) => [{ character: 'edge', states }];

describe('rules of a catch', () => {
  it('are broken only where all that they look at was recorded', () => {
    expect(broken({ readings: edge('round'), age: letters('AHY') })).toEqual(['round-is-young']);
    expect(broken({ readings: edge('round'), age: letters('HY') })).toEqual([]);
    expect(broken({ readings: edge('round') })).toEqual([]);
    // Either state is open, so nothing is broken; nor by what could not be seen.
    expect(broken({ readings: edge('round', 'toothed'), age: letters('AHY') })).toEqual([]);
    expect(broken({ readings: [{ character: 'edge', states: ['round'], status: 'not-visible' }], age: letters('AHY') })).toEqual(
      [],
    );
    expect(broken({ age: letters('U'), sex: 'male' })).toEqual([]);
  });

  it('hold unless what they except is there', () => {
    expect(broken({ age: letters('HY'), sex: 'male' })).toEqual(['young-unsexed']);
    expect(broken({ age: letters('HY'), sex: 'male', sexBy: 'molecular' })).toEqual([]);
    expect(broken({ age: letters('HY'), sex: 'male', sexBy: 'size' })).toEqual(['young-unsexed']);
    expect(broken({ age: letters('HY'), sex: 'unknown' })).toEqual([]);
    expect(broken({ age: { family: 'numbers', code: '3' }, sex: 'female' })).toEqual(['young-unsexed']);
  });

  it('are for a taxon and what it holds', () => {
    const short = [{ character: 'length', value: 6.9 }];
    expect(broken({ readings: short })).toEqual([]);
    expect(broken({ readings: short, taxon: 'b' })).toEqual(['short']);
    expect(broken({ readings: [{ character: 'length', value: 7 }], taxon: 'b' })).toEqual([]);
    expect(broken({ mass: 19.9 })).toEqual(['light']);
    expect(broken({ mass: 19.9, taxon: undefined })).toEqual([]);
  });

  it('that cannot be followed are named in the guide', () => {
    const codes = (given: object) => checkGuide(tinyGuide({ field: given })).map(({ code, field: at }) => `${code} ${at}`);
    expect(codes(field)).toEqual([]);
    const when = (condition: object) => ({ checks: [{ id: 'x', says: 'x', when: [condition] }] });
    expect(codes(when({ kind: 'states', character: 'tail', states: ['round'] }))).toEqual([
      'unknown-character field.checks[0].when[0].character',
    ]);
    expect(codes(when({ kind: 'states', character: 'edge', states: ['blue'] }))).toEqual([
      'unknown-state field.checks[0].when[0].states',
    ]);
    expect(codes(when({ kind: 'value', character: 'length' }))).toEqual(['no-limit field.checks[0].when[0]']);
    expect(codes(when({ kind: 'value', character: 'edge', under: 3 }))).toEqual([
      'not-a-number field.checks[0].when[0].character',
    ]);
    expect(codes(when({ kind: 'age', from: 2, to: 1 }))).toEqual(['bad-range field.checks[0].when[0].to']);
    expect(codes({ rings: [{ taxon: 'z', sizes: ['A'] }] })).toEqual(['unknown-taxon field.rings[0].taxon']);
    expect(codes({ checks: [field.checks[0], field.checks[0]] })).toEqual(['id-twice field.checks[1].id']);
  });
});

it('the size of ring is what is said nearest above', () => {
  expect(ringSizes(guide, 'a')).toEqual(['C']);
  expect(ringSizes(guide, 'b')).toEqual(['B', 'C']);
  expect(ringSizes(tinyGuide(), 'a')).toBeUndefined();
});

describe('a licence', () => {
  const licence = (from: string, to: string) => ({
    id: 'l',
    label: 'Permit 7',
    holder: 'O. Venn',
    covers: ['mist-net' as const],
    from,
    to,
  });
  const on = (day: string, ...licences: ReturnType<typeof licence>[]) => licenceFor({ licences }, 'mist-net', day);

  it('is told with its days, and never as leave to catch', () => {
    const held = on('2026-05-31', licence('2026-01-01', '2026-05-31'), licence('2025-01-01', '2026-02-01'));
    expect(held).toEqual({ kind: 'held', label: 'Permit 7', holder: 'O. Venn', to: '2026-05-31', days: 1 });
    expect(sayOnFile(held, 'mist net')).toMatch(/its last day is today.*for the authority to say/);
    expect(on('2026-06-01', licence('2026-01-01', '2026-05-31'))).toEqual({ kind: 'none', lapsed: '2026-05-31' });
    expect(on('2025-12-31', licence('2026-01-01', '2026-05-31'))).toEqual({ kind: 'none' });
    expect(licenceFor({ licences: [licence('2026-01-01', '2026-12-31')] }, 'lamp', '2026-05-01')).toEqual({ kind: 'none' });
    expect(licenceFor({ licences: [] }, 'watch', '2026-05-01')).toEqual({ kind: 'not-asked' });
    for (const found of [held, on('2026-06-01'), on('2026-06-01', licence('2026-01-01', '2026-05-31'))])
      expect(sayOnFile(found, 'mist net')).not.toMatch(/\b(legal|lawful|allowed|permitted|may catch)\b/i);
  });

  it('a site is rested up to its day', () => {
    const rested = { until: '2026-06-01', reason: 'a harrier about' };
    expect([isRested({ rested }, '2026-05-31'), isRested({ rested }, '2026-06-01'), isRested({}, '2026-05-31')]).toEqual([
      true,
      false,
      false,
    ]);
  });
});

describe('the history of a mark', () => {
  const seen = (id: string, day: string, more: Partial<Seen> = {}): Seen => ({
    id,
    day,
    what: 'again',
    taxon: 'a',
    overrides: [],
    ...more,
  });

  it('names what does not go together, at the later capture, until a reason is given', () => {
    const all = [
      seen('1', '2024-05-01', { what: 'ringed', sex: 'male', age: letters('AHY') }),
      seen('2', '2025-05-01', { sex: 'unknown', age: letters('SY') }),
      seen('3', '2026-05-01', { sex: 'female', taxon: 'b', what: 'ringed' }),
    ];
    expect(contradictions(all).map(({ code, between }) => `${code} ${between.join('-')}`)).toEqual([
      'ages-disagree 1-2',
      'kinds-differ 2-3',
      'sexes-differ 1-3',
      'ringed-twice 1-3',
    ]);
    const reason = { what: 'sexes-differ', reason: 'Laid an egg.', by: 'mira', at: '2026-05-02T08:00:00Z' };
    const told = contradictions([...all.slice(0, 2), { ...all[2], overrides: [reason] }]);
    expect(told.find(({ code }) => code === 'sexes-differ')!.resolved).toBe('Laid an egg.');
    expect(told.filter(({ resolved }) => !resolved)).toHaveLength(3);
  });

  it('has a leg from each to the next', () => {
    const [one] = legs([
      seen('1', '2026-05-01', { at: { latitude: 0, longitude: 0 } }),
      seen('2', '2026-05-31', { at: { latitude: 0, longitude: 1 } }),
    ]);
    expect(one).toMatchObject({ from: '1', to: '2', days: 30, bearing: 90 });
    expect(one.km).toBeCloseTo(111.195, 2);
    expect(legs([seen('1', '2026-05-01'), seen('2', '2026-05-02')])).toEqual([{ from: '1', to: '2', days: 1 }]);
  });
});

describe('lists', () => {
  const record = (id: string, day: string, taxon: string | undefined, more = {}) => ({ id, day, taxon, by: 'mira', ...more });

  it('hold every taxon once with its earliest record; “A or B” counts for its group alone', () => {
    const list = listOf([
      record('2', '2026-05-02', 'a'),
      record('1', '2026-05-01', 'a'),
      record('3', '2026-05-03', undefined, { group: 'genus' }),
    ]);
    expect([...list].map(([name, { id }]) => `${name} ${id}`)).toEqual(['a 1', 'genus 3']);
  });

  it('say what stands for a name that a record no longer goes by, and whether it stands for the new one', () => {
    const list = listOf([
      record('1', '2026-05-01', 'b'),
      record('2', '2026-05-02', 'a'),
      record('3', '2026-05-03', undefined, { group: 'genus' }),
    ]);
    // 1 was an a before.
    expect(movedBy(list, 'a', 'b')).toEqual({ left: { stands: list.get('a') }, came: { stands: list.get('b') } });
    expect(list.get('a')!.id).toBe('2');
    // 3 was a c, of which there was one.
    expect(movedBy(list, 'c', 'genus')).toEqual({ left: { stands: undefined }, came: { stands: list.get('genus') } });
    expect(movedBy(list, 'a', undefined)).toEqual({ left: { stands: list.get('a') } });
    expect(movedBy(list, undefined, 'c')).toEqual({ came: { stands: undefined } });
  });

  it('say what a record is the first of', () => {
    const before = [record('1', '2025-05-01', 'a', { by: 'odo', site: 's' }), record('2', '2026-01-01', 'a', { site: 't' })];
    expect(firstsOf(record('3', '2026-05-01', 'a', { site: 's' }), before)).toEqual([]);
    expect(firstsOf(record('3', '2027-05-01', 'a', { site: 'u', by: 'ria' }), before)).toEqual([
      'for-me',
      'for-the-site',
      'of-the-year',
    ]);
    expect(firstsOf(record('3', '2025-04-01', 'a'), before)).toEqual(['for-me', 'of-the-year']);
    expect(firstsOf(record('3', '2027-05-01', undefined), before)).toEqual([]);
  });
});
