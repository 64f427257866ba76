import type { Knex } from '@mikro-orm/postgresql';
import type { Em } from './orm';

/** Rows of a statement whose values go to the database beside it: large sets are not written into the statement first. */
export async function bound<T>(tx: Em, sql: string, values: readonly unknown[]): Promise<T[]> {
  const { rows } = await tx.getTransactionContext<Knex.Transaction>()!.raw<{ rows: T[] }>(sql, values as Knex.RawBinding[]);
  return rows;
}
