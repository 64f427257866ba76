import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { plateOf } from './service';

const MEDIA = { svg: 'image/svg+xml', png: 'image/png' } as const;

export function bookRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'plate', async ({ em: own, caller, params, query, response }) => {
    const { name, content } = await plateOf(own, caller.stationId, params.id, query);
    response.attachment(`${name}.${query.as}`).type(MEDIA[query.as]);
    return content;
  });
}
