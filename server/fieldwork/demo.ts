import type { RecordName } from '@plesion/contract';
import { demoFieldwork } from '@plesion/demo';
import { SiteEntity } from '../database/fieldEntities';
import type { Em } from '../database/orm';
import { logSets, type WrittenSet } from '../records/changes';
import { noteCorrection } from '../records/corrections';
import type { Writer } from '../records/write';
import type { FieldKind } from './records';
import { CAPTURE, COUNT, SHEET, SITE, STRING, VISIT } from './service';

/** Rows stored with one statement. */
const SOME = 200;

/** The fieldwork of the demo station, once, as it stands on the day it is made; some 900 records, stored as sets. */
export async function putDemoFieldwork(em: Em, writer: Writer, guides: ReadonlyMap<string, string>): Promise<void> {
  const { stationId } = writer;
  if (await em.count(SiteEntity, { stationId })) return;
  const now = new Date();
  const work = demoFieldwork(now.toISOString().slice(0, 10), guides);
  const captures = new Map(work.captures);
  const written: WrittenSet[] = [];
  await em.transactional(async (tx) => {
    // In the order in which one refers to the other.
    await put(SITE, work.sites);
    await put(VISIT, work.visits);
    await put(CAPTURE, work.captures);
    await put(STRING, work.strings);
    await put(COUNT, work.counts);
    await put(SHEET, work.sheets);
    for (const { id, was } of work.corrected) {
      const { guideId, taxon, visitId, at } = captures.get(id)!;
      await noteCorrection(
        tx,
        writer,
        { kind: 'capture', id, version: 1, day: at.slice(0, 10), visitId, recordedBy: writer.accountName },
        { hidden: false, name: { guideId, taxon: was } },
        { hidden: false, name: { guideId, taxon } },
      );
    }
    await logSets(tx, writer, written);

    async function put(kind: unknown, records: [string, object][]): Promise<void> {
      const { name, entity, columns } = kind as FieldKind<never, never> & { name: RecordName };
      const rows = records.map(([id, content]) => {
        const plain = JSON.parse(JSON.stringify(content)) as object;
        return {
          ...(columns as (sent: object) => object)(plain),
          stationId,
          id,
          version: 1,
          hidden: false,
          recordedBy: writer.accountName,
          createdAt: now,
          updatedAt: now,
          content: plain,
        };
      });
      for (let i = 0; i < rows.length; i += SOME) await tx.insertMany(entity, rows.slice(i, i + SOME) as never[]);
      written.push({ kind: name, records: rows });
    }
  });
}
