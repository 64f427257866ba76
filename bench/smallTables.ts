import { SMALL_KINDS, taughtBy } from '@plesion/core/test';

const TABLES = 8;

/** Small tables of many kinds: log loss of the taxon on fresh specimens, with the standard error over tables. */
export function reportSmallTables(print: (line?: string) => void): void {
  print();
  print(`Learning from small tables: log loss of the taxon on fresh specimens, mean ± standard error over ${TABLES} tables.`);
  for (const kind of SMALL_KINDS) {
    const losses = Array.from({ length: TABLES }, (_, t) => taughtBy(kind, `bench ${t}`).loss);
    const mean = losses.reduce((a, b) => a + b, 0) / TABLES;
    const error = Math.sqrt(losses.reduce((sum, x) => sum + (x - mean) ** 2, 0) / TABLES / (TABLES - 1));
    print(
      `  ${kind.name.padEnd(36)} ${mean.toFixed(3)} ± ${error.toFixed(3)}   (to know nothing: ${Math.log(kind.taxa).toFixed(3)})`,
    );
  }
}
