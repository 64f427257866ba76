import { chanceToCarry, drawnBook } from './drawn';
import type { BookMember } from './members';
import { bandOf, outlinePath, shadedPath } from './symbol';
import { chartOf, HALF } from './chart';

const one = (id: string, kept: Partial<BookMember['kept']> = {}): BookMember => ({
  id,
  name: `No. ${id}`,
  kept: { status: 'here', ...kept },
});
const BOOK = [
  ...[one('f', { strain: 'Quell', status: 'dead' }), one('m', { strain: 'North' }), one('other')],
  ...[one('a', { father: 'f', mother: 'm' }), one('b', { fathers: ['f', 'other'], mother: 'm' })],
  one('c', { father: 'a', mother: 'of another book' }),
];
const ids = (drawn: ReturnType<typeof drawnBook>) => drawn.kin.map(({ id }) => id);

it('draws a line, with whom it had its young; folds what is not looked at', () => {
  expect(ids(drawnBook(BOOK, undefined))).toEqual(['f', 'm', 'other', 'a', 'b', 'c']);
  expect(ids(drawnBook(BOOK, undefined, { focus: { of: 'c', toward: 'ancestors' } }))).toEqual(['f', 'm', 'a', 'c']);
  expect(ids(drawnBook(BOOK, undefined, { focus: { of: 'f', toward: 'descendants' } }))).toEqual([
    'f',
    'm',
    'other',
    'a',
    'b',
    'c',
  ]);
  expect(ids(drawnBook(BOOK, undefined, { focus: { of: 'a', toward: 'descendants' } }))).toEqual(['a', 'c']);
  const folded = drawnBook(BOOK, undefined, { folded: new Set(['f']) });
  expect(ids(folded)).toEqual(['f', 'm', 'other']);
  expect(folded.facts.get('f')).toMatchObject({ folded: 3, away: 'dead', wrong: false, shares: { Quell: 1 } });
  // Somebody who is gone from the book is asked for in an old address.
  expect(ids(drawnBook(BOOK, undefined, { focus: { of: 'gone', toward: 'ancestors' } }))).toHaveLength(6);
});

it('leaves out a parent that would make somebody its own ancestor', () => {
  const circle = [one('a', { father: 'b' }), one('b', { father: 'a', mother: 'm' }), one('m'), one('self', { father: 'self' })];
  const { kin } = drawnBook(circle, undefined);
  expect(kin.reduce((links, { fathers }) => links + fathers.length, 0)).toBe(1);
  expect(chartOf(kin).symbols).toHaveLength(4);
  const line = drawnBook(circle, undefined, { focus: { of: 'a', toward: 'ancestors' }, folded: new Set(['b']) });
  expect(chartOf(line.kin).symbols.length).toBe(line.kin.length);
});

it('says of each what its records come to', () => {
  const told = (id: string, female: number) => ({
    id: `No. ${id}`,
    sexP: { female, male: 1 - female },
    genotypes: {
      pale: [
        { genotype: '+/p', p: 0.7 },
        { genotype: '+/+', p: 0.2 },
        { genotype: 'p/p', p: 0.1 },
      ],
    },
  });
  const posterior = {
    ...{ individuals: [told('a', 0.9), told('b', 0.5)], together: [] },
    impossible: [{ matter: 0, records: [{ id: 'No. b', what: 'father' as const }], p: 1, why: '' }],
  };
  const { facts } = drawnBook(BOOK, posterior, { carries: { locus: 'pale', allele: 'p' } });
  expect(facts.get('a')).toMatchObject({ sex: 'female', wrong: false, shares: { Quell: 0.5, North: 0.5 } });
  expect(facts.get('a')!.shade).toBeCloseTo(0.8, 12);
  expect(facts.get('b')).toMatchObject({ sex: undefined, wrong: true });
  expect(chanceToCarry(undefined, 'p')).toBe(0);
});

it('shades a symbol from below, as high as the chance is', () => {
  const numbers = (d: string) => d.match(/-?[\d.]+/g)!.map(Number);
  expect(shadedPath('female', 1)).toBe(outlinePath('female'));
  expect(numbers(shadedPath('male', 0.25))[1]).toBeCloseTo(HALF / 2, 2);
  const [left, top] = numbers(shadedPath('female', 0.75));
  expect(top).toBeCloseTo(-HALF / 2, 2);
  expect(Math.hypot(left, top)).toBeCloseTo(HALF, 1);
  // More than half of a circle is the larger of the two arcs.
  expect([shadedPath('female', 0.75), shadedPath('female', 0.25)].map((d) => numbers(d)[5])).toEqual([1, 0]);
  expect(shadedPath(undefined, 0.25).match(/L/g)).toHaveLength(2);
  expect(shadedPath(undefined, 0.75).match(/L/g)).toHaveLength(4);
  const band = bandOf({ Quell: 0.75, North: 0.25 }, ['North', 'Quell', 'Skerry']);
  expect(band).toEqual([
    { strain: 'North', y: HALF / 2, height: HALF / 2 },
    { strain: 'Quell', y: -HALF, height: 1.5 * HALF },
  ]);
});
