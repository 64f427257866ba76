import { Readable } from 'node:stream';
import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { occurrences } from './occurrences';

export function exportRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'exportOccurrences', async ({ em: own, caller, query, response }) => {
    const lines = occurrences(own, caller.stationId, query);
    // What can be refused is refused before anything is sent.
    const first = await lines.next();
    response.attachment('occurrences.csv');
    return Readable.from(
      (async function* () {
        if (!first.done) yield first.value;
        yield* lines;
      })(),
    );
  });
}
