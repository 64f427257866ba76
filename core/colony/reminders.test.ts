import type { HereditySection } from '../guide';
import { remindersOf } from './reminders';
import type { Clutch, Kept } from './schema';

const SECTION = {
  incubation: 11,
  toldFrom: { sex: 38, morph: 40 },
  breedsFrom: 41,
  weighEvery: 30,
} as unknown as HereditySection;
const TODAY = '2026-06-30';
const member = (id: string, kept: Partial<Kept>) => ({ id, kept: { status: 'here' as const, phenotypes: {}, ...kept } });
const sex = (called: 'female' | 'male', certainty = 1) => ({ sex: { called, certainty } });
const clutch = (id: string, more: Partial<Clutch>): Clutch => ({ id, laid: '2026-06-25', eggs: 6, ...more });
const pairing = (...clutches: Clutch[]) => ({
  id: 'p',
  guideId: 'g',
  fathers: ['f'],
  mothers: ['m'],
  pen: 'A',
  from: '2026-06-01',
  clutches,
});
const said = (members: Parameters<typeof remindersOf>[1], pairings: Parameters<typeof remindersOf>[2] = [], section = SECTION) =>
  remindersOf(section, members, pairings, TODAY).map(({ task, on, of, what }) => [task, on, of.join(), ...(what ? [what] : [])]);

it('clutches are due by the incubation, until they have hatched or are lost, and not weeks before', () => {
  const all = pairing(
    ...[
      clutch('a', {}),
      clutch('b', { hatched: '2026-06-29' }),
      clutch('c', { lost: 6 }),
      clutch('d', { laid: '2026-06-19', lost: 2 }),
    ],
    clutch('e', { laid: '2026-07-10' }),
  );
  expect(said([], [all])).toEqual([
    ['hatch', '2026-06-30', 'f,m'],
    ['hatch', '2026-07-06', 'f,m'],
  ]);
  expect(remindersOf(SECTION, [], [all], TODAY)[0]).toMatchObject({ pairing: 'p', clutch: 'd', pen: 'A' });
  expect(said([], [all], { ...SECTION, incubation: undefined })).toEqual([]);
});

it('what can be told is told of those of whom it is not, a pen and a day together', () => {
  const young = { hatched: '2026-05-20', pen: 'B' };
  const members = [
    ...[member('a', young), member('b', { ...young, phenotypes: { morph: 'pale' } }), member('c', { ...young, ...sex('male') })],
    ...[member('dead', { ...young, status: 'dead' }), member('nobody knows when', { pen: 'B' })],
  ];
  expect(said(members, [], { ...SECTION, breedsFrom: undefined })).toEqual([
    ['tell', '2026-06-27', 'a,b', 'sex'],
    ['tell', '2026-06-29', 'a,c', 'morph'],
  ]);
});

it('young are separated before they breed where both sexes may be in a pen, not those that breed there already', () => {
  const shown = { phenotypes: { morph: 'wild' } };
  const young = { hatched: '2026-05-24', ...shown };
  const old = { hatched: '2026-01-01', ...shown };
  const separate = (members: Parameters<typeof said>[0]) => said(members).filter(([task]) => task === 'separate');
  const [f, m] = [member('f', { ...young, ...sex('female'), pen: 'C' }), member('m', { ...young, ...sex('male'), pen: 'C' })];
  expect(separate([f, m])).toEqual([['separate', '2026-07-04', 'f,m']]);
  expect(separate([f, { ...m, kept: { ...m.kept, pen: 'D' } }])).toEqual([]);
  expect(separate([f, member('f2', { ...young, ...sex('female'), pen: 'C' })])).toEqual([]);
  // A sex in doubt may be the other one.
  expect(separate([f, member('f2', { ...young, ...sex('female', 0.9), pen: 'C' })])).toHaveLength(1);
  expect(
    separate([member('o', { ...old, ...sex('female'), pen: 'C' }), member('p', { ...old, ...sex('male'), pen: 'C' })]),
  ).toEqual([]);
  expect(separate([member('o', { ...old, ...sex('female'), pen: 'C' }), m])).toEqual([['separate', '2026-07-04', 'm']]);
});

it('those that are weighed are weighed again', () => {
  const weights = [
    { on: '2026-06-02', grams: 2 },
    { on: '2026-05-01', grams: 1 },
  ];
  expect(said([member('a', { weights }), member('never', {})])).toEqual([['weigh', '2026-07-02', 'a']]);
});
