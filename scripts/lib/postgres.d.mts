/** A PostgreSQL of the project's own. */
export interface OwnPostgres {
  /** The address of a database in it, made where it is not there. */
  ensure(database: string): Promise<string>;
  /** Start it again where it has died. */
  revive(): boolean;
  /** Kill it as a loss of power would: nothing is written any more, nobody is told. */
  crash(): void;
  stop(): void;
}

export function startPostgres(folder: string, options?: { lasting?: boolean }): Promise<OwnPostgres>;
