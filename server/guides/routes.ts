import { printGuide } from '@plesion/core/formats';
import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { findGuide, importGuide, listGuides, showGuide, writeGuide } from './service';

export function guideRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'guides', async ({ em: own, caller }) => ({ guides: await listGuides(own, caller.stationId) }));
  bind(router, em, 'guide', ({ em: own, caller, params, query }) => showGuide(own, caller.stationId, params.id, query.version));
  bind(router, em, 'importGuide', ({ em: own, caller, body }) => importGuide(own, caller, body));
  bind(router, em, 'writeGuide', ({ em: own, caller, params, body }) => writeGuide(own, caller, params.id, body));
  bind(router, em, 'exportGuide', async ({ em: own, caller, params, query, response }) => {
    const stored = await findGuide(own, caller.stationId, params.id, query.version);
    response.attachment(`${stored.slug}.plesion.json`);
    return printGuide(stored.guide);
  });
}
