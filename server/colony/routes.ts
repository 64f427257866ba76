import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { PagePool } from '../page/pool';
import { exportBook, importBook } from './files';
import { findPairing, writePairing, writeYoung } from './pairings';
import { pedigreePage } from './pedigreePage';
import { findPen, writePen } from './pens';
import { rankPairs } from './rankPairs';
import { sexingFor } from './sexing';
import { aheadOf, colonyOf, eggOf, unlikelyOf, listColonies, pairOf, proveOf, reasonsFor } from './service';

/** What the files of a book are called. */
const FILES = { csv: 'book.csv', linkage: 'book.ped', pairings: 'pairings.csv' };

export function colonyRoutes(router: Router, em: () => Em, pool: AnalysisPool, pages: PagePool): void {
  bind(router, em, 'colonies', async ({ em: own, caller }) => ({ colonies: await listColonies(own, caller.stationId) }));
  bind(router, em, 'colony', ({ em: own, caller, params }) => colonyOf(own, pool, caller.stationId, params.id));
  bind(router, em, 'pedigreeSheet', async ({ em: own, caller, params, query, response }) => {
    const { as = 'pdf' } = query;
    const sheet = await pedigreePage(own, { pool, pages }, caller.stationId, params.id, query);
    response.attachment(`pedigree.${as}`).type(as === 'svg' ? 'image/svg+xml' : 'application/pdf');
    return sheet;
  });
  bind(router, em, 'exportBook', async ({ em: own, caller, params, query, response }) => {
    const { as = 'csv' } = query;
    const file = await exportBook(own, caller.stationId, params.id, as, query.character);
    response.attachment(FILES[as]).type(as === 'linkage' ? 'text/plain' : 'text/csv');
    return file;
  });
  bind(router, em, 'importBook', ({ em: own, caller, params, body }) => importBook(own, caller, params.id, body));
  bind(router, em, 'pairing', ({ em: own, caller, params }) => findPairing(own, caller.stationId, params.id));
  bind(router, em, 'writePairing', ({ em: own, caller, params, body }) => writePairing(own, caller, params.id, body));
  bind(router, em, 'pen', ({ em: own, caller, params }) => findPen(own, caller.stationId, params.id));
  bind(router, em, 'writePen', ({ em: own, caller, params, body }) => writePen(own, caller, params.id, body));
  bind(router, em, 'writeYoung', ({ em: own, caller, params, body }) => writeYoung(own, caller, params.id, body));
  bind(router, em, 'pair', ({ em: own, caller, params, body }) => pairOf(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'rankPairs', ({ em: own, caller, params, body }) => rankPairs(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'prove', ({ em: own, caller, params, body }) => proveOf(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'reasons', ({ em: own, caller, params, body }) => reasonsFor(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'ahead', ({ em: own, caller, params, body }) => aheadOf(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'whoseEgg', ({ em: own, caller, params, body }) => eggOf(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'sexing', ({ em: own, caller, params, body }) => sexingFor(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'unlikely', ({ em: own, caller, params, response }) =>
    unlikelyOf(own, pool, caller.stationId, params.id, () => response.destroyed),
  );
}
