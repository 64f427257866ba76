import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { startPostgres } from '../../scripts/lib/postgres.mjs';
import { ordeal } from './ordeal';

/** The last line told is the verdict, as JSON. */
const { values } = parseArgs({
  options: {
    folder: { type: 'string' },
    kills: { type: 'string', default: '60' },
    writers: { type: 'string', default: '12' },
    between: { type: 'string', default: '200' },
    seed: { type: 'string', default: String(process.pid) },
  },
});
if (!values.folder) throw new Error('--folder says where the ordeal keeps its database and files.');

const database = await startPostgres(join(values.folder, 'postgres'));
try {
  const name = `ordeal_${Date.now().toString(36)}`;
  const verdict = await ordeal(
    database,
    { database: new URL(await database.ensure(name)), files: join(values.folder, 'files') },
    {
      kills: Number(values.kills),
      writers: Number(values.writers),
      between: Number(values.between),
      seed: values.seed,
      say: (line) => process.stdout.write(`${line}\n`),
    },
  );
  process.stdout.write(`${JSON.stringify(verdict)}\n`);
  process.exitCode = verdict.faults.length ? 1 : 0;
} finally {
  database.stop();
}
