import { compileGuide, formsOf, readGuide } from '../guide';
import { compareForms } from '../compare';
import { checkReadings } from '../observation';
import { posteriorOf } from '../evidence';
import { validated } from '../test/discriminant';
import { lengths, type Lengths, toCsv } from '../test/lengths';
import { SMALL_KINDS, taughtBy } from '../test/smallTables';
import { asRequest, crossValidate, prepareData, assignFolds, guessRoles, learn, type LearnedFrom, type LearnRequest } from '.';
import { shrunkMeans } from './kin';
import { fitModel } from './model';
import { stackingWeights } from './stack';
import { addRow, meansOf, noStatistics, plus } from './pairStatistics';

const from = (table: Lengths, more: Partial<LearnRequest> = {}): LearnedFrom => {
  const outcome = learn({ id: 'learned', title: 'Learned', csv: toCsv(table), labels: { taxon: 'kind' }, ...more });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};

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

describe('against linear discriminant analysis, on lengths that follow one size', () => {
  const cases = [
    { name: 'two forms', forms: 2, columns: 5, each: 50, apart: 0.03 },
    { name: 'four forms', forms: 4, columns: 5, each: 50, apart: 0.05 },
    { name: 'few specimens of many lengths', forms: 3, columns: 9, each: 20, apart: 0.04 },
    { name: 'some measured carelessly', forms: 3, columns: 4, each: 60, apart: 0.06, careless: 0.06 },
  ];
  it('over four kinds of table and three seeds each it is at least as accurate and surer where it is right', () => {
    const sums = { ours: [0, 0], lda: [0, 0], runs: 0 };
    for (const { name, ...wanted } of cases) {
      for (const seed of ['a', 'b', 'c']) {
        const table = lengths({ ...wanted, seed: `${name} ${seed}` });
        const { crossValidation } = from(table).guide.learned!;
        const yardstick = validated(table.rows);
        sums.ours[0] += crossValidation.accuracy;
        sums.ours[1] += crossValidation.logLoss;
        sums.lda[0] += yardstick.accuracy;
        sums.lda[1] += yardstick.logLoss;
        sums.runs++;
      }
    }
    expect(sums.ours[0] / sums.runs).toBeGreaterThanOrEqual(sums.lda[0] / sums.runs);
    expect(sums.ours[1] / sums.runs).toBeLessThan(sums.lda[1] / sums.runs);
  });

  it('finds what single lengths hide: independent lengths would be little better than chance', () => {
    const table = lengths({ forms: 4, columns: 5, each: 60, apart: 0.06, size: 0.35, seed: 'hidden' });
    const { accuracy } = from(table).guide.learned!.crossValidation;
    // The best single length, cut by nearest mean.
    const single = Math.max(
      ...table.columns.map((_, c) => validated(table.rows.map(({ form, x }) => ({ form, x: [x[c]] }))).accuracy),
    );
    expect(single).toBeLessThan(0.5);
    expect(accuracy).toBeGreaterThan(0.85);
  });
});

describe('the learned guide', () => {
  const table = lengths({ forms: 3, columns: 5, each: 60, apart: 0.05, seed: 'guide' });
  const { guide } = from(table);
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
    const shares: number[] = [];
    learn({ id: 'x', title: 'X', csv: toCsv(table), labels: { taxon: 'kind' } }, (share) => shares.push(share));
    expect(shares.length).toBeGreaterThan(5);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(shares.at(-1)).toBe(1);
  });
});

describe('ratios', () => {
  it('find the two lengths that differ, whatever the size, with cut, error and a sentence', () => {
    const table = lengths({ forms: 2, columns: 4, each: 120, apart: 0, size: 0.4, seed: 'ratio' });
    for (const row of table.rows) if (row.form === 'form B') row.x[2] *= 1.35;
    const [ratio] = from(table).guide.learned!.ratios;
    expect([ratio.numerator, ratio.denominator]).toContain('length-3');
    const first = ratio.numerator === 'length-3';
    expect(ratio.above).toBe(first ? 'form B' : 'form A');
    expect(ratio.error).toBeLessThan(0.06);
    expect(ratio.text).toMatch(/^length \d ÷ length \d above [\d.]+: form [AB], wrong in (under 1|\d+) of 100 \(\d+ to \d+\)\.$/);
    const wrong = table.rows.filter(({ form, x }) => {
      const at = (id: string) => x[Number(id.slice(-1)) - 1];
      return at(ratio.numerator) / at(ratio.denominator) > ratio.cut !== (form === ratio.above);
    });
    expect(wrong.length / table.rows.length).toBeLessThan(0.06);
  });

  it('speak up where two of its forms are compared', () => {
    const table = lengths({ forms: 2, columns: 4, each: 60, apart: 0, size: 0.4, seed: 'ratio' });
    for (const row of table.rows) if (row.form === 'form B') row.x[2] *= 1.35;
    const { guide } = from(table);
    const { paragraph } = compareForms(
      compileGuide(guide),
      formsOf(guide).map(({ id }) => id),
    );
    expect(paragraph).toContain(guide.learned!.ratios[0].text);
    expect(paragraph).not.toContain('No single character');
  });

  it('are found for every two taxa, and within a taxon for every two of its forms', () => {
    const table = lengths({ forms: 4, columns: 4, each: 30, apart: 0.05, seed: 'sexes' });
    const csv = [
      'sp,sex,a,b,c,d',
      ...table.rows.map(({ form, x }) =>
        [form < 'form C' ? 'one' : 'two', form === 'form A' || form === 'form C' ? 'F' : 'M', ...x].join(','),
      ),
    ].join('\n');
    const outcome = learn({ id: 's', title: 'S', csv, labels: { taxon: 'sp', sex: 'sex' } });
    if (!outcome.ok) throw new Error('learned');
    expect(outcome.value.guide.learned!.ratios.map(({ a, b }) => [a, b].sort().join(' / ')).sort()).toEqual([
      'one / two',
      'one · F / one · M',
      'two · F / two · M',
    ]);
    expect(
      formsOf(outcome.value.guide)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['one/F', 'one/M', 'two/F', 'two/M']);
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

describe('ratios of pure noise', () => {
  it('are wrong as often as chance, and say so', () => {
    let errors = 0;
    let told = 0;
    for (const seed of ['n1', 'n2', 'n3', 'n4', 'n5', 'n6']) {
      const table = lengths({ forms: 2, columns: 15, each: 12, apart: 0, size: 0.1, seed });
      const [ratio] = from(table).guide.learned!.ratios;
      errors += ratio.error / 6;
      if (ratio.shown) told++;
      expect(ratio.interval![0]).toBeLessThan(ratio.error);
      expect(ratio.interval![1]).toBeGreaterThan(ratio.error);
      expect(ratio.byChance).toBeGreaterThan(0);
      if (!ratio.shown) expect(ratio.text).toContain('not shown to be better than chance');
    }
    expect(errors).toBeGreaterThan(0.38);
    expect(errors).toBeLessThan(0.62);
    expect(told).toBeLessThanOrEqual(1);
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

describe('small tables', () => {
  it.each(SMALL_KINDS.slice(0, 4).map((kind) => [kind.name, kind] as const))(
    'with %s promise no more than they hold',
    (_, kind) => {
      const { guide, loss } = taughtBy(kind, 'held');
      // To know nothing would cost ln of the number of taxa.
      expect(loss).toBeLessThan(Math.log(kind.taxa));
      expect(guide.learned!.choice).toContain('as a first opinion');
    },
    60_000,
  );

  it('with columns that never vary, rows alike and two of each do not crash', () => {
    const csv = ['kind,a,b,c', 'x,1,5,2', 'x,1,5,2', 'y,1,6,2', 'y,1,6,2', 'z,1,5,3', 'z,1,5.5,3'].join('\n');
    const outcome = learn({ id: 'x', title: 'X', csv, labels: { taxon: 'kind' }, kinds: { b: 'measurement', c: 'measurement' } });
    if (!outcome.ok) return expect(outcome.problems.length).toBeGreaterThan(0);
    const { p } = posteriorOf(compileGuide(outcome.value.guide), {}, []);
    expect([...p].every(Number.isFinite)).toBe(true);
  });
});
