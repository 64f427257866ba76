import { differencesOf, differentParts } from '.';

const said = (then: object, now: object) =>
  differencesOf(then as Record<string, unknown>, now as Record<string, unknown>).map(({ path, then: was, now: is }) => [
    path.join('.'),
    was,
    is,
  ]);

it('tells what was changed, added and taken out, and nothing of what is alike or kept beside it', () => {
  const then = {
    id: 'a',
    version: 1,
    updatedAt: 'x',
    label: 'one',
    note: 'gone',
    situation: { place: 'Ledge', date: '2026-05-12' },
  };
  const now = {
    id: 'a',
    version: 2,
    updatedAt: 'y',
    label: 'two',
    hidden: true,
    situation: { place: 'Ledge', date: '2026-05-13' },
  };
  expect(said(then, now)).toEqual([
    ['label', 'one', 'two'],
    ['note', 'gone', undefined],
    ['situation.date', '2026-05-12', '2026-05-13'],
    ['hidden', undefined, 'true'],
  ]);
  expect(said(then, { ...then, version: 9 })).toEqual([]);
});

it('pairs the parts of a list by what names them, wherever they stand', () => {
  const bill = { character: 'bill', value: 62 };
  const legs = { character: 'legs', states: ['black', 'red'] };
  expect(said({ readings: [bill, legs] }, { readings: [legs, bill] })).toEqual([]);
  expect(said({ readings: [bill, legs] }, { readings: [{ ...legs, states: ['red'] }] })).toEqual([
    ['readings.bill.character', 'bill', undefined],
    ['readings.bill.value', '62', undefined],
    ['readings.legs.states', 'black, red', 'red'],
  ]);
  // Two of one name are told apart by their places.
  expect(said({ tallies: [bill, bill] }, { tallies: [bill, { ...bill, value: 63 }] })).toEqual([['tallies.2.value', '62', '63']]);
});

it('takes an empty list for none, and keeps apart a zero, a no and an empty text', () => {
  expect(said({ readings: [], walk: {} }, {})).toEqual([]);
  expect(said({ n: 0, yes: false, text: '' }, {})).toEqual([
    ['n', '0', undefined],
    ['yes', 'false', undefined],
    ['text', '', undefined],
  ]);
  // Names with a dot in them are not taken for a way through.
  expect(differencesOf({ 'a.b': 1 }, { a: { b: 1 } }).map(({ path }) => path)).toEqual([['a.b'], ['a', 'b']]);
});

describe('parts that differ', () => {
  const then = {
    a: { b: 1, c: 2 },
    list: [
      { id: 'x', n: 1 },
      { id: 'y', n: 2, more: { p: 1 } },
    ],
    d: 1,
  };

  it('of which one side has nothing are one, with all that it holds', () => {
    expect(differentParts(then, { d: 1, list: [{ id: 'x', n: 1 }] })).toEqual([
      {
        path: ['a'],
        then: '',
        holds: [
          { path: ['b'], value: '1' },
          { path: ['c'], value: '2' },
        ],
      },
      {
        ...{ path: ['list', 'y'], then: '' },
        holds: [
          { path: ['id'], value: 'y' },
          { path: ['n'], value: '2' },
          { path: ['more', 'p'], value: '1' },
        ],
      },
    ]);
  });

  it('are told leaf by leaf where both have some of it, and above the least way', () => {
    expect(differentParts(then, { ...then, a: { b: 3 }, d: undefined })).toEqual([
      { path: ['a', 'b'], then: '1', now: '3' },
      { path: ['a', 'c'], then: '2' },
      { path: ['d'], then: '1' },
    ]);
    expect(differentParts({ a: { b: 1 } }, {}, 2)).toEqual([{ path: ['a', 'b'], then: '1' }]);
  });
});
