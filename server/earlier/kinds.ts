import { type RecordName, schemas, type Specimen } from '@plesion/contract';
import { CaptureWrite, CountWrite, SheetWrite, SiteWrite, StringWrite, VisitWrite } from '@plesion/contract/fieldwork';
import { PairingWrite } from '@plesion/contract/pairings';
import { PenWrite } from '@plesion/contract/pens';
import type { Key } from '@plesion/core/keys';
import type { z } from 'zod';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findPairing, writePairing } from '../colony/pairings';
import { findPen, writePen } from '../colony/pens';
import { findCapture, writeCapture } from '../fieldwork/captures';
import {
  findCount,
  findSheet,
  findSite,
  findString,
  findVisit,
  writeCount,
  writeSheet,
  writeSite,
  writeString,
  writeVisit,
} from '../fieldwork/service';
import { findGuide, writeGuide } from '../guides/service';
import type { Caller } from '../http/route';
import { findIndividual, writeIndividual } from '../individuals/service';
import { checkInThread } from '../keys/check';
import { findKey, writeKey } from '../keys/service';
import { findLot, writeLot } from '../lots/service';
import { findMeasurement, writeMeasurement } from '../measure/service';
import { findSpecimen, writeSpecimen } from '../specimens/service';

type Content = Record<string, unknown>;

/** How one kind of record is found as it stands, and written again as it was. */
export interface Restored {
  find(em: Em, pool: AnalysisPool, stationId: string, id: string): Promise<object>;
  /** What it held at a version, where it keeps its versions itself. */
  at?(em: Em, pool: AnalysisPool, stationId: string, id: string, version: number): Promise<object>;
  write(
    em: Em,
    pool: AnalysisPool,
    caller: Caller,
    id: string,
    then: Content,
    now: Content,
    version: number,
  ): Promise<{ version: number }>;
}

type Shape = z.ZodObject<z.ZodRawShape>;

/** What is sent, of what was kept: without what the server adds to it. */
function sentOf<S extends Shape>(shape: S, then: Content, version: number): z.output<S> {
  const names = Object.keys(shape.shape);
  const own = Object.fromEntries(Object.entries(then).filter(([name]) => names.includes(name)));
  return shape.parse({ ...own, version });
}

type Find = (em: Em, stationId: string, id: string) => Promise<object>;
type Write<S extends Shape> = (em: Em, caller: Caller, id: string, sent: z.output<S>) => Promise<{ version: number }>;

const plain = <S extends Shape>(find: Find, shape: S, write: Write<S>): Restored => ({
  find: (em, _, stationId, id) => find(em, stationId, id),
  write: (em, _, caller, id, then, __, version) => write(em, caller, id, sentOf(shape, then, version)),
});

export const RESTORED: Record<RecordName, Restored> = {
  specimen: {
    find: (em, _, stationId, id) => findSpecimen(em, stationId, id),
    write(em, pool, caller, id, then, now, version) {
      // Names only grow: what was said since stays said.
      const { determinations } = now as unknown as Specimen;
      return writeSpecimen(em, pool, caller, id, sentOf(schemas.SpecimenWrite, { ...then, determinations }, version));
    },
  },
  guide: {
    find: (em, _, stationId, id) => findGuide(em, stationId, id),
    at: (em, _, stationId, id, version) => findGuide(em, stationId, id, version),
    write: (em, _, caller, id, then, __, version) => writeGuide(em, caller, id, { version, guide: then.guide }),
  },
  key: {
    find: (em, pool, stationId, id) => findKey(em, checkInThread(pool, stationId), stationId, id),
    at: (em, pool, stationId, id, version) => findKey(em, checkInThread(pool, stationId), stationId, id, version),
    write(em, pool, caller, id, then, now, version) {
      const { guideId, hidden } = now as { guideId?: string; hidden: boolean };
      const sent = { version, key: then.key as Key, hidden, ...(guideId ? { guideId } : {}) };
      return writeKey(em, checkInThread(pool, caller.stationId), caller, id, sent);
    },
  },
  lot: plain(findLot, schemas.LotWrite, writeLot),
  individual: plain(findIndividual, schemas.IndividualWrite, writeIndividual),
  measurement: plain(findMeasurement, schemas.MeasurementWrite, writeMeasurement),
  site: plain(findSite, SiteWrite, writeSite),
  visit: plain(findVisit, VisitWrite, writeVisit),
  capture: plain(findCapture, CaptureWrite, writeCapture),
  string: plain(findString, StringWrite, writeString),
  count: plain(findCount, CountWrite, writeCount),
  sheet: plain(findSheet, SheetWrite, writeSheet),
  pairing: plain(findPairing, PairingWrite, writePairing),
  pen: plain(findPen, PenWrite, writePen),
};
