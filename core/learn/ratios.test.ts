import { compareForms } from '../compare';
import { compileGuide, formsOf } from '../guide';
import { learnedFrom as from } from '../test/learnedFrom';
import { lengths } from '../test/lengths';
import { learn } from '.';

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
