import type { Router } from 'express';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import { listOffers, listSharing, offerGuide, takeOffer, withdrawGuide } from './service';

export function sharingRoutes(router: Router, em: () => Em, files: FileStore): void {
  bind(router, em, 'sharing', async ({ em: own, caller }) => ({ guides: await listSharing(own, caller.stationId) }));
  bind(router, em, 'offers', async ({ em: own, caller }) => ({ offers: await listOffers(own, caller.stationId) }));
  bind(router, em, 'offerGuide', ({ em: own, caller, params, body }) => offerGuide(own, caller, params.id, body));
  bind(router, em, 'withdrawGuide', ({ em: own, caller, params, body }) => withdrawGuide(own, caller, params.id, body));
  bind(router, em, 'takeOffer', ({ em: own, caller, params, body }) => takeOffer(own, files, caller, params.id, body));
}
