import fc from 'fast-check';
import {
  draftOf,
  emptyDraft,
  type Matrix,
  matrixOf,
  takeMatrix,
  workingOf,
  writeCsv,
  writeLongCsv,
  writeNexus,
  writeSddMatrix,
} from '..';

/** States whose names say something of their own in a cell, in a table or in a format. */
const STATES = [
  ...['red; black', 'red or black', 'either side', 'either', 'round, flat', 'a/b', 'not round', 'red & black'],
  ...['rarely seen', 'often broken', 'red rarely', 'covers 30%', '10%', 'usually red 10%', 'applies'],
  ...['-', '–', '?', 'n/a', 'does not apply', 'none', 'unknown', '0', '1–2', '>5', '±'],
  ...['“old”', '"q"', "O'Neil", '[x]', '{x}', '(x)', '<b>', 'a&amp;b', '=1+1', 'x:y', 'x;', 'a_b', 'END;', 'above Velda'],
];
const TAXA = [
  'Velda alba',
  "Velda o'neili",
  'Velda (x) alba',
  'V. [old]',
  'Velda_alba',
  '12',
  'Velda; nova',
  'taxon',
  '?',
  '-',
  '=x',
];
const LABELS = ['Head', 'Wing, length', "O'x", 'a;b', 'Head [old]', '?', '-', 'taxon', '=z', 'x_y', 'a "b"', '<b>', 'Tail: tip'];

const made = fc
  .record({
    taxa: fc.uniqueArray(fc.constantFrom(...TAXA), { minLength: 3, maxLength: 5 }),
    characters: fc.uniqueArray(
      // One state that is no number: else a table cannot know that it is no count.
      fc.record({
        label: fc.constantFrom(...LABELS),
        states: fc.uniqueArray(fc.constantFrom(...STATES), { minLength: 2, maxLength: 3 }).map((own) => ['plain', ...own]),
      }),
      { selector: ({ label }) => label, minLength: 1, maxLength: 3 },
    ),
    dice: fc.array(fc.nat(99), { minLength: 15, maxLength: 15 }),
  })
  .map(({ taxa, characters, dice }) => {
    const scores = taxa.flatMap((_, t) =>
      characters.flatMap(({ states }, c) => {
        const roll = t === 0 ? 1 : dice[(3 * t + c) % 15];
        const [one, other] = [roll % states.length, (roll + 1) % states.length];
        const value =
          t === 0
            ? { kind: 'states' as const, states: { s0: 'always' as const } }
            : roll < 10
              ? undefined
              : roll < 20
                ? { kind: 'applies' as const, frequency: 'never' as const }
                : roll < 60
                  ? { kind: 'states' as const, states: { [`s${one}`]: 'always' as const } }
                  : roll < 80
                    ? { kind: 'states' as const, states: { [`s${one}`]: 'often' as const, [`s${other}`]: 'rarely' as const } }
                    : { kind: 'states' as const, states: { [`s${one}`]: 0.5, [`s${other}`]: 0.5 }, uncertain: true as const };
        return value ? [{ character: `c${c}`, scope: { taxon: `t${t}` }, source: 'own', value }] : [];
      }),
    );
    const empty = emptyDraft('hostile', 'Hostile');
    return {
      ...empty,
      taxa: taxa.map((name, t) => ({
        ...{ id: `t${t}`, name, rank: 'species' as const, abundance: 1 },
        forms: [{ share: 1, facets: {} }],
      })),
      characters: characters.map(({ label, states }, c) => ({
        ...{ id: `c${c}`, label, kind: 'nominal' as const, group: 'shape' as const, views: [], handling: 'look' as const },
        ...{ distance: 'near' as const, needsLight: false, seconds: 5 },
        states: states.map((own, s) => ({ id: `s${s}`, label: own })),
      })),
      scores,
    };
  });

/** Each cell of what was written, as it is read into a draft. */
function readInto(into: ReturnType<typeof emptyDraft>, text: string, like: Matrix): string[][] {
  const working = workingOf(into);
  const taken = takeMatrix(working, { do: 'matrix', source: 'own', text });
  if (!taken.ok) throw new Error(taken.problems[0].message);
  const { taxa, characters, cells } = matrixOf(draftOf(working), 'own');
  return like.taxa.map((name) =>
    like.characters.map(({ label }) => cells[taxa.indexOf(name)]?.[characters.findIndex((one) => one.label === label)] ?? '?'),
  );
}

const saysHowOften = (cell: string) => / often; /.test(cell);
/** Of which it is not known which, in no order: a fresh draft has its states in the order in which a table has them. */
const inNoOrder = (cell: string) =>
  /^either /.test(cell)
    ? cell
        .slice(7)
        .split(/; | or /)
        .sort()
        .join('; ')
    : cell;
const allInNoOrder = (cells: string[][]) => cells.map((row) => row.map(inNoOrder));

it('names that say something of their own come back as they are from tables, and from SDD', () => {
  fc.assert(
    fc.property(made, (draft) => {
      const matrix = matrixOf(draft, 'own');
      for (const text of [writeCsv(matrix), writeLongCsv(matrix), writeSddMatrix('Hostile', matrix).text])
        for (const into of [{ ...draft, scores: [] }, emptyDraft('fresh', 'Fresh')])
          expect(allInNoOrder(readInto(into, text, matrix))).toEqual(allInNoOrder(matrix.cells));
    }),
    { numRuns: 150, seed: 11 },
  );
});

it('and from NEXUS, but for how often', () => {
  fc.assert(
    fc.property(made, (draft) => {
      const matrix = matrixOf(draft, 'own');
      const { text, lost } = writeNexus(matrix);
      const back = readInto(emptyDraft('fresh', 'Fresh'), text, matrix);
      expect(lost.some((line) => line.includes('How often'))).toBe(matrix.cells.flat().some(saysHowOften));
      const silent = (cells: string[][]) =>
        allInNoOrder(cells).map((row, t) => row.map((cell, c) => (saysHowOften(matrix.cells[t][c]) ? '' : cell)));
      expect(silent(back)).toEqual(silent(matrix.cells));
    }),
    { numRuns: 150, seed: 12 },
  );
});
