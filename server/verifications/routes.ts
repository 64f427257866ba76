import { LARGEST_ATTACHMENT } from '@plesion/contract/verifications';
import type { Router } from 'express';
import { memoryStorage } from 'multer';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import { oneFile } from '../http/upload';
import { calibration } from './calibration';
import { hitRates } from './hitRates';
import { listOverturned } from './overturned';
import { addAttachment, findAttachment } from './attachments';
import { listVerifications, verify, withdrawVerification } from './service';

export function verificationRoutes(router: Router, em: () => Em, pool: AnalysisPool, files: FileStore): void {
  const read = oneFile({
    field: 'file',
    storage: memoryStorage(),
    most: LARGEST_ATTACHMENT,
    tooLarge: 'The file is larger than 10 MB; send a smaller one.',
  });
  bind(router, em, 'verifications', ({ em: own, caller, query }) => listVerifications(own, pool, caller, query));
  bind(router, em, 'verify', ({ em: own, caller, body }) => verify(own, caller, body));
  bind(
    router,
    em,
    'addAttachment',
    ({ em: own, caller, request }) => addAttachment(own, files, caller, request.file?.buffer),
    read,
  );
  bind(router, em, 'attachment', ({ caller, params: { hash }, query, response }) => {
    response.set('cache-control', 'private, max-age=31536000, immutable');
    // Whatever it is, it is kept and not run: it comes from whoever sent it.
    response.attachment(query.name ?? hash).type('application/octet-stream');
    return findAttachment(files, caller.stationId, hash);
  });
  bind(router, em, 'withdrawVerification', ({ em: own, caller, params }) => withdrawVerification(own, caller, params.id));
  bind(router, em, 'calibration', ({ em: own, caller, query }) => calibration(own, pool, caller, query));
  bind(router, em, 'hitRates', ({ em: own, caller, query }) => hitRates(own, pool, caller, query));
  bind(router, em, 'overturned', async ({ em: own, caller, query }) => ({
    overturned: await listOverturned(own, pool, caller, query.guideId),
  }));
}
