import type { EntityName } from '@mikro-orm/core';
import type { RecordName } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import type { Em } from '../database/orm';
import { type RecordKind, type Writer, writeVersioned } from '../records/write';

/** A record of fieldwork as it is stored: its content whole, and columns of what is asked for by set. */
interface FieldRow {
  id: string;
  stationId: string;
  version: number;
  hidden: boolean;
  recordedBy: string;
  createdAt: Date;
  updatedAt: Date;
  content: object;
}

interface Sent {
  version: number;
  hidden: boolean;
}

/** A record as it goes over the wire. */
export type Wire<S extends Sent> = S & { id: string; recordedBy: string; createdAt: string; updatedAt: string };

/** How one kind of fieldwork's records is kept: all alike but for the columns it is found by. */
export interface FieldKind<R extends FieldRow, S extends Sent> extends RecordKind<R, S, Wire<S>> {
  columns: (sent: S) => Omit<R, keyof FieldRow>;
}

export function fieldKind<R extends FieldRow, S extends Sent>(
  name: RecordName,
  entity: EntityName<R>,
  columns: (sent: S) => Omit<R, keyof FieldRow>,
): FieldKind<R, S> {
  return {
    name,
    entity,
    columns,
    wireOf: (_, row) => wireOf<S>(row),
    same: (_, sent, row) => row.hidden === sent.hidden && stableJson(row.content) === stableJson(contentOf(sent)),
  };
}

export const wireOf = <S extends Sent>({ id, version, hidden, recordedBy, createdAt, updatedAt, content }: FieldRow): Wire<S> =>
  ({
    ...content,
    id,
    version,
    hidden,
    recordedBy,
    createdAt: createdAt.toISOString(),
    updatedAt: updatedAt.toISOString(),
  }) as unknown as Wire<S>;

const HEAD = ['version', 'hidden'];

/** What is sent, without what is kept beside it. */
const contentOf = <S extends Sent>(sent: S) =>
  Object.fromEntries(Object.entries(sent).filter(([name]) => !HEAD.includes(name))) as Omit<S, 'version' | 'hidden'>;

/** Write one; whoever wrote it first stays named. */
export function writeField<R extends FieldRow, S extends Sent>(
  em: Em,
  kind: FieldKind<R, S>,
  writer: Writer,
  id: string,
  sent: S,
): Promise<Wire<S>> {
  return writeVersioned(em, kind, writer, id, sent, (stored, version) => {
    const now = new Date();
    return {
      ...kind.columns(sent),
      id,
      stationId: writer.stationId,
      version,
      hidden: sent.hidden,
      recordedBy: stored?.recordedBy ?? writer.accountName,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
      content: contentOf(sent),
    } as unknown as R;
  });
}
