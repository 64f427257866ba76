import { seeded } from '../probability';
import { type BookRow, readBookCsv, readLinkage, rowProblems, writeBookCsv, writeLinkage } from '.';

const MORPH = { id: 'morph', states: ['wild', 'pale', 'smoke'] };
const row = (label: string, kept: Partial<BookRow['kept']> = {}, note?: string): BookRow => ({
  label,
  kept: { status: 'here', phenotypes: {}, fathers: [], mothers: [], ...kept },
  ...(note ? { note } : {}),
});
const sexed = (called: 'female' | 'male', certainty = 1) => ({ sex: { called, certainty } });

it('a pedigree file of linkage programs has six columns, and is read back the same', () => {
  const rows = [
    ...[
      row('Moth 1', { ...sexed('male'), phenotypes: { morph: 'wild' } }),
      row('Moth_2', { ...sexed('female'), phenotypes: { morph: 'pale' } }),
    ],
    ...[
      row('3', { fathers: ['Moth 1'], mothers: ['Moth_2'], phenotypes: { morph: 'smoke' } }),
      row('0', { mothers: ['Moth_2'] }),
      row('alone'),
    ],
  ];
  const text = writeLinkage(rows, MORPH);
  expect(text).toBe('1 Moth_1 0 0 1 1\n1 Moth~_2 0 0 2 2\n1 3 Moth_1 Moth~_2 0 3\n1 ~0 0 Moth~_2 0 0\n2 alone 0 0 0 0\n');
  expect(readLinkage(text, MORPH)).toEqual({ rows, lines: [1, 2, 3, 4, 5], problems: [] });
  expect(readLinkage(`# a comment\r\n\r\n${text.replace(/ /g, '\t').replace(/\n/g, '\r\n')}`, MORPH)).toEqual({
    rows,
    lines: [3, 4, 5, 6, 7],
    problems: [],
  });
});

it('what such a file cannot hold is left out: parents in doubt, sexes and states that are not certain', () => {
  const rows = [
    row('a', sexed('male')),
    row('b', sexed('male')),
    row('c', { fathers: ['a', 'b'], ...sexed('female', 0.9), phenotypes: { morph: { states: ['pale'], certainty: 0.8 } } }),
  ];
  expect(writeLinkage(rows, MORPH).split('\n')[2]).toBe('1 c 0 0 0 0');
});

it.each([
  ['1 a 0 0 1', 'phenotype', /5 columns/],
  ['1 a 0 0 1 1 1', 'phenotype', /7 columns/],
  ['1 a 0 0 3 1', 'sex', /“3” is no sex/],
  ['1 a 0 0 m 1', 'sex', /“m” is no sex/],
  ['1 a 0 0 1 4', 'phenotype', /“4” is no state of “morph”/],
  ['1 a 0 0 1 1.5', 'phenotype', /“1.5” is no state/],
  ['1 0 0 0 1 1', 'individual', /Nobody is called 0/],
])('%j is refused at its column', (text, column, message) => {
  expect(readLinkage(text, MORPH).problems).toEqual([{ line: 1, column, message: expect.stringMatching(message) }]);
});

it('CSV holds all of a book, and is read back the same', () => {
  const rows = [
    row(
      'Moth 1, “the old”',
      {
        ...sexed('male', 0.9),
        strain: 'Quell',
        origin: 'a trap, "north"',
        status: 'dead',
        hatched: '2026-05-01',
        hatchedTo: '2026-05-04',
      },
      'one\ntwo',
    ),
    row('2', {
      ...{ fathers: ['Moth 1, “the old”', '1'], mothers: ['m'], pen: 'cage 2', condition: 'thin' },
      moves: [
        { on: '2026-05-01', pen: 'cage 1' },
        { on: '2026-06-01', pen: 'cage 2' },
      ],
      weights: [{ on: '2026-05-03', grams: 1.25 }],
      separations: [
        { on: '2026-06-02', from: 'cage 2', found: 'none' },
        { on: '2026-06-09', from: 'cage 2', found: 'laid' },
      ],
      phenotypes: { morph: { states: ['pale', 'wild'], certainty: 0.7 } },
    }),
    row('1', { ...sexed('male'), phenotypes: { morph: 'pale' } }),
    row('m', sexed('female')),
  ];
  const text = writeBookCsv(rows, [MORPH]);
  expect(readBookCsv(text, [MORPH])).toEqual({ rows, lines: [2, 3, 4, 5], problems: [] });
  expect(readBookCsv(`\uFEFF${text}\r\n\r\n`, [MORPH]).rows).toEqual(rows);
});

it('drawn books come back the same from both', () => {
  const random = seeded('books');
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const letters = ['a', 'B', '_', '~', ' ', '7', ',', '"', 'ü', '#', '0', '-', '='];
  for (let n = 0; n < 200; n++) {
    const names = [
      ...new Set(
        Array.from({ length: 8 }, () =>
          Array.from({ length: 1 + Math.floor(random() * 5) }, () => one(letters))
            .join('')
            .trim(),
        ),
      ),
    ].filter(Boolean);
    const rows = names.map((label, i) => {
      const before = names.slice(0, i);
      return row(label, {
        ...(random() < 0.7 ? sexed(one(['female', 'male'])) : {}),
        fathers: i && random() < 0.6 ? [one(before)] : [],
        mothers: i && random() < 0.6 ? [one(before)] : [],
        phenotypes: random() < 0.7 ? { morph: one(MORPH.states) } : {},
      });
    });
    expect(readBookCsv(writeBookCsv(rows, [MORPH]), [MORPH])).toMatchObject({ rows, problems: [] });
    expect(readLinkage(writeLinkage(rows, MORPH), MORPH)).toMatchObject({ rows, problems: [] });
  }
});

it.each([
  ['label,sex\na,male', 1, 'label'],
  ['sex\nmale', 1, 'individual'],
  ['individual,sex\na,m', 2, 'sex'],
  ['individual,sex,sex sure\na,male,2', 2, 'sex sure'],
  ['individual,sex,sex sure\na,male,0.3', 2, 'sex'],
  ['individual,morph\na,pale\nb,blue', 3, 'morph'],
  ['individual,hatched\na,2026-02-30', 2, 'hatched'],
  ['individual,weights\na,2026-02-03 heavy', 2, 'weights'],
  ['individual,weights\na,2026-02-03', 2, 'weights'],
  ['individual,kept alone\na,2026-02-03 perhaps cage 2', 2, 'kept alone'],
  ['individual,kept alone\na,2026-02-03 none', 2, 'separations'],
  ['individual,status\na,lost', 2, 'status'],
  ['individual,sex\n,male', 2, 'individual'],
  ['individual\na,b', 2, ''],
])('%j is refused in its line and column', (text, line, column) => {
  expect(readBookCsv(text, [MORPH]).problems[0]).toMatchObject({ line, column });
});

it('names twice, parents that are nowhere and own ancestors are named by line', () => {
  const of = (...rows: BookRow[]) =>
    rowProblems(rows, new Set(['known']), (i) => i + 2).map(({ line, column }) => [line, column]);
  expect(of(row('a'), row('a'))).toEqual([[3, 'individual']]);
  expect(of(row('a', { fathers: ['known'], mothers: ['x'] }))).toEqual([[2, 'mother']]);
  expect(of(row('a', { fathers: ['c'] }), row('b', { fathers: ['a'] }), row('c', { mothers: ['b'] }))).toEqual([
    [expect.any(Number), 'father'],
  ]);
  expect(of(row('a', { fathers: ['a'] }))).toEqual([[2, 'father']]);
  expect(
    of(row('d', { fathers: ['b'], mothers: ['c'] }), row('b', { mothers: ['a'] }), row('c', { mothers: ['a'] }), row('a')),
  ).toEqual([]);
});
