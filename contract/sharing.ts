import { z } from 'zod';
import { GuideRow } from './guides';

const at = z.iso.datetime({ offset: true });

/** That a guide is not to be used any more: by whom, and why. */
export const Withdrawn = z.object({ at, by: z.string(), why: z.string() });
export type Withdrawn = z.output<typeof Withdrawn>;

/** How a guide stands among the stations: offered to them, withdrawn, imported from one of them. */
export const GuideSharing = z.object({
  guideId: z.uuid(),
  offered: z.object({ at, by: z.string() }).optional(),
  withdrawn: Withdrawn.optional(),
  taken: z
    .object({
      station: z.uuid(),
      /** Its name. */
      from: z.string(),
      /** Its version there. */
      version: z.number().int(),
      /** The newest version that is offered there, where that is another one. */
      newer: z.number().int().optional(),
      /** Where those who wrote it have withdrawn it. */
      withdrawn: Withdrawn.optional(),
    })
    .optional(),
});
export type GuideSharing = z.output<typeof GuideSharing>;

/** Of the guides of a station, those that there is something to be said of. */
export const SharingList = z.object({ guides: z.array(GuideSharing) });
export type SharingList = z.output<typeof SharingList>;

export const OfferWrite = z.strictObject({ offered: z.boolean() });
export type OfferWrite = z.output<typeof OfferWrite>;

/** Why it is not to be used any more; null puts it back in use. */
export const WithdrawalWrite = z.strictObject({
  why: z.string().trim().min(1, 'say in a sentence why it is not to be used any more').max(500).nullable(),
});
export type WithdrawalWrite = z.output<typeof WithdrawalWrite>;

/** A guide that another station on this server offers. */
export const Offer = GuideRow.omit({ slug: true, hash: true, updatedAt: true }).extend({
  station: z.uuid(),
  /** Its name. */
  from: z.string(),
  by: z.string(),
  at,
  /** Keys to it that come with it. */
  keys: z.number().int(),
  /** The version of it, there, that is in this station already. */
  here: z.number().int().optional(),
});
export type Offer = z.output<typeof Offer>;

export const OfferList = z.object({ offers: z.array(Offer) });
export type OfferList = z.output<typeof OfferList>;

export const TakeOffer = z.strictObject({ station: z.uuid('this is not the id of a station') });
export type TakeOffer = z.output<typeof TakeOffer>;
