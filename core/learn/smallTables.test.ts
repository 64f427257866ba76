import { posteriorOf } from '../evidence';
import { compileGuide } from '../guide';
import { SMALL_KINDS, taughtBy } from '../test/smallTables';
import { learn } from '.';

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
