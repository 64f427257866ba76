import type { Outcome } from '@plesion/core';
import type { Checklist } from '@plesion/core/import';
import { type JobPool, openJobPool } from '../jobs/pool';
import type { ImportRead, ReadRequest } from './import.worker';

/** Reads tables and archives in a thread. */
export type ImportPool = JobPool<ReadRequest, Outcome<ImportRead>>;

/** Reads checklists in a thread. */
export type ChecklistPool = JobPool<{ path: string }, Outcome<Checklist>>;

export const openChecklistPool = (workerFile: string): ChecklistPool => openJobPool(workerFile);
export const openImportPool = (workerFile: string): ImportPool => openJobPool(workerFile);
