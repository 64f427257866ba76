import { type Labels, learn, readTable } from '.';
import { numberOf } from './table';

const ok = (csv: string, labels: Labels = { taxon: 'kind' }, ignore: string[] = []) => {
  const outcome = readTable(csv, labels, ignore);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};
const problems = (csv: string, labels: Labels = { taxon: 'kind' }, ignore: string[] = []) => {
  const outcome = readTable(csv, labels, ignore);
  return outcome.ok ? [] : outcome.problems.map(({ code, field }) => `${field} ${code}`);
};

describe('numbers as typed', () => {
  it.each([
    ['3.5', 3.5],
    [' 12 ', 12],
    ['-4e2', -400],
    ['3,5', 3.5],
    ['.5', 0.5],
  ])('%s', (text, value) => expect(numberOf(text)).toBe(value));
  it.each(['', ' ', 'about 9', '0x10', '1,2,3', 'Infinity', '12mm'])('“%s” is none', (text) => expect(numberOf(text)).toBeNaN());
});

describe('a table', () => {
  it('is read whatever parts its cells, with quotes and a byte order mark', () => {
    const table = ok('\uFEFFkind;length;"wing, chord"\n"a; b";1,5;2\nc;2,5;3\n');
    expect(table.columns.map(({ name }) => name)).toEqual(['length', 'wing, chord']);
    expect(table.rows.map(({ labels, cells }) => [labels.taxon, ...cells])).toEqual([
      ['a; b', '1,5', '2'],
      ['c', '2,5', '3'],
    ]);
  });

  it('guesses what its columns hold', () => {
    const rows = Array.from(
      { length: 30 },
      (_, i) => `k${i % 2},${i + 1},${10 + i * 0.37},${i % 6},${i % 3 ? 'red' : 'blue'},same,,v${i}`,
    );
    const kinds = ok(['kind,nr,length,teeth,colour,constant,empty,name', ...rows].join('\n')).columns.map(
      ({ name, kind, leftOut }) => `${name}: ${leftOut ?? kind}`,
    );
    expect(kinds).toEqual([
      'nr: it only numbers the rows',
      'length: measurement',
      'teeth: count',
      'colour: nominal',
      'constant: every specimen has the same',
      'empty: it is empty',
      'name: it has 30 different entries',
    ]);
  });

  it('allows missing cells, however they are marked', () => {
    const table = ok('kind,length\na,NA\nb,3.1\nc,-\nd,?\ne,4\nf,5');
    expect(table.columns[0]).toMatchObject({ kind: 'measurement', missing: 3 });
  });

  it('names rows that fail by line and keeps the rest', () => {
    const numbers = Array.from({ length: 30 }, (_, i) => `a,${i + 0.5}`);
    const table = ok(['kind,length', 'a,1.5,9', ',2.5', 'a,about 9', ...numbers].join('\n'));
    expect(table.rows).toHaveLength(30);
    expect(table.problems).toMatchObject([
      { line: 2, code: 'row-width' },
      { line: 3, code: 'label-missing', field: 'taxon' },
      { line: 4, code: 'not-a-number', field: 'length', message: 'Line 4: “about 9” in “length” is not a number.' },
    ]);
  });

  it('is left out in part where one asks for it', () => {
    expect(ok('kind,length,width\na,1,2\nb,2,3', { taxon: 'kind' }, ['width']).columns.map(({ name }) => name)).toEqual([
      'length',
    ]);
  });

  it('takes a column for what it is said to hold, and leaves out what it cannot be', () => {
    const rows = Array.from({ length: 12 }, (_, i) => `k${i % 2},${i % 4},${i + 0.5},${i % 3 ? 'red' : 'blue'}`);
    const csv = ['kind,code,length,colour', ...rows].join('\n');
    const columns = (kinds: Record<string, 'measurement' | 'count' | 'nominal'>) => {
      const outcome = readTable(csv, { taxon: 'kind' }, [], kinds);
      return outcome.ok ? outcome.value.columns.map(({ name, kind, leftOut }) => `${name}: ${leftOut ?? kind}`) : [];
    };
    expect(columns({})).toEqual(['code: count', 'length: measurement', 'colour: nominal']);
    expect(columns({ code: 'nominal', length: 'count', colour: 'measurement' })).toEqual([
      'code: nominal',
      'length: it holds no whole numbers',
      'colour: it holds no numbers',
    ]);
    expect(columns({ code: 'measurement', length: 'nominal' })).toEqual([
      'code: measurement',
      'length: nominal',
      'colour: nominal',
    ]);
  });

  it('does not take a kind for what holds no character', () => {
    const wrong = (kinds: Record<string, 'count'>) => {
      const outcome = readTable('kind,x\na,1', { taxon: 'kind' }, [], kinds);
      return outcome.ok ? [] : outcome.problems.map(({ code, field }) => `${field} ${code}`);
    };
    expect(wrong({ kind: 'count' })).toEqual(['kinds.kind kind-of-no-character']);
    expect(wrong({ y: 'count' })).toEqual(['kinds.y unknown-column']);
  });

  it.each<[string, string, Labels, string[], string]>([
    ['nothing in it', '', { taxon: 'kind' }, [], 'csv no-columns'],
    ['one column', 'kind\na', { taxon: 'kind' }, [], 'csv no-columns'],
    ['no specimens', 'kind,length', { taxon: 'kind' }, [], 'csv no-rows'],
    ['a name twice', 'kind,x,x\na,1,2', { taxon: 'kind' }, [], 'csv column-twice'],
    ['no name', 'kind,,x\na,1,2', { taxon: 'kind' }, [], 'csv column-unnamed'],
    ['no label', 'kind,x\na,1', {}, [], 'labels no-labels'],
    ['a label that is not there', 'kind,x\na,1', { taxon: 'sort' }, [], 'labels.taxon unknown-column'],
    ['one column as two labels', 'kind,x\na,1', { taxon: 'kind', sex: 'kind' }, [], 'labels.taxon label-twice'],
    ['something unknown left out', 'kind,x\na,1', { taxon: 'kind' }, ['y'], 'ignore[0] unknown-column'],
    ['its label left out', 'kind,x\na,1', { taxon: 'kind' }, ['kind'], 'ignore[0] label-ignored'],
  ])('with %s is refused', (_, csv, labels, ignore, expected) => expect(problems(csv, labels, ignore)).toContain(expected));
});

describe('learning from it', () => {
  const codes = (csv: string, labels: Labels = { taxon: 'kind' }) => {
    const outcome = learn({ id: 'x', title: 'X', csv, labels });
    return outcome.ok ? [] : outcome.problems.map(({ code, field }) => `${field} ${code}`);
  };
  const rows = (kind: string, n: number) => Array.from({ length: n }, (_, i) => `${kind},${i + 1.5}`);

  it('needs two kinds with two specimens each', () => {
    expect(codes(['kind,x', ...rows('a', 9)].join('\n'))).toEqual(['labels one-form']);
    expect(codes(['kind,x', ...rows('a', 9), ...rows('b', 1)].join('\n'))).toEqual(['labels one-form']);
  });

  it('needs something to tell them by', () => {
    expect(codes(['kind,x', ...Array.from({ length: 9 }, (_, i) => `${i % 2 ? 'a' : 'b'},same`)].join('\n'))).toEqual([
      'csv no-characters',
    ]);
  });

  it('leaves out kinds with too few, by line', () => {
    const outcome = learn({
      id: 'x',
      title: 'X',
      csv: ['kind,x', ...rows('a', 9), 'rare,4', ...rows('b', 9)].join('\n'),
      labels: { taxon: 'kind' },
    });
    if (!outcome.ok) throw new Error('learned');
    expect(outcome.value.problems).toMatchObject([
      { line: 11, code: 'too-few', message: 'Line 11: “rare” has 1 specimen; a form needs 2.' },
    ]);
    expect(outcome.value.guide.learned).toMatchObject({ rows: 18, leftOut: 1 });
  });
});
