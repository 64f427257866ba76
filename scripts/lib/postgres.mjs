import { createHash } from 'node:crypto';
import { chownSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { needPostgres } from './debian.mjs';
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
 * @returns its `url(database)` and `stop()`.
 */
export async function startPostgres(wanted) {
  const bin = needPostgres();
  const owner = isRoot() ? OWNER : undefined;
  const folder = owner ? folderFor(owner, wanted) : wanted;
  mkdirSync(folder, { recursive: true });
  const data = join(folder, 'data');
  if (!existsSync(join(data, 'PG_VERSION'))) {
    say('Making a database …');
    const [command, args] = as(owner, `${bin}/initdb`, [
      '-D',
      data,
      '-U',
      'plesion',
      '-A',
      'trust',
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
    ]);
    run(command, args, {
      cwd: '/',
      hint: `PostgreSQL could not make a database in ${folder}. Remove that folder and try again.`,
    });
  }
  const status = spawnSync(...as(owner, `${bin}/pg_ctl`, ['-D', data, 'status']), { cwd: '/' });
  const portFile = join(folder, 'port');
  const running = status.status === 0;
  const port = running && existsSync(portFile) ? Number(readFileSync(portFile, 'utf8')) : await freePort();
  if (!running) {
    writeFileSync(portFile, String(port));
    const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories=`;
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
  }
  const url = (database) => `postgresql://plesion@127.0.0.1:${port}/${database}`;
  return {
    url,
    /** Make a database if there is none of that name. */
    ensure(database) {
      const made = spawnSync(`${bin}/createdb`, ['-h', '127.0.0.1', '-p', String(port), '-U', 'plesion', database], {
        encoding: 'utf8',
      });
      if (made.status !== 0 && !/already exists/.test(made.stderr))
        throw new Stop(`The database “${database}” could not be made: ${made.stderr.trim()}`);
      return url(database);
    },
    stop() {
      if (!running) spawnSync(...as(owner, `${bin}/pg_ctl`, ['-D', data, '-m', 'fast', '-w', 'stop']), { cwd: '/' });
    },
  };
}

/**
 * A folder that the owner owns and can walk down to. A clone in a closed folder
 * (root's home, say) keeps its database under /var/lib instead.
 */
function folderFor(owner, wanted) {
  const id = (flag) => Number(run('id', [flag, owner], { cwd: '/' }).trim());
  const elsewhere = join('/var/lib/plesion', createHash('sha256').update(wanted).digest('hex').slice(0, 12));
  for (const folder of [wanted, elsewhere]) {
    mkdirSync(folder, { recursive: true });
    chownSync(folder, id('-u'), id('-g'));
    if (spawnSync('runuser', ['-u', owner, '--', 'test', '-w', folder], { cwd: '/' }).status === 0) return folder;
  }
  throw new Stop(`PostgreSQL runs as “${owner}” and cannot reach ${wanted}. Set PLESION_DATA to a folder it can reach.`);
}

/** Where the project keeps its data: PLESION_DATA, or `.plesion` in the clone. */
export const dataFolder = () => process.env.PLESION_DATA ?? join(root, '.plesion');
