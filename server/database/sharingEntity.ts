import { defineEntity, p } from '@mikro-orm/core';

/** How a guide stands among the stations; no row where there is nothing to be said of it. */
export const GuideSharingEntity = defineEntity({
  name: 'GuideSharing',
  tableName: 'guide_sharing',
  properties: {
    stationId: p.uuid().primary(),
    guideId: p.uuid().primary(),
    offeredAt: p.datetime().nullable(),
    offeredBy: p.string().nullable(),
    withdrawnAt: p.datetime().nullable(),
    withdrawnBy: p.string().nullable(),
    withdrawnWhy: p.string().nullable(),
    /** The station it was imported from, and its version there. */
    takenFrom: p.uuid().nullable(),
    takenVersion: p.integer().nullable(),
  },
});
