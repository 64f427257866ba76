import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { Pen, PenWrite } from '@plesion/contract/pens';
import { keyOfPen, penAnew, type PenName, penNames } from '@plesion/core/colony';
import { type PenRecord, PenEntity } from '../database/colonyEntities';
import type { Em } from '../database/orm';
import { fieldKind, wireOf, writeField } from '../fieldwork/records';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import { findRecord, type Writer } from '../records/write';

const refused = (message: string) => badRequest([{ field: 'name', code: 'twice', message }]);
const isTaken = (name: string) => refused(`There is a pen “${name}” already; call this one otherwise.`);

const PEN = {
  ...fieldKind<PenRecord, PenWrite>('pen', PenEntity, ({ guideId }) => ({ guideId })),
  taken: (_: Em, __: string, { name }: PenWrite) => Promise.resolve(isTaken(name)),
};

export const findPen = (em: Em, stationId: string, id: string): Promise<Pen> => findRecord(em, PEN, stationId, id);

/** Pens of a book. */
export async function pensOf(em: Em, stationId: string, guideId: string): Promise<Pen[]> {
  const rows = await em.find(PenEntity, { stationId, guideId, hidden: false }, { orderBy: { createdAt: 'asc', id: 'asc' } });
  return rows.map((row) => wireOf<PenWrite>(row));
}

/** By what the pens of a book are called now. */
export const penNamesOf = async (em: Em, stationId: string, guideId: string): Promise<PenName> =>
  penNames(await pensOf(em, stationId, guideId));

/** Write a pen. Where it is called otherwise now, its former name stays with it. @throws 400 by the field. */
export async function writePen(em: Em, writer: Writer, id: string, sent: PenWrite): Promise<Pen> {
  const { stationId } = writer;
  await findGuide(em, stationId, sent.guideId);
  const before = sent.version ? await em.findOne(PenEntity, { stationId, id }) : null;
  const name = keyOfPen(sent.name);
  for (const other of sent.hidden ? [] : await pensOf(em, stationId, sent.guideId)) {
    if (other.id === id) continue;
    if (keyOfPen(other.name) === name) throw isTaken(other.name);
    if (other.formerly?.some((old) => keyOfPen(old) === name))
      throw refused(
        `“${sent.name}” is what “${other.name}” was called before, and some may be written in it so. Take another name.`,
      );
  }
  return writeField(em, PEN, writer, id, penAnew(before?.content, sent)).catch((error: unknown) => {
    throw error instanceof UniqueConstraintViolationException ? isTaken(sent.name) : error;
  });
}
