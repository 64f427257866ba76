import { compileGuide } from '@plesion/core/guide';
import { standing } from '@plesion/core/evidence';
import { learn } from '@plesion/core/learn';
import { SMALL_KINDS, smallTable } from '@plesion/core/test';

const TABLES = 8;

/** Small tables of many kinds: log loss of the taxon on fresh specimens, with the standard error over tables. */
export function reportSmallTables(print: (line?: string) => void): void {
  print();
  print(`Learning from small tables: log loss of the taxon on fresh specimens, mean ± standard error over ${TABLES} tables.`);
  for (const kind of SMALL_KINDS) {
    const losses = Array.from({ length: TABLES }, (_, t) => lossOf(kind, `bench ${t}`));
    const mean = losses.reduce((a, b) => a + b, 0) / TABLES;
    const error = Math.sqrt(losses.reduce((sum, x) => sum + (x - mean) ** 2, 0) / TABLES / (TABLES - 1));
    print(
      `  ${kind.name.padEnd(36)} ${mean.toFixed(3)} ± ${error.toFixed(3)}   (to know nothing: ${Math.log(kind.taxa).toFixed(3)})`,
    );
  }
}

function lossOf(kind: (typeof SMALL_KINDS)[number], seed: string): number {
  const { csv, fresh, columns } = smallTable(kind, seed);
  const outcome = learn({ id: 'small', title: 'Small', csv, labels: { taxon: 'kind', ...(kind.sexes ? { sex: 'sex' } : {}) } });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  const { guide } = outcome.value;
  const compiled = compileGuide(guide);
  const ids = columns.map((column) => guide.characters.find(({ label }) => label === column)!.id);
  const names = new Map(guide.taxa.map(({ id, name }) => [id, name]));
  const loss = fresh.reduce((sum, { kind: truth, x }) => {
    const { p } = standing(
      compiled,
      {},
      x.map((value, i) => ({ character: ids[i], value })),
    );
    return sum - Math.log(compiled.forms.reduce((mass, form, f) => mass + (names.get(form.taxon) === truth ? p[f] : 0), 1e-12));
  }, 0);
  return loss / fresh.length;
}
