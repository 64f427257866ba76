import { type EntityName, LockMode } from '@mikro-orm/core';
import type { RecordName } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import type { Em } from '../database/orm';
import { type HttpProblem, notFound, staleVersion } from '../http/errors';
import { type Counted, needRoomForRecord } from '../station/quota';
import { keepEarlier } from '../earlier/keep';
import { logChange } from './changes';

/** Who writes. */
export interface Writer extends Counted {
  accountName: string;
  /** From what they write, in words. */
  device?: string;
}

/** A row that is written by versions. */
interface Row {
  id: string;
  stationId: string;
  version: number;
}

/** How one kind of record is stored (R), sent (S) and given back (W). */
export interface RecordKind<R extends Row, S extends { version: number }, W extends object> {
  name: RecordName;
  entity: EntityName<R>;
  /** As it goes over the wire. What was just written is at hand as `written`, and need not be read again. */
  wireOf: (em: Em, row: R, written?: S) => Promise<W> | W;
  /** Is what is stored what was sent, so that one of them came twice? */
  same: (stored: W, sent: S, row: R) => boolean;
  /** Does the same content at its own version make a new version all the same? */
  again?: boolean;
  /** Does it keep the content of each version in rows of its own? */
  versions?: true;
  /** The refusal where something else that must be unique is taken already. */
  taken?: (em: Em, stationId: string, sent: S) => Promise<HttpProblem>;
  /** What is kept of a change beside the record: as it was, as it is, at its new version. */
  changed?: (tx: Em, writer: Writer, known: W, sent: S, row: R) => Promise<void>;
  /** What is stored in rows of its own, such as a version's content or the members of a lot. */
  parts?: (tx: Em, row: R, sent: S, isNew: boolean) => Promise<void>;
}

/** A record of the station as it goes over the wire; 404 where the station has none of that id. */
export async function findRecord<R extends Row, S extends { version: number }, W extends object>(
  em: Em,
  { name, entity, wireOf }: RecordKind<R, S, W>,
  stationId: string,
  id: string,
): Promise<W> {
  const row = (await em.findOne(entity, { id, stationId } as never)) as R | null;
  if (!row) throw notFound(name);
  return wireOf(em, row);
}

/**
 * The one way a record is written: new at version 0, else on top of the version
 * named. The row is locked; a write that was not made from what is stored gets both
 * sides back (409) and saves nothing; the same content twice is one write, and so are
 * two creations at once. Each write leaves a line in the station's feed of changes.
 *
 * @param make the row to be stored, of the one that stands there (undefined for a new one); it has the version given.
 */
export async function writeVersioned<R extends Row, S extends { version: number }, W extends object>(
  em: Em,
  kind: RecordKind<R, S, W>,
  writer: Writer,
  id: string,
  sent: S,
  make: (stored: R | undefined, version: number) => R,
): Promise<W> {
  const { stationId } = writer;
  const own = { stationId, id } as never;
  return em.transactional(async (tx) => {
    // Most writes are new: that is tried before anything is read.
    if (sent.version === 0) {
      const row = make(undefined, 1);
      if (await insertNew(tx, kind.entity, row)) {
        await needRoomForRecord(tx, writer, kind.name);
        return finish(tx, row, undefined);
      }
    }
    const stored = (await tx.findOne(kind.entity, own, {
      lockMode: LockMode.PESSIMISTIC_WRITE,
      disableIdentityMap: true,
    })) as R | null;
    if (!stored) {
      // What stood in the way of a new one was something else that must be unique.
      const taken = sent.version === 0 ? await kind.taken?.(tx, stationId, sent) : undefined;
      throw taken ?? notFound(kind.name);
    }
    const known = await kind.wireOf(tx, stored);
    const stale = stored.version !== sent.version;
    if ((stale || !kind.again) && kind.same(known, sent, stored)) return known;
    if (stale) throw staleVersion(kind.name, known, sent);
    const row = make(stored, stored.version + 1);
    if (!kind.versions) await keepEarlier(tx, stationId, kind.name, stored, known);
    await tx.nativeUpdate(kind.entity, own, row as never);
    return finish(tx, row, known);
  });

  async function finish(tx: Em, row: R, known: W | undefined): Promise<W> {
    await kind.parts?.(tx, row, sent, known === undefined);
    if (known) await kind.changed?.(tx, writer, known, sent, row);
    const written = await kind.wireOf(tx, row, sent);
    await logChange(tx, writer, kind.name, row, changedFields(known, sent, written));
    return written;
  }
}

async function insertNew<R extends object>(tx: Em, entity: EntityName<R>, row: R): Promise<boolean> {
  const { affectedRows } = await tx
    .createQueryBuilder(entity)
    .insert(row)
    .onConflict()
    .ignore()
    .execute<{ affectedRows: number }>('run', false);
  return affectedRows > 0;
}

/** Which parts of the record the write changed, or took out; all it holds for a new one. */
function changedFields(known: object | undefined, sent: object, written: object): string[] {
  const before = known as Record<string, unknown> | undefined;
  const differs = (name: string, value: unknown) => !before || stableJson(value) !== stableJson(before[name] ?? null);
  const changed = Object.entries(sent).filter(
    ([name, value]) => name !== 'version' && value !== undefined && differs(name, value),
  );
  const gone = Object.keys(before ?? {}).filter((name) => before?.[name] !== undefined && !(name in written));
  return [...changed.map(([name]) => name), ...gone];
}
