import type { Outcome } from '@plesion/core';
import { type JobPool, openJobPool } from '../jobs/pool';
import type { ImportRead, ReadRequest } from './import.worker';

/** Reads tables and archives in a thread. */
export type ImportPool = JobPool<ReadRequest, Outcome<ImportRead>>;

export const openImportPool = (workerFile: string): ImportPool => openJobPool(workerFile);
