import { normal, seeded } from '../probability';
import { posteriorOf } from '../evidence';
import { compileGuide, type Guide } from '../guide';
import { learn } from '../learn';

/** A small table of labelled specimens, and more of the same kinds to be told by what it teaches. */
export interface SmallTable {
  csv: string;
  fresh: { kind: string; sex?: string; x: number[] }[];
  columns: string[];
}

export interface SmallKind {
  name: string;
  taxa: number;
  columns: number;
  /** Specimens of each form in the table: from, to. */
  each: readonly [number, number];
  /** Both sexes, with a shift that all taxa share, and how much it differs from one to the next. */
  sexes?: { shift: number; own: number };
  /** How far the taxa lie apart, in spreads within them. */
  apart: number;
}

/** Tables as they are published: few specimens a form, some rare, sexes that differ alike. */
export const SMALL_KINDS: SmallKind[] = [
  { name: 'few of each', taxa: 4, columns: 5, each: [4, 6], apart: 1 },
  { name: 'very few of each', taxa: 5, columns: 4, each: [2, 4], apart: 1 },
  { name: 'some rare', taxa: 6, columns: 5, each: [2, 12], apart: 0.8 },
  { name: 'sexes that differ alike', taxa: 4, columns: 5, each: [2, 6], apart: 0.8, sexes: { shift: 1.5, own: 0.2 } },
  { name: 'sexes that differ each in their way', taxa: 4, columns: 5, each: [3, 8], apart: 0.8, sexes: { shift: 0.5, own: 1 } },
  { name: 'many columns', taxa: 4, columns: 12, each: [4, 10], apart: 0.6 },
];

export function smallTable(kind: SmallKind, seed: string): SmallTable {
  const random = seeded(`${kind.name} ${seed}`);
  const draw = () => normal(random);
  const columns = Array.from({ length: kind.columns }, (_, c) => `length ${c + 1}`);
  const shift = columns.map(() => (kind.sexes ? kind.sexes.shift * draw() : 0));
  const sexes = kind.sexes ? ['male', 'female'] : [undefined];
  const forms = Array.from({ length: kind.taxa }, (_, t) => {
    const mean = columns.map(() => kind.apart * draw());
    return sexes.map((sex, s) => ({
      kind: `kind ${t + 1}`,
      ...(sex ? { sex } : {}),
      mean: mean.map((m, c) => m + (s ? shift[c] + (kind.sexes?.own ?? 0) * draw() : 0)),
      n: kind.each[0] + Math.floor(random() * (kind.each[1] - kind.each[0] + 1)),
    }));
  }).flat();
  const loading = columns.map(() => 0.6 + 0.2 * draw());
  // Correlated by an overall size; spreads within a form are 1.
  const specimen = (mean: readonly number[]) => {
    const size = draw();
    return mean.map((m, c) => 50 + 3 * (m + loading[c] * size + Math.sqrt(Math.max(0.1, 1 - loading[c] ** 2)) * draw()));
  };
  const rows = forms.flatMap(({ kind: own, sex, mean, n }) =>
    Array.from({ length: n }, () => [own, ...(sex ? [sex] : []), ...specimen(mean).map((x) => x.toFixed(2))]),
  );
  const head = ['kind', ...(kind.sexes ? ['sex'] : []), ...columns];
  const fresh = forms.flatMap(({ kind: own, sex, mean }) =>
    Array.from({ length: 40 }, () => ({ kind: own, ...(sex ? { sex } : {}), x: specimen(mean) })),
  );
  return { csv: [head, ...rows].map((row) => row.join(',')).join('\n'), fresh, columns };
}

/** What a table teaches, and the mean −ln P of the true taxon on fresh specimens: nats. */
export function taughtBy(kind: SmallKind, seed: string): { guide: Guide; loss: number } {
  const { csv, fresh, columns } = smallTable(kind, seed);
  const outcome = learn({ id: 'small', title: 'Small', csv, labels: { taxon: 'kind', ...(kind.sexes ? { sex: 'sex' } : {}) } });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  const { guide } = outcome.value;
  const compiled = compileGuide(guide);
  const ids = columns.map((column) => guide.characters.find(({ label }) => label === column)!.id);
  const names = new Map(guide.taxa.map(({ id, name }) => [id, name]));
  const loss = fresh.reduce((sum, { kind: truth, x }) => {
    const { p } = posteriorOf(
      compiled,
      {},
      x.map((value, i) => ({ character: ids[i], value })),
    );
    return sum - Math.log(compiled.forms.reduce((mass, form, f) => mass + (names.get(form.taxon) === truth ? p[f] : 0), 1e-12));
  }, 0);
  return { guide, loss: loss / fresh.length };
}
