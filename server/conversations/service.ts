import type { RemarkWrite, Thread, WaitingThread } from '@plesion/contract/conversations';
import { keepDeed } from '../audit/deeds';
import { MediaEntity, SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { type RemarkColumns, RemarkEntity } from '../database/remarkEntities';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';

/** Remarks on one specimen at most. */
const MOST = 500;

/** What is said of a specimen, thread by thread. */
export async function conversation(em: Em, { stationId }: Caller, specimenId: string): Promise<Thread[]> {
  if (!(await em.count(SpecimenEntity, { stationId, id: specimenId }))) throw notFound('specimen');
  return threadsOf(await em.find(RemarkEntity, { stationId, specimenId }, { orderBy: { at: 'asc', id: 'asc' } }));
}

function threadsOf(rows: readonly RemarkColumns[]): Thread[] {
  const first = rows.filter(({ replyTo }) => replyTo === null);
  return first.map((root) => {
    const { id, place, resolvedBy, resolvedAt } = root;
    return {
      id,
      ...(place ? { place } : {}),
      remarks: [root, ...rows.filter(({ replyTo }) => replyTo === id)].map(({ id: own, madeBy: by, at, text, withdrawnAt }) => ({
        ...{ id: own, by, at: at.toISOString() },
        ...(withdrawnAt ? {} : { text }),
      })),
      ...(resolvedBy && resolvedAt ? { resolved: { by: resolvedBy, at: resolvedAt.toISOString() } } : {}),
    };
  });
}

/** The thread that a remark begins or is in. */
async function threadWith(em: Em, stationId: string, { id, replyTo }: Pick<RemarkColumns, 'id' | 'replyTo'>): Promise<Thread> {
  const root = replyTo ?? id;
  const rows = await em.find(
    RemarkEntity,
    { stationId, $or: [{ id: root }, { replyTo: root }] },
    { orderBy: { at: 'asc', id: 'asc' }, disableIdentityMap: true },
  );
  return threadsOf(rows)[0];
}

/** Say something; sent twice, it is one. */
export async function remark(em: Em, { stationId, accountName, device = '' }: Caller, sent: RemarkWrite): Promise<Thread> {
  const { id, specimenId, replyTo = null, place = null, text } = sent;
  const specimen = await em.findOne(SpecimenEntity, { stationId, id: specimenId }, { fields: ['photo'] });
  if (!specimen) throw notFound('specimen');
  if (replyTo && !(await em.count(RemarkEntity, { stationId, specimenId, id: replyTo, replyTo: null })))
    throw badRequest([{ code: 'unknown-remark', message: 'There is no such thread on this specimen.', field: 'replyTo' }]);
  const photo = place?.photo;
  if (photo && specimen.photo !== photo && !(await em.count(MediaEntity, { stationId, specimenId, hash: photo })))
    throw badRequest([{ code: 'unknown-photo', message: 'This photo is not of the specimen.', field: 'place.photo' }]);
  if ((await em.count(RemarkEntity, { stationId, specimenId })) >= MOST)
    throw new HttpProblem(409, { code: 'enough', message: `${MOST} remarks are kept on a specimen at most. Nothing was saved.` });
  const row: RemarkColumns = {
    ...{ stationId, id, specimenId, replyTo, place, text, madeBy: accountName, at: new Date() },
    ...{ withdrawnAt: null, resolvedBy: null, resolvedAt: null, device },
  };
  await em.transactional(async (tx) => {
    await tx.createQueryBuilder(RemarkEntity).insert(row).onConflict().ignore().execute('run', false);
    // What is spoken of again is not resolved.
    if (replyTo) await tx.nativeUpdate(RemarkEntity, { stationId, id: replyTo }, { resolvedBy: null, resolvedAt: null });
  });
  return threadWith(em, stationId, row);
}

async function remarkNamed(em: Em, stationId: string, id: string): Promise<RemarkColumns> {
  const row = await em.findOne(RemarkEntity, { stationId, id });
  if (!row) throw notFound('remark');
  return row;
}

export async function resolveThread(em: Em, caller: Caller, id: string, resolved: boolean): Promise<Thread> {
  const { stationId, accountName } = caller;
  const row = await remarkNamed(em, stationId, id);
  if (row.replyTo)
    throw new HttpProblem(409, { code: 'reply', message: 'A thread is resolved by its first remark; this one is a reply.' });
  const at = new Date();
  // Who resolved it first stays.
  const before = { stationId, id, resolvedAt: resolved ? null : { $ne: null } };
  const change = resolved ? { resolvedBy: accountName, resolvedAt: at } : { resolvedBy: null, resolvedAt: null };
  await em.transactional(async (tx) => {
    if (await tx.nativeUpdate(RemarkEntity, before, change))
      await keepDeed(tx, caller, { act: resolved ? 'resolved' : 'reopened', kind: 'remark', id: row.specimenId, at });
  });
  return threadWith(em, stationId, row);
}

/** Take back what one said: its words go, that it was said stays. */
export async function withdrawRemark(em: Em, caller: Caller, id: string): Promise<Thread> {
  const { stationId, accountName } = caller;
  const row = await remarkNamed(em, stationId, id);
  if (row.madeBy !== accountName)
    throw new HttpProblem(403, { code: 'not-yours', message: `Only ${row.madeBy}, who said it, takes it back.` });
  const at = new Date();
  await em.transactional(async (tx) => {
    if (await tx.nativeUpdate(RemarkEntity, { stationId, id, withdrawnAt: null }, { withdrawnAt: at, text: '' }))
      await keepDeed(tx, caller, { act: 'took back', kind: 'remark', id: row.specimenId, at });
  });
  return threadWith(em, stationId, row);
}

/** Threads that wait for somebody's word. */
export async function conversationsWaiting(em: Em, { stationId, accountName }: Caller): Promise<WaitingThread[]> {
  const rows = await em.getConnection().execute<(Omit<WaitingThread, 'at'> & { at: string })[]>(
    `select root.id, root.specimen_id as "specimenId", s.label, last.made_by as by, last.at, last.text
     from remark root
     join specimen s on s.station_id = root.station_id and s.id = root.specimen_id and not s.hidden
     join lateral (
       select made_by, at, text from remark r
       where r.station_id = root.station_id and (r.id = root.id or r.reply_to = root.id) and r.withdrawn_at is null
       order by r.at desc, r.id desc limit 1
     ) last on last.made_by <> ?
     where root.station_id = ? and root.reply_to is null and root.resolved_at is null and (s.recorded_by = ? or exists (
       select 1 from remark r where r.station_id = root.station_id and (r.id = root.id or r.reply_to = root.id) and r.made_by = ?
     ))
     order by last.at desc, root.id limit 200`,
    [accountName, stationId, accountName, accountName],
  );
  return rows.map(({ at, ...row }) => ({ ...row, at: new Date(at).toISOString() }));
}
