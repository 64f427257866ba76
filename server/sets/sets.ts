import type { SetRow, SetSource, SetWrite } from '@plesion/contract/sets';
import { mayAsk } from '@plesion/contract/roles';
import { endpoints } from '@plesion/contract/endpoints';
import { PracticeSetEntity, type PracticeSetColumns } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem, notFound, staleVersion } from '../http/errors';
import type { Caller } from '../http/route';
import { lockStation } from '../people/members';
import type { PracticePool } from '../practice/pool';

/** Sets of a station at most. */
const MOST = 500;

interface Counted {
  begun: number;
  answered: number;
}

const rowOf = (set: PracticeSetColumns, { begun, answered }: Counted): SetRow => {
  const { id, version, title, guideId, guideVersion, kind, minutes, given, closed, told, hidden, madeBy } = set;
  return {
    ...{ id, version, title, guideId, guideVersion, kind, given, closed, told, hidden, madeBy, begun, answered },
    ...(typeof minutes === 'number' ? { minutes } : {}),
    updatedAt: set.updatedAt.toISOString(),
    n: set.items.length,
  };
};

/** Who teaches sees what is not given yet. */
const teaches = ({ role }: Caller): boolean => mayAsk(role, endpoints.practiceSetSource);

/** How many began each set, and how many of its items who asks has answered. */
async function countsOf(em: Em, { stationId, accountName }: Caller, ids: readonly string[]): Promise<(id: string) => Counted> {
  if (!ids.length) return () => ({ begun: 0, answered: 0 });
  const rows = await em.getConnection().execute<({ id: string } & Counted)[]>(
    `select attempt.set_id as id, count(distinct attempt.account)::int as begun,
       count(*) filter (where answer.account = ?)::int as answered
     from practice_attempt attempt left join practice_set_answer answer using (station_id, set_id, account)
     where attempt.station_id = ? and attempt.set_id in (${ids.map(() => '?').join(', ')}) group by 1`,
    [accountName, stationId, ...ids],
  );
  return (id) => rows.find((row) => row.id === id) ?? { begun: 0, answered: 0 };
}

export async function listSets(em: Em, caller: Caller): Promise<SetRow[]> {
  const { stationId } = caller;
  const sets = await em.find(
    PracticeSetEntity,
    { stationId, hidden: false, ...(teaches(caller) ? {} : { given: true }) },
    { orderBy: { updatedAt: 'desc', id: 'asc' } },
  );
  const counts = await countsOf(
    em,
    caller,
    sets.map(({ id }) => id),
  );
  return sets.map((set) => rowOf(set, counts(set.id)));
}

/** A set that who asks may see. */
export async function findSet(em: Em, caller: Caller, id: string): Promise<{ set: PracticeSetColumns; row: SetRow }> {
  const set = await em.findOne(PracticeSetEntity, { stationId: caller.stationId, id });
  if (!set || (!teaches(caller) && (!set.given || set.hidden))) throw notFound('set');
  return { set, row: rowOf(set, (await countsOf(em, caller, [id]))(id)) };
}

export async function setSource(em: Em, caller: Caller, id: string): Promise<SetSource> {
  const { set, row } = await findSet(em, caller, id);
  return { ...row, items: set.items };
}

/** Make or change a set: every item of it can be drawn, and stays as it is once somebody has begun. */
export async function writeSet(em: Em, pool: PracticePool, caller: Caller, id: string, sent: SetWrite): Promise<SetSource> {
  const { stationId, accountName } = caller;
  const { version, minutes, ...content } = sent;
  const known = await em.findOne(PracticeSetEntity, { stationId, id });
  if (!known || JSON.stringify(known.items) !== JSON.stringify(sent.items) || known.guideVersion !== sent.guideVersion)
    await needDrawn(em, pool, stationId, sent);
  await em.transactional(async (tx) => {
    await lockStation(tx, stationId);
    const stored = await tx.findOne(PracticeSetEntity, { stationId, id }, { disableIdentityMap: true });
    if ((stored?.version ?? 0) !== version) {
      if (!stored) throw notFound('set');
      throw staleVersion('set', await setSource(tx, caller, id), sent);
    }
    if (!stored && (await tx.count(PracticeSetEntity, { stationId })) >= MOST)
      throw new HttpProblem(409, { code: 'too-many-sets', message: `There are ${MOST} sets already.` });
    if (stored && isOther(stored, sent) && (await countsOf(tx, caller, [id]))(id).begun > 0)
      throw new HttpProblem(409, {
        code: 'begun',
        message: 'Somebody has begun this set: its items, its kind and its time stay as they are. Make another set.',
        field: 'items',
      });
    const row = { ...content, stationId, id, minutes: minutes ?? null, version: version + 1, updatedAt: new Date() };
    if (stored) await tx.nativeUpdate(PracticeSetEntity, { stationId, id }, row);
    else await tx.insert(PracticeSetEntity, { ...row, madeBy: accountName });
  });
  return setSource(em.fork(), caller, id);
}

/** Is it another set for who takes it? */
const isOther = (stored: PracticeSetColumns, sent: SetWrite): boolean =>
  JSON.stringify([stored.items, stored.guideId, stored.guideVersion, stored.kind, stored.minutes]) !==
  JSON.stringify([sent.items, sent.guideId, sent.guideVersion, sent.kind, sent.minutes ?? null]);

async function needDrawn(
  em: Em,
  pool: PracticePool,
  stationId: string,
  { guideId, guideVersion, items }: SetWrite,
): Promise<void> {
  const { guide, hash } = await findGuide(em, stationId, guideId, guideVersion).catch((error: unknown) => {
    if (!(error instanceof HttpProblem)) throw error;
    throw badRequest([
      { code: 'unknown-guide', message: 'There is no such version of the guide in this station.', field: 'guideVersion' },
    ]);
  });
  const missing = (await pool.make({ guide, hash, wanted: items })).findIndex((made) => !made);
  if (missing >= 0)
    throw badRequest([
      {
        code: 'no-item',
        message: 'Nothing of this guide can be drawn for that. Ask for groups of the level, in a view that its plates have.',
        field: `items[${missing}].asked`,
      },
    ]);
}
