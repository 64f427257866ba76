import { existsSync, readdirSync } from 'node:fs';
import { has, isRoot, run } from './run.mjs';
import { say, Stop } from './say.mjs';

const VERSIONS = '/usr/lib/postgresql';

/** Folder of PostgreSQL's own programs, newest version first; undefined when it is not installed. */
export function postgresBin() {
  const versions = existsSync(VERSIONS)
    ? readdirSync(VERSIONS)
        .map(Number)
        .filter(Number.isFinite)
        .sort((a, b) => b - a)
    : [];
  return versions.map((version) => `${VERSIONS}/${version}/bin`).find((bin) => existsSync(`${bin}/initdb`));
}

const SHELL = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium, or one named by CHROMIUM. Without its window where it can be had: tests take half the time in that. */
export const chromium = () => process.env.CHROMIUM ?? [SHELL, '/usr/bin/chromium'].find((path) => existsSync(path));

function install(name, alone) {
  if (!has('apt-get')) throw new Stop(`${name} is missing and there is no apt-get here. Install it, then run this again.`);
  if (!isRoot()) throw new Stop(`${name} is missing. Install it with “sudo apt-get install ${name}”, then run this again.`);
  say(`Installing ${name} …`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const args = ['install', '-y', ...(alone ? ['--no-install-recommends'] : []), name];
  try {
    run('apt-get', args, { env });
  } catch {
    run('apt-get', ['update'], {
      env,
      hint: 'The list of Debian packages could not be fetched. Check the network, then run this again.',
    });
    run('apt-get', args, { env, hint: `Debian's package ${name} could not be installed.` });
  }
}

export function needPostgres() {
  if (!postgresBin()) install('postgresql', true);
  const bin = postgresBin();
  if (!bin)
    throw new Stop(
      `PostgreSQL was installed but its programs are not under ${VERSIONS}. Set DATABASE_URL to a database of your own.`,
    );
  return bin;
}

/** The program that says whether a NEXUS file is one; the tests hold what is written against it. */
export function needNexusValidator() {
  if (!has('NEXUSvalidator')) install('ncl-tools', true);
}

export function needChromium() {
  if (chromium() !== SHELL && !process.env.CHROMIUM) {
    try {
      install('chromium-headless-shell', true);
    } catch {
      // The one with a window does as well, only slower.
      if (!chromium()) install('chromium', true);
    }
  }
  const path = chromium();
  if (!path) throw new Stop('Chromium is missing. Install it, or set CHROMIUM to its program.');
  return path;
}
