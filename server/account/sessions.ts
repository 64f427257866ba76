import { createHash } from 'node:crypto';
import type { OpenSession } from '@plesion/contract';
import type { Pool } from 'pg';
import { notFound } from '../http/errors';

interface Row {
  sid: string;
  sess: { since?: string; device?: string };
  expire: Date;
}

/** Whose a session is. One that was begun before people had several stations says it by their account, whose id was theirs. */
const WHOSE = "coalesce(sess -> 'caller' ->> 'personId', sess -> 'caller' ->> 'accountId')";

/** What a session is called outside: nobody may learn its secret from a list. */
const idOf = (sid: string): string => createHash('sha256').update(sid).digest('hex').slice(0, 32);

const rowsOf = async (pool: Pool, personId: string): Promise<Row[]> =>
  (
    await pool.query<Row>(
      `select sid, sess, expire from session where ${WHOSE} = $1 and expire > now() order by expire desc limit 200`,
      [personId],
    )
  ).rows;

/** Where a person is signed in, the one that asks first. */
export async function listSessions(pool: Pool, personId: string, current: string): Promise<OpenSession[]> {
  const sessions = (await rowsOf(pool, personId)).map(({ sid, sess, expire }) => ({
    id: idOf(sid),
    current: sid === current,
    device: sess.device ?? '',
    ...(sess.since ? { since: sess.since } : {}),
    until: expire.toISOString(),
  }));
  return sessions.sort((a, b) => Number(b.current) - Number(a.current));
}

export async function endSession(pool: Pool, personId: string, id: string): Promise<void> {
  const found = (await rowsOf(pool, personId)).find(({ sid }) => idOf(sid) === id);
  if (!found) throw notFound('session');
  await pool.query('delete from session where sid = $1', [found.sid]);
}

/** Everywhere but here. */
export async function endOthers(pool: Pool, personId: string, current: string): Promise<void> {
  await pool.query(`delete from session where ${WHOSE} = $1 and sid <> $2`, [personId, current]);
}
