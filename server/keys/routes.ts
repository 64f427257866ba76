import type { KeyFormat } from '@plesion/core/keys/exchange';
import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { begun } from '../jobs/waited';
import { checkInThread } from './check';
import { importKey } from './import';
import { findKey, keyAndGuide, listKeys, writeKey } from './service';
import { walkFor } from './walk';

export function keyRoutes(router: Router, em: () => Em, analysis: AnalysisPool): void {
  const written = async (own: Em, stationId: string, id: string, format: KeyFormat) =>
    analysis.ask(stationId, 'writeKey', { key: (await keyAndGuide(own, stationId, id)).key, format });
  bind(router, em, 'keys', async ({ em: own, caller, query }) => ({ keys: await listKeys(own, caller.stationId, query) }));
  bind(router, em, 'importKey', ({ em: own, caller, body }) => importKey(own, analysis, caller, body));
  bind(router, em, 'makeKey', ({ em: own, caller, params, query, body, response }) =>
    begun(own, 'makeKey', caller, { guideId: params.id, asked: body }, query.wait === 'true', response),
  );
  // What ends in a suffix comes before the key itself, whose id would swallow it.
  bind(router, em, 'keyText', async ({ em: own, caller, params, query, response }) => {
    const style = query.style ?? 'bracketed';
    if (style === 'markdown') response.type('text/markdown');
    return written(own, caller.stationId, params.id, style);
  });
  bind(router, em, 'keySdd', ({ em: own, caller, params }) => written(own, caller.stationId, params.id, 'sdd'));
  bind(router, em, 'keyJson', async ({ em: own, caller, params, response }) => {
    response.attachment('key.json');
    return written(own, caller.stationId, params.id, 'json');
  });
  bind(router, em, 'key', ({ em: own, caller, params, query }) =>
    findKey(own, checkInThread(analysis, caller.stationId), caller.stationId, params.id, query.version),
  );
  bind(router, em, 'writeKey', ({ em: own, caller, params, body }) =>
    writeKey(own, checkInThread(analysis, caller.stationId), caller, params.id, body),
  );
  bind(router, em, 'walkKey', ({ em: own, caller, params, query, body }) =>
    walkFor(own, analysis, caller.stationId, params.id, body, query.version),
  );
}
