import { Migrator } from '@mikro-orm/migrations';
import { defineConfig, MikroORM } from '@mikro-orm/postgresql';
import { entities } from './entities';
import { Migration20261124000000 } from './migrations/Migration20261124000000';
import { Migration20261125000000 } from './migrations/Migration20261125000000';
import { Migration20261126000000 } from './migrations/Migration20261126000000';
import { Migration20261127000000 } from './migrations/Migration20261127000000';

/** Connect and bring the schema up to date. */
export async function openDatabase(databaseUrl: string): Promise<MikroORM> {
  const orm = await MikroORM.init(
    defineConfig({
      clientUrl: databaseUrl,
      entities,
      extensions: [Migrator],
      migrations: {
        migrationsList: [
          { name: 'Migration20261124000000', class: Migration20261124000000 },
          { name: 'Migration20261125000000', class: Migration20261125000000 },
          { name: 'Migration20261126000000', class: Migration20261126000000 },
          { name: 'Migration20261127000000', class: Migration20261127000000 },
        ],
        snapshot: false,
        silent: true,
      },
      metadataCache: { enabled: false },
      allowGlobalContext: false,
    }),
  );
  await orm.migrator.up();
  return orm;
}

/** An entity manager of its own, one a request. */
export type Em = MikroORM['em'];
