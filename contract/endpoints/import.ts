import { ChecklistList, KnownNames, NameQuery } from '../checklists';
import { ImportForm, ImportList, ImportRequest, ImportTakenBack } from '../import';
import { JobStarted } from '../jobs';
import { byId, type Endpoint, nothing } from './endpoint';

/** Fieldwork of earlier years, from tables and Darwin Core archives. */
export const importEndpoints = {
  tryImport: {
    method: 'POST',
    path: '/api/import/dry-run',
    summary:
      'Try to read a CSV of captures or a Darwin Core archive; a job, whose result says how it was read, what would be stored, and what is in the way. Nothing is stored.',
    upload: 'file',
    form: ImportForm,
    response: JobStarted,
    status: 202,
  },
  importRecords: {
    method: 'POST',
    path: '/api/import',
    summary: 'Read in what a dry run tried: all of it, or nothing; a job.',
    body: ImportRequest,
    response: JobStarted,
    status: 202,
  },
  readChecklist: {
    method: 'POST',
    path: '/api/checklists',
    summary: 'Read in a checklist: a CSV of taxa, or a Darwin Core archive of taxa; a job. Synonyms are followed.',
    upload: 'file',
    response: JobStarted,
    status: 202,
  },
  checklists: { method: 'GET', path: '/api/checklists', summary: 'Checklists, the newest first.', response: ChecklistList },
  removeChecklist: {
    method: 'DELETE',
    path: '/api/checklists/:id',
    summary: 'Take a checklist away; what was written down by its names keeps them.',
    params: byId,
    response: nothing,
  },
  names: {
    method: 'GET',
    path: '/api/names',
    summary: 'Names of the checklists that hold some letters, those that begin so first.',
    query: NameQuery,
    response: KnownNames,
  },
  imports: { method: 'GET', path: '/api/imports', summary: 'What was read in, the newest first.', response: ImportList },
  takeBackImport: {
    method: 'POST',
    path: '/api/imports/:id/back',
    summary: 'Take back what was read in together: it is hidden, but for what was changed since.',
    params: byId,
    response: ImportTakenBack,
  },
} as const satisfies Record<string, Endpoint>;
