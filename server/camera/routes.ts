import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { Parts } from '../parts';
import { findShot, shotTruth, takeShot } from './service';

export function cameraRoutes(router: Router, em: () => Em, parts: Pick<Parts, 'files' | 'camera'>): void {
  const { files } = parts;
  bind(router, em, 'takeShot', ({ em: own, caller, body }) => takeShot(own, files, caller.stationId, body));
  bind(router, em, 'shot', ({ em: own, caller, params, response }) => {
    response.set('cache-control', 'private, max-age=31536000, immutable');
    return findShot(own, parts, caller.stationId, params.id);
  });
  bind(router, em, 'shotTruth', ({ caller, params }) => shotTruth(files, caller.stationId, params.id));
}
