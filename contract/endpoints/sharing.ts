import { StoredGuide } from '../guides';
import { GuideSharing, OfferList, OfferWrite, SharingList, TakeOffer, WithdrawalWrite } from '../sharing';
import { byId, type Endpoint } from './endpoint';

/** Guides between the stations of one server: offered, taken in, withdrawn. */
export const sharingEndpoints = {
  sharing: {
    method: 'GET',
    path: '/api/sharing',
    summary: 'Which guides of the station are offered to others, withdrawn, or were taken in from another station.',
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
    summary: 'Withdraw a guide, with the reason why, here and wherever it was taken in; or put it back in use.',
    least: 'reviewer',
    params: byId,
    body: WithdrawalWrite,
    response: GuideSharing,
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
    summary: 'Take in an offered guide with its photographs, or its newest version where it was taken in before.',
    params: byId,
    body: TakeOffer,
    response: StoredGuide,
    status: 201,
  },
} as const satisfies Record<string, Endpoint>;
