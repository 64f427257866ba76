import { mkdtemp } from 'node:fs/promises';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { MikroORM } from '@mikro-orm/postgresql';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { type AnalysisPool, openAnalysisPool } from './analysis/pool';
import { importKind, openUnpackPool } from './archive/read';
import { exportKind } from './archive/write';
import { printGuideKind } from './booklet/job';
import { openDatabase, openPool } from './database/orm';
import { type FileSettings, type FileStore, openFiles } from './files/store';
import { openJobWorker } from './jobs/worker';
import { needWorkerTables } from './jobs/workerTables';
import { openMatrixPool, takeMatrixKind } from './authoring/matrix';
import { makeDraftKeyKind, makeKeyKind } from './keys/make';
import { openKeyPool } from './keys/pool';
import { readChecklistKind } from './import/checklists';
import { openChecklistPool, openImportPool } from './import/pool';
import { importRecordsKind, tryImportKind } from './import/work';
import { openLearnPool } from './learn/pool';
import { learnKind } from './learn/service';
import { type Office, officeAt } from './office/office';
import { openSender } from './office/sender';
import { type Quotas, USUAL_QUOTAS } from './station/quota';
import { type CameraPool, openCameraPool } from './camera/pool';
import { openPracticePool, type PracticePool } from './practice/pool';
import { openPagePool, type PagePool } from './page/pool';

/** What a server process stands on: the database, and the threads that do its heavy work. */
export interface Parts {
  orm: MikroORM;
  /** Connections for what is no record: sessions, tries, the queue of long work. */
  pool: Pool;
  files: FileStore;
  /** Folder of what is sent piece by piece and has not arrived whole. */
  uploads: string;
  /** The ringing office that stations report to. */
  office?: Office;
  weighing: AnalysisPool;
  paging: PagePool;
  camera: CameraPool;
  practice: PracticePool;
  close(): Promise<void>;
}

interface Settings {
  databaseUrl: string;
  files: FileSettings;
  log: Logger;
  /** Of this Plesion. */
  version: string;
  quotas?: Quotas;
  officeUrl?: string;
  /** Threads that weigh. */
  threads?: number;
  /** Does this process do long work too? */
  works?: boolean;
}

const source = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export async function openParts(settings: Settings): Promise<Parts> {
  const { databaseUrl, log, version, quotas = USUAL_QUOTAS, threads = availableParallelism(), works = true } = settings;
  const files = await openFiles(settings.files);
  const uploads = 'folder' in settings.files ? join(settings.files.folder, 'uploads') : await mkdtemp(join(tmpdir(), 'plesion-'));
  const orm = await openDatabase(databaseUrl);
  const pool = openPool(databaseUrl, ({ message }) => log.warn({ message }, 'a connection to the database was lost'));
  await needWorkerTables(pool);
  const weighing = openAnalysisPool(source('./analysis/analysis.worker.ts'), threads);
  const learning = openLearnPool(source('./learn/learn.worker.ts'));
  const unpacking = openUnpackPool(source('./archive/unpack.worker.ts'));
  const reading = openImportPool(source('./import/import.worker.ts'));
  const listing = openChecklistPool(source('./import/checklist.worker.ts'));
  const keying = openKeyPool(source('./keys/make.worker.ts'));
  const taking = openMatrixPool(source('./authoring/matrix.worker.ts'));
  const paging = openPagePool(source('./page/page.worker.ts'));
  const camera = openCameraPool(source('./camera/camera.worker.ts'));
  const practice = openPracticePool(source('./practice/practice.worker.ts'));
  const worker = works
    ? openJobWorker(
        orm,
        pool,
        {
          learn: learnKind(learning),
          makeKey: makeKeyKind(keying, weighing),
          makeDraftKey: makeDraftKeyKind(keying, weighing),
          takeMatrix: takeMatrixKind(taking),
          printGuide: printGuideKind(files, keying, paging),
          exportStation: exportKind(files, version),
          importStation: importKind(files, unpacking),
          tryImport: tryImportKind(files, reading),
          importRecords: importRecordsKind(files, reading),
          readChecklist: readChecklistKind(files, listing),
        },
        log,
        quotas,
      )
    : undefined;
  const office = settings.officeUrl === undefined ? undefined : officeAt(settings.officeUrl);
  const sender = works && office ? openSender(() => orm.em.fork(), office, log) : undefined;
  return {
    orm,
    pool,
    files,
    uploads,
    office,
    weighing,
    paging,
    camera,
    practice,
    async close() {
      await Promise.all([worker?.close(), sender?.close()]);
      await Promise.allSettled([
        weighing.close(),
        learning.close(),
        keying.close(),
        taking.close(),
        unpacking.close(),
        reading.close(),
        listing.close(),
        paging.close(),
        camera.close(),
        practice.close(),
      ]);
      await Promise.allSettled([pool.end(), orm.close(true)]);
    },
  };
}
