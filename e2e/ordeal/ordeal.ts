import { setTimeout as pause } from 'node:timers/promises';
import type { ChangeList, Specimen } from '@plesion/contract';
import { seeded } from '@plesion/core/probability';
import type { OwnPostgres } from '../../scripts/lib/postgres.mjs';
import type { Place } from '../../server/test/place';
import { openFleet } from './fleet';
import { Visitor } from './visitor';
import { type Kept, type Tally, writeOn } from './writer';

export interface Settings {
  /** Times that something is killed. */
  kills: number;
  writers: number;
  /** Writes acknowledged between two kills. */
  between: number;
  seed: string;
  say: (line: string) => void;
}

export interface Verdict extends Omit<Tally, 'faults'> {
  kills: { server: number; database: number };
  specimens: number;
  /** What was found wrong afterwards; nothing is the only good answer. */
  faults: string[];
}

const PROCESSES = 3;

/**
 * Three server processes on one database, many writers, and kills of both with no
 * warning; afterwards every acknowledged write is there, once, and nothing else is.
 */
export async function ordeal(
  database: OwnPostgres,
  place: Pick<Place, 'database' | 'files'>,
  settings: Settings,
): Promise<Verdict> {
  const { kills, writers, between, seed, say } = settings;
  const random = seeded(seed);
  const fleet = await openFleet(PROCESSES, place);
  const tally: Tally = { acknowledged: 0, unanswered: 0, duplicates: 0, late: 0, faults: [] };
  const killed = { server: 0, database: 0 };
  const [stop, over] = [new AbortController(), new AbortController()];
  try {
    await fleet.ready();
    const founder = new Visitor(fleet.url);
    const name = `founder ${seed}`;
    const made = await founder.ask('POST', '/api/stations', { station: name, name, password: 'long enough' });
    if (made.status !== 201) throw new Error(`The station was not made: ${JSON.stringify(made)}`);
    const { guides } = (await founder.ask('GET', '/api/guides')).body as { guides: { id: string }[] };
    const working = Promise.all(
      Array.from({ length: writers }, (_, i) =>
        writeOn(founder, `w${i}`, guides[0].id, seeded(`${seed} ${i}`), tally, { stop: stop.signal, over: over.signal }),
      ),
    );
    for (let i = 0; i < kills; i++) {
      const goal = tally.acknowledged + between;
      while (tally.acknowledged < goal) await pause(20);
      // The database dies every third time, a server else.
      if (i % 3 === 2) {
        database.crash();
        killed.database++;
        await revived(database);
      } else {
        fleet.kill(Math.floor(random() * PROCESSES));
        killed.server++;
      }
      say(`${i + 1}: ${i % 3 === 2 ? 'the database' : 'a server'} was killed, after ${tally.acknowledged} writes`);
    }
    await fleet.ready();
    const goal = tally.acknowledged + between;
    while (tally.acknowledged < goal) await pause(20);
    stop.abort();
    const kept = (await working).flat();
    const faults = [...tally.faults, ...(await compare(founder, kept))];
    return { ...tally, kills: killed, specimens: kept.filter(({ version }) => version > 0).length, faults };
  } finally {
    stop.abort();
    over.abort();
    await fleet.close();
  }
}

/** Tries to start the database again: what it left has to be gone first. */
const TRIES = 100;

async function revived(database: OwnPostgres): Promise<void> {
  let last: unknown;
  for (let tries = 0; tries < TRIES; tries++) {
    await pause(200);
    try {
      if (database.revive()) return;
    } catch (error) {
      last = error;
    }
  }
  throw new Error('The database that was killed was not to be started again.', { cause: last });
}

/** What the station holds against what it acknowledged. */
async function compare(visitor: Visitor, kept: readonly Kept[]): Promise<string[]> {
  const faults: string[] = [];
  const written = kept.filter(({ version }) => version > 0);
  for (const { id, version, label } of written) {
    const { status, body } = await visitor.ask('GET', `/api/specimens/${id}`);
    const stored = body as Specimen;
    if (status !== 200) faults.push(`${label} (${id}) is not there: ${status}`);
    else if (stored.version !== version || stored.label !== label)
      faults.push(`${id} is “${stored.label}” at ${stored.version}; “${label}” at ${version} was acknowledged`);
  }
  const { total } = (await visitor.ask('GET', '/api/specimens?limit=1')).body as { total: number };
  if (total !== written.length) faults.push(`${total} specimens are there; ${written.length} were acknowledged`);
  const versions = new Map<string, number[]>();
  for (let since = 0, more = true; more;) {
    const answer = (await visitor.ask('GET', `/api/changes?since=${since}&limit=2000`)).body as ChangeList;
    for (const { kind, id, version } of answer.changes) {
      if (kind === 'specimen') versions.set(id, [...(versions.get(id) ?? []), version]);
    }
    ({ more, cursor: since } = answer);
  }
  for (const { id, version } of written) {
    const told = (versions.get(id) ?? []).join();
    const expected = Array.from({ length: version }, (_, i) => i + 1).join();
    if (told !== expected) faults.push(`the feed tells versions ${told} of ${id}; written were 1 to ${version}`);
  }
  return faults;
}
