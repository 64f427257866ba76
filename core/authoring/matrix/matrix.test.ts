import fc from 'fast-check';
import { ledgeCrabs } from '../../../demo';
import { draftOf, emptyDraft, readSddMatrix, takeMatrix, workingOf, writeSddMatrix } from '..';
import { type Matrix, matrixChanges, matrixOf, readCsv, readNexus, writeCsv, writeLongCsv, writeNexus } from '.';

const crabs = matrixOf(ledgeCrabs, ledgeCrabs.sources[0].id);
const small: Matrix = {
  taxa: ["Velda o'hara", 'Velda_alba', 'Velda velox'],
  characters: [
    { label: 'Head shape', states: ['round', "not 'round'", 'square [old]'] },
    { label: 'Legs', states: ['red', 'black'] },
    { label: 'Body', unit: 'mm' },
    { label: 'Rows', counted: true },
  ],
  cells: [
    ['round', 'red; black', '5–7', '8'],
    ['square [old]', '-', '12 ±1.5', '?'],
    ['?', 'black rarely; red usually', '?', '8–10'],
  ],
};
const read = (outcome: ReturnType<typeof readNexus>): Matrix => {
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};
describe('NEXUS', () => {
  it('holds states, polymorphism, what is missing and what does not apply; what it cannot hold is told', () => {
    const { text, lost } = writeNexus(small);
    expect(read(readNexus(text))).toEqual({
      taxa: small.taxa,
      characters: [small.characters[0], small.characters[1], { label: 'Body', unit: 'mm' }, { label: 'Rows' }],
      cells: [
        ['round', 'red; black', '6', '8'],
        ['square [old]', '-', '12', '?'],
        ['?', 'red; black', '?', '9'],
      ],
    });
    expect(lost).toEqual([
      'How often a state is met is left out: NEXUS says only that it is.',
      'Of ranges, deviations and several counts only the middle is written.',
      'Units are left out of NEXUS; they stand in the names of the characters.',
    ]);
  });

  it('written by others is read: comments, underscores, DATA, separate labels, interleaving, uncertainty', () => {
    const text = `#NEXUS
[ made by hand [nested] ]
Begin data;
 Dimensions ntax=2 nchar=4;
 Format datatype=standard interleave missing=? gap=- symbols="012";
 CharLabels Head_shape Legs 'Back; side' Tail;
 StateLabels 1 round square, 2 red black green;
 Matrix
 Velda_alba 0{12}
 'Velda velox' 1?

 Velda_alba 01
 'Velda velox' -(01)
 ;
End;`;
    expect(read(readNexus(text))).toEqual({
      taxa: ['Velda alba', 'Velda velox'],
      characters: [
        { label: 'Head shape', states: ['round', 'square'] },
        { label: 'Legs', states: ['red', 'black', 'green'] },
        { label: 'Back; side', states: ['state 0', 'state 1'] },
        { label: 'Tail', states: ['state 0', 'state 1'] },
      ],
      cells: [
        ['round', 'either black; green', 'state 0', 'state 1'],
        ['square', '?', '-', 'state 0; state 1'],
      ],
    });
  });

  it.each([
    ['Head;Legs', /Line 1: a NEXUS file begins with #NEXUS/],
    ['#NEXUS\n[ open', /Line 2: a comment that begins here is not closed/],
    ["#NEXUS\nbegin taxa;\ntaxlabels 'Velda;", /Line 3: a name in quotes/],
    ['#NEXUS\nbegin taxa; taxlabels a b;', /the block TAXA has no END/],
    ['#NEXUS\nbegin taxa; taxlabels a b; end;', /no CHARACTERS block/],
    ['#NEXUS\nbegin data;\ndimensions nchar=2;\nmatrix a 0 b 01;\nend;', /“a” has “b” at character 2/],
    ['#NEXUS\nbegin data;\ndimensions nchar=2;\nmatrix a 07;\nend;', /“a” has “7” at character 2/],
    ['#NEXUS\nbegin data;\ndimensions nchar=2;\nformat datatype=dna;\nmatrix a AC;\nend;', /type DNA are not read/i],
    [
      '#NEXUS\nbegin taxa; taxlabels a; end; begin characters; dimensions nchar=1; matrix b 0; end;',
      /“b”, which is not among the taxa/,
    ],
    ['#NEXUS\nbegin data; format transpose; dimensions nchar=1; matrix b 0; end;', /transposed/],
  ])('%#: what is no matrix is refused with its line', (text, message) => {
    expect(readNexus(text)).toMatchObject({
      ok: false,
      problems: [{ code: 'no-matrix', message: expect.stringMatching(message) }],
    });
  });

  it('of any names and states comes back the same', () => {
    const name = fc.string({ minLength: 1, maxLength: 12 }).map((one) => one.replace(/[\s\p{Cc}]+/gu, ' ').trim() || 'x');
    const matrix = fc
      .record({
        taxa: fc.uniqueArray(name, { minLength: 1, maxLength: 5 }),
        characters: fc.array(
          fc.record({ label: name, states: fc.uniqueArray(fc.stringMatching(/^[a-z]{1,8}$/), { minLength: 2, maxLength: 6 }) }),
          { minLength: 1, maxLength: 5 },
        ),
        dice: fc.array(fc.nat(100), { minLength: 25, maxLength: 25 }),
      })
      .map(({ taxa, characters, dice }): Matrix => ({
        taxa,
        characters,
        cells: taxa.map((_, t) =>
          characters.map(({ states }, c) => {
            const roll = dice[(5 * t + c) % 25];
            return roll < 10 ? '?' : roll < 20 ? '-' : roll < 40 ? `${states[0]}; ${states[1]}` : states[roll % states.length];
          }),
        ),
      }));
    fc.assert(
      fc.property(matrix, (one) => expect(read(readNexus(writeNexus(one).text))).toEqual(one)),
      { numRuns: 150, seed: 7 },
    );
  });
});

describe('tables', () => {
  it('wide and long come back the same', () => {
    const table: Matrix = { ...small, cells: small.cells.map((row) => [...row]) };
    table.cells[0][0] = "not 'round'";
    table.cells[2][0] = 'round';
    expect(readCsv(writeCsv(table))).toEqual({
      ok: true,
      value: {
        ...table,
        characters: [{ label: 'Head shape', states: ["not 'round'", 'square [old]', 'round'] }, ...table.characters.slice(1)],
      },
    });
    const long = readCsv(writeLongCsv(table));
    expect(long.ok && long.value.cells[0]).toEqual(["not 'round'", 'red; black', '5–7', '8']);
  });

  it('of the crabs becomes a guide that has the same scores', () => {
    const working = workingOf(emptyDraft('crabs', 'Crabs'));
    const outcome = readCsv(writeCsv(crabs));
    if (!outcome.ok) throw new Error(outcome.problems[0].message);
    expect(matrixChanges(outcome.value, working.draft, 'own').problems).toEqual([]);
    expect(takeMatrix(working, { do: 'matrix', source: 'own', text: writeCsv(crabs) }).ok).toBe(true);
    expect(matrixOf(draftOf(working), 'own').taxa).toEqual(crabs.taxa);
    const back = matrixOf(draftOf(working), 'own');
    const filled = crabs.cells.flat().filter((cell) => cell !== '?').length;
    expect([working.scores.size, filled > 60]).toEqual([filled, true]);
    // Counts of one column come back as numbers, however often they are met.
    expect(back.cells).toEqual(crabs.cells);
  });

  it('put into a draft that has some of it adds what is new, and tells what cannot be read by cell', () => {
    const working = workingOf(ledgeCrabs);
    const [taxon] = crabs.taxa;
    const grains = ledgeCrabs.characters.find(({ id }) => id === 'granules')!;
    const text = `taxon,${grains.label},Smell,Carapace width\n${taxon},dense grains,of mint,narrow\nPetralda nova,a new state,none,12–14`;
    const outcome = readCsv(text);
    if (!outcome.ok) throw new Error(outcome.problems[0].message);
    const source = ledgeCrabs.sources[0].id;
    const { problems } = matrixChanges(outcome.value, working.draft, source);
    expect(problems).toMatchObject([{ taxon, character: 'Carapace width', text: 'narrow' }]);
    expect(takeMatrix(working, { do: 'matrix', source, text }).ok).toBe(true);
    expect(working.draft.taxa.at(-1)).toMatchObject({ id: 'Petralda-nova', name: 'Petralda nova' });
    expect(working.draft.characters.find(({ id }) => id === 'granules')!.states!.map(({ label }) => label)).toContain(
      'a new state',
    );
    expect(working.draft.characters.at(-1)).toMatchObject({ label: 'Smell', kind: 'nominal' });
  });

  it.each([
    ['', 'no-matrix'],
    ['taxon,Head\n', 'no-matrix'],
    ['taxon,Head,\nVelda,round,x', 'no-matrix'],
    ['taxon,Head,Head\nVelda,round,x', 'character-twice'],
    ['taxon,Head\nVelda,round\nVelda,square', 'taxon-twice'],
    ['taxon,Head\nVelda,round\nvelda,square', 'taxon-twice'],
    ['taxon,Head\nVelda,round,square', 'no-matrix'],
    ['taxon,Head\nVelda,"round\nMinna,square', 'no-matrix'],
    ['taxon,Head\n,round', 'no-matrix'],
    ['taxon,character,value\nVelda,,round', 'no-matrix'],
  ])('%j is refused as %s', (text, code) => {
    expect(readCsv(text)).toMatchObject({ ok: false, problems: [{ code }] });
  });

  const many = (n: number, of: (i: number) => string, by: string) => Array.from({ length: n }, (_, i) => of(i)).join(by);
  it.each([
    ['taxa', `taxon,Head\n${many(20_001, (i) => `Velda ${i},round`, '\n')}`],
    ['characters', `taxon,${many(2001, (i) => `Mark ${i}`, ',')}\nVelda,x`],
    ['cells', `taxon,${many(1000, (i) => `Mark ${i}`, ',')}\n${many(4001, (i) => `Velda ${i},x`, '\n')}`],
    ['cells, a line each', `taxon,character,value\n${many(5000, (i) => `Velda ${i},Mark ${i % 2000},x`, '\n')}`],
  ])('of too many %s is refused before it is held, with how many there may be', (_, text) => {
    expect(readCsv(text)).toMatchObject({
      ...{ ok: false, problems: [{ code: 'too-large', message: expect.stringContaining('20,000 taxa') }] },
    });
  });
  it('tell several states that are met from several of which it is not known which, and all formats keep them apart', () => {
    const matrix: Matrix = {
      taxa: ['A', 'B', 'C'],
      characters: [
        { label: 'Legs', states: ['red', 'black', 'dark or green'] },
        { label: 'Side', states: ['either side', 'left'] },
      ],
      cells: [
        ['either red or black', 'either side'],
        ['red or black', 'either either side or left'],
        ['either red; dark or green', 'left'],
      ],
    };
    const scores = (one: Matrix) =>
      matrixChanges(one, workingOf(emptyDraft('n', 'N')).draft, 'own').put.map(({ value }) => value);
    expect(scores(matrix)).toMatchObject([
      { states: { red: 0.49, black: 0.49 }, uncertain: true },
      { states: { 'either-side': 'always' } },
      { states: { red: 0.49, black: 0.49 } },
      { states: { 'either-side': 0.49, left: 0.49 }, uncertain: true },
      { states: { red: 0.49, 'dark-or-green': 0.49 }, uncertain: true },
      { states: { left: 'always' } },
    ]);
    expect(scores(matrix)[2]).not.toHaveProperty('uncertain');
    const { text, lost } = writeNexus(matrix);
    expect(lost).toEqual([]);
    expect(text).toMatch(/A \{01\}0\n\s*B \(01\)\{01\}\n\s*C \{02\}1/);
    for (const back of [
      readNexus(text),
      readSddMatrix(writeSddMatrix('T', matrix).text),
      readCsv(writeCsv(matrix)),
      readCsv(writeLongCsv(matrix)),
    ]) {
      expect(scores(read(back))).toEqual(scores(matrix));
    }
  });

  it('as NEXUS may say that a taxon is as the first, let signs stand for others, and write powers of ten', () => {
    const nexus = (format: string, rows: string) =>
      readNexus(`#NEXUS\nBEGIN DATA;\nDIMENSIONS NTAX=2 NCHAR=3;\nFORMAT ${format};\nMATRIX\n${rows};\nEND;`);
    expect(nexus('DATATYPE=STANDARD SYMBOLS="012" MATCHCHAR=. EQUATE="x=(01) y=2"', 'A 0xy\nB .{x2}.')).toMatchObject({
      ok: true,
      value: {
        cells: [
          ['state 0', 'state 0; state 1', 'state 2'],
          ['state 0', 'either state 0; state 1; state 2', 'state 2'],
        ],
      },
    });
    expect(nexus('DATATYPE=CONTINUOUS', 'A 1e-2 1.5E1 -3\nB 0.5 20 ?')).toMatchObject({
      ok: true,
      value: {
        cells: [
          ['0.01', '15', '-3'],
          ['0.5', '20', '?'],
        ],
      },
    });
  });

  it.each([
    ['NCHAR=2001', 'VELDA 0'],
    ['NCHAR=999999999999', 'VELDA 0'],
  ])('as NEXUS of %s is refused before it is held', (nchar, row) => {
    const text = `#NEXUS\nBEGIN DATA;\nDIMENSIONS NTAX=1 ${nchar};\nFORMAT DATATYPE=STANDARD;\nMATRIX\n${row};\nEND;`;
    expect(readNexus(text)).toMatchObject({
      ...{ ok: false, problems: [{ message: expect.stringMatching(/^Line \d+: .*too many at once/) }] },
    });
  });

  it('columns are told by what stands in them', () => {
    const outcome = readCsv(
      'taxon;Rows;Body (mm);Legs;Ratio\nA;8;5-7;usually red or black;1.5\nB;8; 9;black;2'.replace(/;/g, ','),
    );
    expect(outcome.ok && outcome.value.characters).toEqual([
      { label: 'Rows', counted: true },
      { label: 'Body', unit: 'mm' },
      { label: 'Legs', states: ['red', 'black'] },
      { label: 'Ratio' },
    ]);
  });

  const columns = (text: string) => {
    const outcome = readCsv(text);
    return outcome.ok && outcome.value.characters;
  };

  it('with decimal commas and units behind the numbers are measured', () => {
    expect(columns('taxon;Body (mm);Weight;Wing;Tail\nA;4,5-6;1,25;5 mm;4\nB;7,5;2,50;0,7 cm;5')).toEqual([
      { label: 'Body', unit: 'mm' },
      { label: 'Weight' },
      { label: 'Wing', unit: 'mm' },
      { label: 'Tail', counted: true },
    ]);
    // Which unit the bare number is in, nobody says; and a number that is not sure is asked back by cell.
    expect(columns('taxon,Wing\nA,5 mm\nB,0.7 cm\nC,6')).toEqual([{ label: 'Wing', states: ['5 mm', '0.7 cm', '6'] }]);
    const unsure = readCsv('taxon,Body (mm)\nA,"1,000"\nB,9.5');
    if (!unsure.ok) throw new Error(unsure.problems[0].message);
    expect(unsure.value.characters).toEqual([{ label: 'Body', unit: 'mm' }]);
    const { problems, put } = matrixChanges(unsure.value, workingOf(emptyDraft('new', 'New')).draft, 'own');
    expect([problems.map(({ text }) => text), put.length]).toEqual([['1,000'], 1]);
  });

  it('with several states in a cell are parted by commas only where one of them is met by itself, or is said to be so often', () => {
    expect(columns('taxon,Legs\nA,"red, black"\nB,black\nC,red/black')).toEqual([{ label: 'Legs', states: ['red', 'black'] }]);
    expect(columns('taxon,Legs\nA,"red, rarely black"')).toEqual([{ label: 'Legs', states: ['red', 'black'] }]);
    expect(columns('taxon,Legs\nA,"brown, black or red"')).toEqual([{ label: 'Legs', states: ['brown', 'black', 'red'] }]);
    expect(columns('taxon,Legs\nA,"red, with a black ring"\nB,black')).toEqual([
      { label: 'Legs', states: ['red, with a black ring', 'black'] },
    ]);
  });

  it('of a line for each cell name a taxon once, however its letters are written', () => {
    const working = workingOf(emptyDraft('new', 'New'));
    const text = 'taxon,character,value\nVelda alba,Legs,red\nvelda alba,Rows,4';
    expect(takeMatrix(working, { do: 'matrix', source: 'own', text }).ok).toBe(true);
    expect(working.draft.taxa.map(({ name }) => name)).toEqual(['Velda alba']);
    expect([...working.scores.values()].map(({ scope }) => scope.taxon)).toEqual(['Velda-alba', 'Velda-alba']);
  });

  it('turned, and with columns and lines that are empty at the end, are the same', () => {
    const plain = readCsv('taxon,Legs,Rows\nA,red,4\nB,black,5');
    expect(plain.ok).toBe(true);
    expect(readCsv('Character,A,B\nLegs,red,black\nRows,4,5')).toEqual(plain);
    expect(readCsv('taxon,Legs,Rows,,\nA,red,4,,\nB,black,5\n,,,,\n')).toEqual(plain);
  });
});
