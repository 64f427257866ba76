import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { baseMapOf, placesOf, writeBaseMap } from './service';

export function mapRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'places', ({ em: own, caller }) => placesOf(own, caller.stationId));
  bind(router, em, 'baseMap', ({ em: own, caller }) => baseMapOf(own, caller.stationId));
  bind(router, em, 'writeBaseMap', ({ em: own, caller, body }) => writeBaseMap(own, caller, body.map));
}
