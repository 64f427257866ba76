import type { RecordName } from '@plesion/contract';
import type { EarlierPath, EarlierState } from '@plesion/contract/earlier';
import { ZodError } from 'zod';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { HttpProblem, notFound, staleVersion } from '../http/errors';
import type { Caller } from '../http/route';
import { RESTORED } from './kinds';

type Content = Record<string, unknown> & { version: number };

/** What a record held at a version, and what it holds now. */
export async function earlierOf(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  { kind, id, version }: EarlierPath,
): Promise<EarlierState> {
  const now = (await RESTORED[kind].find(em, pool, stationId, id)) as Content;
  const then = now.version === version ? now : await stateAt(em, pool, stationId, kind, id, version);
  return { then, now, version: now.version };
}

/** Write it again as it was. What a newer Plesion would not take any more is refused in words. */
export async function putBack(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  path: EarlierPath,
  seen: number,
): Promise<{ version: number }> {
  const { kind, id } = path;
  const { then, now, version } = await earlierOf(em, pool, caller.stationId, path);
  if (version !== seen) throw staleVersion(kind, now, then);
  try {
    const written = await RESTORED[kind].write(em, pool, caller, id, then, now, seen);
    return { version: written.version };
  } catch (error) {
    if (!(error instanceof ZodError)) throw error;
    const [{ path: at }] = error.issues;
    throw new HttpProblem(409, {
      code: 'not-taken-any-more',
      message: `What it held then is not taken any more, in “${at.join('.')}”. Change it by hand.`,
    });
  }
}

async function stateAt(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  kind: RecordName,
  id: string,
  version: number,
): Promise<Content> {
  const { at } = RESTORED[kind];
  if (at) return (await at(em, pool, stationId, id, version)) as Content;
  const [row] = await em
    .getConnection()
    .execute<{ content: Content }[]>(
      'select content from earlier_state where station_id = ? and kind = ? and record_id = ? and version = ?',
      [stationId, kind, id, version],
    );
  if (!row) throw notFound('version');
  return row.content;
}
