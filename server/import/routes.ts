import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import type { ImportTried } from '@plesion/contract';
import { ImportForm, LARGEST_IMPORT } from '@plesion/contract/import';
import { ImportHow } from '@plesion/core/import';
import type { Router } from 'express';
import { diskStorage } from 'multer';
import { JobEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { badShape, badRequest, HttpProblem } from '../http/errors';
import { bind } from '../http/route';
import { oneFile } from '../http/upload';
import { startJob } from '../jobs/jobs';
import { listChecklists, namesWith, removeChecklist } from './checklists';
import { listImports, takeBack } from './service';
import { importKey } from './work';

export function importRoutes(router: Router, em: () => Em, files: FileStore): void {
  const take = oneFile({
    field: 'file',
    storage: diskStorage({
      destination: tmpdir(),
      filename: (_request, _file, name) => name(null, `plesion-import-${randomUUID()}`),
    }),
    most: LARGEST_IMPORT,
    fields: 2,
    tooLarge: 'A file that is read in may have 64 MB. Split it by years, and read them in one after the other.',
  });

  bind(
    router,
    em,
    'tryImport',
    async ({ em: own, caller, request: { file, body } }) => {
      const { stationId } = caller;
      const id = randomUUID();
      try {
        const form = ImportForm.safeParse({ ...(body as object) });
        if (!form.success) throw badShape(form.error, 'form');
        const how = howOf(form.data.how);
        if (file) {
          await files.putFrom(importKey(stationId, id), file.path);
          const asked = { id, file: nameOf(file.originalname), how };
          return { jobId: await startJob(own, 'tryImport', caller, asked, id) };
        }
        if (!form.data.from) throw badRequest([missing]);
        const before = await triedBefore(own, stationId, form.data.from);
        return { jobId: await startJob(own, 'tryImport', caller, { id: before.source, file: before.file, how }, id) };
      } finally {
        if (file) await rm(file.path, { force: true });
      }
    },
    take,
  );
  bind(
    router,
    em,
    'readChecklist',
    async ({ em: own, caller, request: { file } }) => {
      if (!file) throw badRequest([{ ...missing, message: 'Choose a CSV or an archive of taxa to send.' }]);
      const id = randomUUID();
      try {
        await files.putFrom(importKey(caller.stationId, id), file.path);
        return { jobId: await startJob(own, 'readChecklist', caller, { id, file: nameOf(file.originalname) }, id) };
      } finally {
        await rm(file.path, { force: true });
      }
    },
    take,
  );
  bind(router, em, 'checklists', async ({ em: own, caller }) => ({ checklists: await listChecklists(own, caller.stationId) }));
  bind(router, em, 'removeChecklist', async ({ em: own, caller, params }) => {
    await removeChecklist(own, caller.stationId, params.id);
    return {};
  });
  bind(router, em, 'names', async ({ em: own, caller, query }) => ({
    names: await namesWith(own, caller.stationId, query.text),
  }));
  bind(router, em, 'importRecords', async ({ em: own, caller, body }) => {
    const { source, file, how } = await triedBefore(own, caller.stationId, body.tried);
    return { jobId: await startJob(own, 'importRecords', caller, { id: source, file, how }) };
  });
  bind(router, em, 'imports', async ({ em: own, caller }) => ({ imports: await listImports(own, caller.stationId) }));
  bind(router, em, 'takeBackImport', ({ em: own, caller, params }) => takeBack(own, caller, params.id));
}

const missing = { code: 'file-missing', message: 'Choose a CSV or a Darwin Core archive to send.', field: 'file' };

/** The name comes in Latin-1 from the form; the part that a person knows it by is kept. */
const nameOf = (name: string): string =>
  Buffer.from(name, 'latin1')
    .toString('utf8')
    .replace(/^.*[/\\]/, '')
    .slice(0, 120) || 'a file';

function howOf(json: string | undefined): ImportHow {
  let value: unknown;
  try {
    value = JSON.parse(json ?? '{}');
  } catch {
    throw badRequest([{ code: 'bad-json', message: '“how” is not JSON.', field: 'how' }]);
  }
  const how = ImportHow.safeParse(value);
  if (!how.success) throw badShape(how.error, 'how');
  return how.data;
}

/** What a dry run said, by its job. */
async function triedBefore(em: Em, stationId: string, id: string): Promise<ImportTried> {
  const job = await em.findOne(JobEntity, { stationId, id, kind: 'tryImport', state: 'done' });
  if (job) return job.result as ImportTried;
  throw new HttpProblem(404, {
    code: 'not-tried',
    message: 'There is no dry run of that id, or it is longer ago than a day. Send the file once more.',
    field: 'tried',
  });
}
