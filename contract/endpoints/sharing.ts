import { StoredGuide } from '../guides';
import { GuideSharing, OfferList, OfferWrite, SharingList, TakeOffer, WithdrawalWrite } from '../sharing';
import { z } from 'zod';
import { byId, type Endpoint } from './endpoint';

/** Guides between the stations of one server: offered, imported, withdrawn. */
export const sharingEndpoints = {
  sharing: {
    method: 'GET',
    path: '/api/sharing',
    summary: 'Which guides of the station are offered to others, withdrawn, or were imported from another station.',
    response: SharingList,
  },
  offerGuide: {
    method: 'PUT',
    path: '/api/guides/:id/offer',
    summary: 'Offer a guide, at its newest version, to every station of this server, or offer it no longer.',
    least: 'reviewer',
    params: byId,
    body: OfferWrite,
    response: GuideSharing,
  },
  withdrawGuide: {
    method: 'PUT',
    path: '/api/guides/:id/withdrawal',
    summary: 'Withdraw a guide, with the reason why, here and wherever it was imported; or put it back in use.',
    least: 'reviewer',
    params: byId,
    body: WithdrawalWrite,
    response: GuideSharing,
  },
  carryGuide: {
    method: 'GET',
    path: '/api/guides/:id/with-photographs.zip',
    summary: 'The guide as Plesion JSON with its photographs, as they are shown, in one file: to keep, or to import elsewhere.',
    params: byId,
    response: z.unknown(),
    media: 'application/zip',
  },
  bringGuide: {
    method: 'POST',
    path: '/api/guides/with-photographs',
    summary: 'Import a guide with its photographs; 409 with both sides where its id is known with another content.',
    upload: 'file',
    response: StoredGuide,
    status: 201,
  },
  offers: {
    method: 'GET',
    path: '/api/offers',
    summary: 'Guides that the other stations of this server offer, the one offered last first.',
    response: OfferList,
  },
  takeOffer: {
    method: 'POST',
    path: '/api/offers/:id/taken',
    summary: 'Import an offered guide with its photographs, or its newest version where it was imported before.',
    params: byId,
    body: TakeOffer,
    response: StoredGuide,
    status: 201,
  },
} as const satisfies Record<string, Endpoint>;
