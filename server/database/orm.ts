import { Migrator } from '@mikro-orm/migrations';
import { defineConfig, MikroORM } from '@mikro-orm/postgresql';
import pg from 'pg';
import { PairingEntity, PenEntity } from './colonyEntities';
import { DeedEntity } from './deedEntity';
import { DraftEditEntity, DraftEntity, DraftReviewEntity } from './draftEntities';
import { entities } from './entities';
import { fieldEntities } from './fieldEntities';
import { opinionEntities } from './opinionEntities';
import { personEntities } from './personEntities';
import { remarkEntities } from './remarkEntities';
import { ReviewEntity } from './reviewEntities';
import { GuideSharingEntity } from './sharingEntity';
import { Migration20261124000000 } from './migrations/Migration20261124000000';
import { Migration20261125000000 } from './migrations/Migration20261125000000';
import { Migration20261126000000 } from './migrations/Migration20261126000000';
import { Migration20261127000000 } from './migrations/Migration20261127000000';
import { Migration20261128000000 } from './migrations/Migration20261128000000';
import { Migration20261129000000 } from './migrations/Migration20261129000000';
import { Migration20261130000000 } from './migrations/Migration20261130000000';
import { Migration20261201000000 } from './migrations/Migration20261201000000';
import { Migration20261202000000 } from './migrations/Migration20261202000000';
import { Migration20261203000000 } from './migrations/Migration20261203000000';
import { Migration20261204000000 } from './migrations/Migration20261204000000';
import { Migration20261205000000 } from './migrations/Migration20261205000000';
import { Migration20261206000000 } from './migrations/Migration20261206000000';
import { Migration20261207000000 } from './migrations/Migration20261207000000';
import { Migration20261208000000 } from './migrations/Migration20261208000000';
import { Migration20261209000000 } from './migrations/Migration20261209000000';
import { Migration20261210000000 } from './migrations/Migration20261210000000';
import { Migration20261211000000 } from './migrations/Migration20261211000000';
import { Migration20261212000000 } from './migrations/Migration20261212000000';
import { Migration20261213000000 } from './migrations/Migration20261213000000';
import { Migration20261220000000 } from './migrations/Migration20261220000000';
import { Migration20261221000000 } from './migrations/Migration20261221000000';
import { Migration20261228000000 } from './migrations/Migration20261228000000';
import { Migration20261228120000 } from './migrations/Migration20261228120000';
import { Migration20261229000000 } from './migrations/Migration20261229000000';
import { Migration20261230000000 } from './migrations/Migration20261230000000';
import { Migration20261231000000 } from './migrations/Migration20261231000000';
import { Migration20270101000000 } from './migrations/Migration20270101000000';
import { Migration20270102000000 } from './migrations/Migration20270102000000';
import { Migration20270103000000 } from './migrations/Migration20270103000000';
import { Migration20270104000000 } from './migrations/Migration20270104000000';
import { Migration20270105000000 } from './migrations/Migration20270105000000';
import { Migration20270106000000 } from './migrations/Migration20270106000000';
import { Migration20270107000000 } from './migrations/Migration20270107000000';
import { Migration20270108000000 } from './migrations/Migration20270108000000';
import { Migration20270109000000 } from './migrations/Migration20270109000000';
import { Migration20270110000000 } from './migrations/Migration20270110000000';
import { Migration20270111000000 } from './migrations/Migration20270111000000';
import { Migration20270112000000 } from './migrations/Migration20270112000000';
import { Migration20270113000000 } from './migrations/Migration20270113000000';
import { Migration20270114000000 } from './migrations/Migration20270114000000';
import { Migration20270115000000 } from './migrations/Migration20270115000000';
import { Migration20270116000000 } from './migrations/Migration20270116000000';

const MIGRATIONS = [
  Migration20261124000000,
  Migration20261125000000,
  Migration20261126000000,
  Migration20261127000000,
  Migration20261128000000,
  Migration20261129000000,
  Migration20261130000000,
  Migration20261201000000,
  Migration20261202000000,
  Migration20261203000000,
  Migration20261204000000,
  Migration20261205000000,
  Migration20261206000000,
  Migration20261207000000,
  Migration20261208000000,
  Migration20261209000000,
  Migration20261210000000,
  Migration20261211000000,
  Migration20261212000000,
  Migration20261213000000,
  Migration20261220000000,
  Migration20261221000000,
  Migration20261228000000,
  Migration20261228120000,
  Migration20261229000000,
  Migration20261230000000,
  Migration20261231000000,
  Migration20270101000000,
  Migration20270102000000,
  Migration20270103000000,
  Migration20270104000000,
  Migration20270105000000,
  Migration20270106000000,
  Migration20270107000000,
  Migration20270108000000,
  Migration20270109000000,
  Migration20270110000000,
  Migration20270111000000,
  Migration20270112000000,
  Migration20270113000000,
  Migration20270114000000,
  Migration20270115000000,
  Migration20270116000000,
];

/** Milliseconds that a statement, and getting a connection, may take: who waits longer is told so. */
const LONGEST_STATEMENT = 20_000;
const LONGEST_WAIT = 10_000;

const connect = (databaseUrl: string, limits: object) =>
  MikroORM.init(
    defineConfig({
      clientUrl: databaseUrl,
      entities: [
        ...entities,
        ...personEntities,
        ...fieldEntities,
        PairingEntity,
        PenEntity,
        DraftEntity,
        DraftReviewEntity,
        GuideSharingEntity,
        DraftEditEntity,
        DeedEntity,
        ...opinionEntities,
        ...remarkEntities,
        ReviewEntity,
      ],
      extensions: [Migrator],
      migrations: {
        migrationsList: MIGRATIONS.map((migration) => ({ name: migration.name, class: migration })),
        snapshot: false,
        silent: true,
      },
      metadataCache: { enabled: false },
      allowGlobalContext: false,
      pool: { min: 0, max: 10 },
      driverOptions: { acquireConnectionTimeout: LONGEST_WAIT, connection: { connectionTimeoutMillis: LONGEST_WAIT, ...limits } },
    }),
  );

/** Connect, and bring the schema up to date; to do that may take as long as it takes. */
export async function openDatabase(databaseUrl: string): Promise<MikroORM> {
  const orm = await connect(databaseUrl, { statement_timeout: LONGEST_STATEMENT });
  if ((await orm.migrator.getPendingMigrations()).length === 0) return orm;
  const patient = await connect(databaseUrl, {});
  await patient.migrator.up().finally(() => patient.close(true));
  return orm;
}

/** Connections for what is no record: sessions. One that is lost while nobody uses it is no fault of anybody’s. */
export function openPool(databaseUrl: string, onLost: (error: Error) => void): pg.Pool {
  const pool = new pg.Pool({
    connectionString: databaseUrl,
    max: 8,
    connectionTimeoutMillis: LONGEST_WAIT,
    statement_timeout: LONGEST_STATEMENT,
  });
  pool.on('error', onLost);
  return pool;
}

/** An entity manager of its own, one a request. */
export type Em = MikroORM['em'];
