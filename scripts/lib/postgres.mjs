import { createHash } from 'node:crypto';
import { chownSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { needPostgres } from './debian.mjs';
import { closeEarlier, needApplication, needDatabase, secretsOf } from './roles.mjs';
import { isRoot, root, run } from './run.mjs';
import { say, Stop } from './say.mjs';

/** PostgreSQL will not run as root, so root hands it to the user that Debian's package makes. */
const OWNER = 'postgres';

function as(owner, command, args) {
  return owner ? ['runuser', ['-u', owner, '--', command, ...args]] : [command, args];
}

const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
    probe.on('error', reject);
  });

/**
 * Start a PostgreSQL of the project's own on loopback, in `folder`, making it on
 * first use. Its port is kept with it, and changed when something else took it.
 *
 * @param lasting whether what is written must outlive a loss of power; tests do without.
 * @returns `ensure(database)`, which gives its address; `revive()`, which starts it again where it has died; and `stop()`.
 */
export async function startPostgres(wanted, { lasting = true } = {}) {
  const bin = needPostgres();
  const owner = isRoot() ? OWNER : undefined;
  const folder = owner ? folderFor(owner, wanted) : wanted;
  mkdirSync(folder, { recursive: true });
  const data = join(folder, 'data');
  const made = existsSync(join(data, 'PG_VERSION'));
  const trusting = made && /\btrust$/m.test(readFileSync(join(data, 'pg_hba.conf'), 'utf8'));
  const secrets = secretsOf(folder, trusting);
  if (!made) initialise(bin, owner, folder, data, secrets);
  const status = spawnSync(...as(owner, `${bin}/pg_ctl`, ['-D', data, 'status']), { cwd: '/' });
  const portFile = join(folder, 'port');
  const running = status.status === 0;
  const port = running && existsSync(portFile) ? Number(readFileSync(portFile, 'utf8')) : await freePort();
  const start = () => {
    const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories=${lasting ? '' : ' -c fsync=off'}`;
    const [command, args] = as(owner, `${bin}/pg_ctl`, [
      '-D',
      data,
      '-w',
      '-t',
      '60',
      '-o',
      options,
      '-l',
      join(data, 'server.log'),
      'start',
    ]);
    run(command, args, {
      cwd: '/',
      hint: `The database in ${folder} does not start; its log is ${join(data, 'server.log')}. If you can do without its data, remove the folder.`,
    });
  };
  if (!running) {
    writeFileSync(portFile, String(port));
    start();
  }
  if (trusting) await closeEarlier(port, secrets, data);
  else await needApplication(port, secrets);
  return {
    ensure: (database) => needDatabase(port, secrets, database),
    /** @returns whether it had died. */
    revive() {
      const { status: up } = spawnSync(...as(owner, `${bin}/pg_ctl`, ['-D', data, 'status']), { cwd: '/' });
      if (up === 0) return false;
      start();
      return true;
    },
    /** Killed with all that works for it, as a loss of power would: nothing more is written, nobody is told. */
    crash() {
      const [pid] = readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n');
      process.kill(Number(pid), 'SIGKILL');
    },
    stop() {
      if (!running) spawnSync(...as(owner, `${bin}/pg_ctl`, ['-D', data, '-m', 'fast', '-w', 'stop']), { cwd: '/' });
    },
  };
}

function initialise(bin, owner, folder, data, { owner: { name, password } }) {
  say('Making a database …');
  const file = join(folder, 'password');
  writeFileSync(file, password, { mode: 0o600 });
  if (owner) chownSync(file, ...idsOf(owner));
  try {
    const [command, args] = as(owner, `${bin}/initdb`, [
      ...['-D', data, '-U', name, '-A', 'scram-sha-256', `--pwfile=${file}`],
      ...['-E', 'UTF8', '--locale=C.UTF-8'],
    ]);
    run(command, args, {
      cwd: '/',
      hint: `PostgreSQL could not make a database in ${folder}. Remove that folder and try again.`,
    });
  } finally {
    rmSync(file);
  }
}

const idsOf = (owner) => ['-u', '-g'].map((flag) => Number(run('id', [flag, owner], { cwd: '/' }).trim()));

/**
 * A folder that the owner owns and can walk down to. A clone in a closed folder
 * (root's home, say) keeps its database under /var/lib instead.
 */
function folderFor(owner, wanted) {
  const elsewhere = join('/var/lib/plesion', createHash('sha256').update(wanted).digest('hex').slice(0, 12));
  for (const folder of [wanted, elsewhere]) {
    mkdirSync(folder, { recursive: true });
    chownSync(folder, ...idsOf(owner));
    if (spawnSync('runuser', ['-u', owner, '--', 'test', '-w', folder], { cwd: '/' }).status === 0) return folder;
  }
  throw new Stop(`PostgreSQL runs as “${owner}” and cannot reach ${wanted}. Set PLESION_DATA to a folder it can reach.`);
}

/** Work on the station's database, the project's own or the one that DATABASE_URL names; what was started for it is stopped. */
export async function withDatabase(work) {
  if (process.env.DATABASE_URL) return work(process.env.DATABASE_URL);
  mkdirSync(dataFolder(), { recursive: true });
  const database = await startPostgres(join(dataFolder(), 'postgres'));
  try {
    return await work(await database.ensure('plesion'));
  } finally {
    database.stop();
  }
}

/** Where the project keeps its data: PLESION_DATA, or `.plesion` in the clone. */
export const dataFolder = () => process.env.PLESION_DATA ?? join(root, '.plesion');
