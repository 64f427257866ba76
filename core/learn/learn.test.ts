import { compileGuide, formsOf, readGuide } from '../guide';
import { checkReadings } from '../observation';
import { posteriorOf } from '../evidence';
import { learnedFrom as from } from '../test/learnedFrom';
import { lengths } from '../test/lengths';
import { asRequest, crossValidate, prepareData, assignFolds, guessRoles, learn } from '.';
import { shrunkMeans } from './kin';
import { fitModel } from './model';
import { stackingWeights } from './stack';
import { addRow, meansOf, noStatistics, plus } from './pairStatistics';

describe('sums', () => {
  const rows = [
    [1, 2],
    [3, 5],
    [2, Number.NaN],
    [6, 4],
  ].map((row) => Float64Array.from(row));
  const of = (list: Float64Array[]) => {
    const sums = noStatistics(2);
    for (const row of list) addRow(sums, row);
    return sums;
  };

  it('downdated are those of the rows that are left', () => {
    expect(plus(of(rows), of(rows.slice(1, 3)), -1)).toEqual(of([rows[0], rows[3]]));
    expect(plus(of(rows.slice(0, 2)), of(rows.slice(2)), 1)).toEqual(of(rows));
  });

  it('leave missing cells out of means only where they are missing', () => {
    expect([...meansOf(of(rows), [0, 0])]).toEqual([3, 11 / 3]);
    expect([...meansOf(noStatistics(2), [7, 8])]).toEqual([7, 8]);
  });

  const apart = { taxon: Int32Array.from([0, 1]), facets: new Int32Array(2) };

  it('give the pooled covariance that the rows themselves give', () => {
    const groups = [rows.filter((_, i) => i !== 2), rows.map((row) => row.map((x) => x * 2 + 1)).filter((_, i) => i !== 2)];
    const { pooled, means } = fitModel(groups.map(of), 2, { own: 0, shrink: 0, kin: 0 }, apart);
    const scatter = (i: number, j: number) =>
      groups.reduce(
        (sum, group, g) => sum + group.reduce((s, row) => s + (row[i] - means[g][i]) * (row[j] - means[g][j]), 0),
        0,
      ) / 4;
    expect([...pooled]).toEqual([scatter(0, 0), scatter(1, 0), scatter(1, 1)].map((x) => expect.closeTo(x, 10)));
  });

  it('shrunk all the way are uncorrelated, with the same variances', () => {
    const group = of(rows.filter((_, i) => i !== 2));
    const [plain, bare] = [0, 1e9].map((shrink) => fitModel([group, group], 2, { own: 0, shrink, kin: 0 }, apart).pooled);
    expect([bare[0], bare[1], bare[2]]).toEqual([plain[0], 0, plain[2]]);
  });
});

describe('folds', () => {
  const table = lengths({ forms: 3, columns: 3, each: 23 });
  const { guide } = from(table);

  it('hold every row once and every form evenly', () => {
    const csvRows = table.rows.map(({ form }) => form);
    const forms = [...new Set(csvRows)];
    const of = Int32Array.from(csvRows, (form) => forms.indexOf(form));
    const data = {
      forms: forms.map((name) => ({ name, labels: { taxon: name }, n: 23 })),
      of,
      measured: [],
      values: new Float64Array(0),
      categorical: [],
      entries: new Int16Array(0),
    };
    const { rows } = assignFolds(data, 10, 'x');
    expect(rows.flat().sort((a, b) => a - b)).toEqual(csvRows.map((_, i) => i));
    for (const fold of rows) {
      for (const f of [0, 1, 2]) expect([2, 3]).toContain(fold.filter((row) => of[row] === f).length);
    }
  });

  it('and the whole of learning are the same each time', () => expect(from(table).guide).toEqual(guide));
});

describe('the learned guide', () => {
  const table = lengths({ forms: 3, columns: 5, each: 60, apart: 0.05, seed: 'guide' });
  const shares: number[] = [];
  const { guide } = from(table, {}, (share) => shares.push(share));
  const compiled = compileGuide(guide);

  it('is a guide like any other: it reads back and keeps its names', () => {
    expect(readGuide(JSON.parse(JSON.stringify(guide)))).toEqual({ ok: true, value: guide });
    expect(guide.taxa.map(({ name }) => name)).toEqual(['Learned', ...new Set(table.rows.map(({ form }) => form))]);
    expect(guide.characters.map(({ label }) => label)).toEqual(table.columns);
  });

  it('keeps n, means and the covariance within forms', () => {
    const [block] = guide.blocks!;
    expect(block.forms.map(({ n }) => n)).toEqual([60, 60, 60]);
    expect(block.covariance).toHaveLength(15);
    const first = table.rows.filter(({ form }) => form === guide.taxa[1].name);
    const mean = first.reduce((sum, { x }) => sum + (block.log ? Math.log(x[0]) : x[0]), 0) / 60;
    expect(block.forms[0].mean[0]).toBeCloseTo(mean, 3);
  });

  it('weighs new specimens as well as it promised', () => {
    const fresh = lengths({ forms: 3, columns: 5, each: 400, apart: 0.05, seed: 'guide' });
    const ids = guide.characters.map(({ id }) => id);
    const forms = formsOf(guide);
    let right = 0;
    let loss = 0;
    for (const { form, x } of fresh.rows) {
      const { p } = posteriorOf(
        compiled,
        {},
        x.map((value, c) => ({ character: ids[c], value })),
      );
      const truth = forms.findIndex(({ taxon }) => guide.taxa.find(({ id }) => id === taxon)!.name === form);
      if (p.reduce((best, q, f) => (q > p[best] ? f : best), 0) === truth) right++;
      loss -= Math.log(p[truth]);
    }
    const promised = guide.learned!.crossValidation;
    expect(right / fresh.rows.length).toBeCloseTo(promised.accuracy, 1);
    expect(loss / fresh.rows.length).toBeCloseTo(promised.logLoss, 0);
  });

  it('tells its confusion and calibration in numbers that add up', () => {
    const cv = guide.learned!.crossValidation;
    expect(cv.confusion.flat().reduce((a, b) => a + b, 0)).toBe(180);
    expect(cv.confusion.reduce((sum, row, i) => sum + row[i], 0) / 180).toBeCloseTo(cv.accuracy, 12);
    expect(cv.calibration.reduce((sum, { n }) => sum + n, 0)).toBe(180);
    for (const { from: low, to, stated } of cv.calibration) {
      expect(stated).toBeGreaterThanOrEqual(low);
      expect(stated).toBeLessThanOrEqual(to);
    }
  });

  it('reports how far it is, rising to the end', () => {
    expect(shares.length).toBeGreaterThan(5);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(shares.at(-1)).toBe(1);
  });
});

describe('tables of more than lengths', () => {
  const csv = [
    'species,colour,teeth,length,width,note',
    ...Array.from({ length: 60 }, (_, i) => {
      const b = i % 2;
      const length = 20.5 + (i % 7) + b;
      return [
        b ? 'beta' : 'alpha',
        (i % 5 === 0) !== Boolean(b) ? 'pale' : 'dark',
        4 + b * 2 + (i % 3),
        i % 11 === 0 ? '' : length,
        length * 0.6 + (i % 4) * 0.3,
        `free text ${i}`,
      ].join(',');
    }),
  ].join('\n');
  const outcome = learn({ id: 'm', title: 'Mixed', csv, labels: { taxon: 'species' } });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  const { guide, leftOut } = outcome.value;

  it('take counts and words as frequencies, lengths together, and leave out what tells nothing', () => {
    expect(guide.characters.map(({ label, kind }) => `${label} ${kind}`)).toEqual([
      'length measurement',
      'width measurement',
      'colour nominal',
      'teeth count',
    ]);
    expect(leftOut).toEqual([{ name: 'note', why: 'it has 60 different entries' }]);
    expect(guide.characters.find(({ id }) => id === 'teeth')!.counts).toEqual({ from: 0, to: 12 });
  });

  it('keep every row with a missing cell', () => expect(guide.learned!.rows).toBe(60));

  it('weigh a count that the table never had', () => {
    const compiled = compileGuide(guide);
    for (const value of [0, 12]) {
      const { p } = posteriorOf(compiled, {}, [{ character: 'teeth', value }]);
      expect(p.reduce((a, b) => a + b, 0)).toBeGreaterThan(0.9);
      expect(checkReadings(guide, [{ character: 'teeth', value }])).toEqual([]);
    }
    expect(posteriorOf(compiled, {}, [{ character: 'teeth', value: 11 }]).p[1]).toBeGreaterThan(0.5);
  });

  it('weigh all of them', () => {
    const { p } = posteriorOf(compileGuide(guide), {}, [
      { character: 'colour', states: ['pale'] },
      { character: 'teeth', value: 7 },
      { character: 'width', value: 14 },
    ]);
    expect(p[1]).toBeGreaterThan(0.9);
  });

  it('of one length alone need no block', () => {
    const alone = learn({
      id: 'o',
      title: 'One',
      csv: csv
        .split('\n')
        .map((line) =>
          line
            .split(',')
            .filter((_, c) => c === 0 || c === 3)
            .join(','),
        )
        .join('\n'),
      labels: { taxon: 'species' },
    });
    if (!alone.ok) throw new Error('learned');
    expect(alone.value.guide.blocks).toBeUndefined();
    expect(alone.value.guide.scores).toHaveLength(2);
  });
});

describe('the roles of columns', () => {
  it('are guessed from their names', () => {
    expect(guessRoles('Species,SEX,body length,age\nx,F,1,ad')).toEqual([
      { name: 'Species', role: 'taxon' },
      { name: 'SEX', role: 'sex' },
      { name: 'body length', role: 'character' },
      { name: 'age', role: 'stage' },
    ]);
    expect(guessRoles('')).toEqual([]);
  });

  it('become a request', () => {
    expect(
      asRequest([
        { name: 'a', role: 'taxon' },
        { name: 'b', role: 'ignore' },
        { name: 'c', role: 'character' },
        { name: 'd', role: 'count' },
      ]),
    ).toEqual({ labels: { taxon: 'a' }, ignore: ['b'], kinds: { d: 'count' } });
  });
});

describe('cross-validation', () => {
  it('gives every row a probability by a guide that had not seen it', () => {
    const table = lengths({ forms: 2, columns: 2, each: 20, apart: 0.1 });
    const read = prepareData({
      columns: table.columns.map((name) => ({ name, kind: 'measurement', missing: 0 })),
      rows: table.rows.map(({ form, x }, i) => ({ line: i + 2, labels: { taxon: form }, cells: x.map(String) })),
      problems: [],
    });
    if (!read.ok) throw new Error('data');
    const { p, result } = crossValidate(assignFolds(read.value.data, 5, 's'), () => {});
    for (let row = 0; row < 40; row++) expect(p[row * 2] + p[row * 2 + 1]).toBeCloseTo(1, 9);
    expect(result.folds).toBe(5);
  });
});

describe('relatives', () => {
  const sumsOf = (groups: number[][]) =>
    groups.map((group) => {
      const sums = noStatistics(1);
      for (const x of group) addRow(sums, Float64Array.of(x));
      return sums;
    });

  it('draw in a mean of few specimens, and leave one of many where it is', () => {
    const many = Array.from({ length: 200 }, (_, i) => 10 + (i % 2 ? 1 : -1));
    const groups = [many, many.map((x) => x + 1), many.map((x) => x - 1), [16]];
    const kin = { taxon: Int32Array.from([0, 1, 2, 3]), facets: new Int32Array(4) };
    const { mean, kept } = shrunkMeans(sumsOf(groups), 1, 0, 1, kin);
    expect(mean[0]).toBeCloseTo(10, 1);
    expect(mean[3]).toBeLessThan(16);
    expect(mean[3]).toBeGreaterThan(10);
    expect(kept[0]).toBeGreaterThan(0.99);
    expect(kept[3]).toBeLessThan(0.95);
  });

  it('lend a sex that was hardly measured the shift that the others show', () => {
    const around = (m: number) => Array.from({ length: 40 }, (_, i) => m + (i % 2 ? 0.5 : -0.5));
    // Females are longer by 4 in three taxa; of the fourth there is one female, as long as its males.
    const groups = [around(10), around(14), around(20), around(24), around(30), around(34), around(40), [40]];
    const kin = { taxon: Int32Array.from([0, 0, 1, 1, 2, 2, 3, 3]), facets: Int32Array.from([0, 1, 0, 1, 0, 1, 0, 1]) };
    const { mean } = shrunkMeans(sumsOf(groups), 1, 0, 4, kin);
    expect(mean[7]).toBeGreaterThan(41);
    expect(mean[6]).toBeCloseTo(40, 0);
  });
});

describe('candidates', () => {
  it('that are equally good share, and one that is clearly better takes nearly all', () => {
    const loss = (...rows: number[]) => Float64Array.from({ length: 60 }, (_, i) => rows[i % rows.length]);
    expect([...stackingWeights([loss(0.5), loss(0.5)], [...Array(60).keys()])]).toEqual([0.5, 0.5]);
    expect(stackingWeights([loss(0.2), loss(1.5)], [...Array(60).keys()])[0]).toBeGreaterThan(0.97);
    expect(stackingWeights([loss(0.2), loss(1.5)], [])[0]).toBe(0.5);
  });
});
