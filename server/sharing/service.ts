import type { StoredGuide } from '@plesion/contract';
import type { GuideSharing, Offer, OfferWrite, TakeOffer, WithdrawalWrite } from '@plesion/contract/sharing';
import { LockMode } from '@mikro-orm/core';
import { bound } from '../database/bound';
import { GuideEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { GuideSharingEntity } from '../database/sharingEntity';
import type { FileStore } from '../files/store';
import { findGuide, putGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { logChange } from '../records/changes';
import { carryKeys } from './carryKeys';
import { carryPhotos } from './carryPhotos';

interface Row {
  guide: string;
  offered_at: string | null;
  offered_by: string | null;
  withdrawn_at: string | null;
  withdrawn_by: string | null;
  withdrawn_why: string | null;
  taken_from: string | null;
  taken_version: number | null;
  there: string | null;
  there_version: number | null;
  there_at: string | null;
  there_by: string | null;
  there_why: string | null;
}

/** With how it stands where it was imported from, in one question. */
const ROWS = `select s.guide_id as guide, s.offered_at, s.offered_by, s.withdrawn_at, s.withdrawn_by, s.withdrawn_why,
    s.taken_from, s.taken_version, station.name as there, case when o.offered_at is not null then g.version end as there_version,
    o.withdrawn_at as there_at, o.withdrawn_by as there_by, o.withdrawn_why as there_why
  from guide_sharing s
  left join station on station.id = s.taken_from
  left join guide g on g.station_id = s.taken_from and g.id = s.guide_id
  left join guide_sharing o on o.station_id = s.taken_from and o.guide_id = s.guide_id
  where s.station_id = ?`;

const iso = (at: string): string => new Date(at).toISOString();

const withdrawnOf = (at: string | null, by: string | null, why: string | null) =>
  at === null ? {} : { withdrawn: { at: iso(at), by: by!, why: why! } };

const viewOf = (row: Row): GuideSharing => ({
  guideId: row.guide,
  ...(row.offered_at === null ? {} : { offered: { at: iso(row.offered_at), by: row.offered_by! } }),
  ...withdrawnOf(row.withdrawn_at, row.withdrawn_by, row.withdrawn_why),
  ...(row.taken_from === null
    ? {}
    : {
        taken: {
          ...{ station: row.taken_from, from: row.there ?? 'a station that is gone', version: row.taken_version! },
          ...(row.there_version !== null && row.there_version > row.taken_version! ? { newer: row.there_version } : {}),
          ...withdrawnOf(row.there_at, row.there_by, row.there_why),
        },
      }),
});

/** Of the guides of a station, those that there is something to be said of. */
export async function listSharing(em: Em, stationId: string): Promise<GuideSharing[]> {
  const rows = await em
    .getConnection()
    .execute<Row[]>(`${ROWS} and (s.offered_at is not null or s.withdrawn_at is not null or s.taken_from is not null)`, [
      stationId,
    ]);
  return rows.map(viewOf);
}

/** How one guide stands among the stations. */
async function sharingOf(em: Em, stationId: string, guideId: string): Promise<GuideSharing> {
  const [row] = await em
    .getConnection()
    .execute<Row[]>(`${ROWS} and s.guide_id = ?::uuid`, [stationId, guideId], 'all', em.getTransactionContext());
  return row ? viewOf(row) : { guideId };
}

type Change = Partial<Record<'offeredAt' | 'withdrawnAt', Date | null>> &
  Partial<Record<'offeredBy' | 'withdrawnBy' | 'withdrawnWhy', string | null>>;

/** @param changeOf what becomes of how it stands; the guide is locked meanwhile, so that nobody says the opposite. */
async function set(em: Em, caller: Caller, guideId: string, changeOf: (stands: GuideSharing) => Change): Promise<GuideSharing> {
  const { stationId } = caller;
  return em.transactional(async (tx) => {
    const head = await tx.findOne(
      GuideEntity,
      { stationId, id: guideId },
      { fields: ['id', 'version'], lockMode: LockMode.PESSIMISTIC_WRITE },
    );
    if (!head) throw notFound('guide');
    await tx.upsert(GuideSharingEntity, { stationId, guideId, ...changeOf(await sharingOf(tx, stationId, guideId)) });
    // Other devices of the station hear of it with their next look at the feed.
    await logChange(tx, caller, 'guide', { id: guideId, version: head.version }, ['sharing']);
    return sharingOf(tx, stationId, guideId);
  });
}

/** Offer a guide to the other stations, or no longer. */
export const offerGuide = (em: Em, caller: Caller, id: string, { offered }: OfferWrite): Promise<GuideSharing> =>
  set(em, caller, id, ({ taken, withdrawn }) => {
    if (!offered) return NOT_OFFERED;
    if (taken) throw badRequest([notOurs(taken.from)]);
    if (withdrawn) throw badRequest([WITHDRAWN]);
    return { offeredAt: new Date(), offeredBy: caller.accountName };
  });

const notOurs = (from: string) => ({
  code: 'not-ours-to-offer',
  message: `This guide was imported from “${from}”: whoever wants it imports it from there. Go on from it as a guide of your own to offer what you make of it.`,
  field: 'offered',
});
const WITHDRAWN = {
  code: 'withdrawn',
  message: 'This guide is withdrawn. Put it back in use first, then offer it.',
  field: 'offered',
};

const NOT_OFFERED = { offeredAt: null, offeredBy: null } as const;

/** Withdraw a guide, with why; null puts it back in use. Names given with it stay as they are. */
export const withdrawGuide = (em: Em, caller: Caller, id: string, { why }: WithdrawalWrite): Promise<GuideSharing> =>
  set(em, caller, id, () =>
    why === null
      ? { withdrawnAt: null, withdrawnBy: null, withdrawnWhy: null }
      : // What is withdrawn is offered to nobody; those who have it are told.
        { ...NOT_OFFERED, withdrawnAt: new Date(), withdrawnBy: caller.accountName, withdrawnWhy: why },
  );

/** Offers that are looked through at once. */
const MOST_OFFERS = 200;

interface OfferRow extends Omit<Offer, 'here' | 'at'> {
  at: string;
  here: number | null;
}

/** What the other stations offer, the one offered last first. */
export async function listOffers(em: Em, stationId: string): Promise<Offer[]> {
  const rows = await em.getConnection().execute<OfferRow[]>(
    `select g.id, g.title, g.summary, g.kind as "group", g.area, g.version, g.forms, g.characters,
       o.station_id as station, station.name as "from", o.offered_by as by, o.offered_at as at,
       own.taken_version as here,
       (select count(*)::int from identification_key k where k.station_id = g.station_id and k.guide_id = g.id and not k.hidden) as keys
     from guide_sharing o
     join guide g on g.station_id = o.station_id and g.id = o.guide_id
     join station on station.id = o.station_id
     left join guide_sharing own on own.station_id = ? and own.guide_id = o.guide_id and own.taken_from = o.station_id
     where o.offered_at is not null and o.station_id <> ?
     order by o.offered_at desc limit ${MOST_OFFERS}`,
    [stationId, stationId],
  );
  return rows.map(({ at, here, ...row }) => ({ ...row, at: iso(at), ...(here === null ? {} : { here }) }));
}

/** Import what another station offers, with its photographs and its keys; what was imported before becomes its newest version. */
export async function takeOffer(
  em: Em,
  files: FileStore,
  caller: Caller,
  id: string,
  { station }: TakeOffer,
): Promise<StoredGuide> {
  const { stationId } = caller;
  const offer = await em.findOne(GuideSharingEntity, { stationId: station, guideId: id, offeredAt: { $ne: null } });
  if (!offer || station === stationId) throw notFound('offer of this guide any more');
  const { version: theirs, guide } = await findGuide(em, station, id);
  // Before the guide: what it shows is there when it is, and a photo too many harms nobody.
  await carryPhotos(em, files, station, caller, guide);
  return em.transactional(async (tx) => {
    const own = await tx.findOne(GuideEntity, { stationId, id }, { fields: ['version', 'title'] });
    const known = own && (await tx.findOne(GuideSharingEntity, { stationId, guideId: id }));
    if (own && known?.takenFrom !== station) throw badRequest([alreadyHere(own.title)]);
    const stored = await putGuide(tx, caller, id, own?.version ?? 0, guide);
    await bound(
      tx,
      `insert into guide_sharing (station_id, guide_id, taken_from, taken_version) values (?, ?, ?, ?)
       on conflict (station_id, guide_id) do update set taken_version = excluded.taken_version`,
      [stationId, id, station, theirs],
    );
    await carryKeys(tx, station, caller, id);
    return stored;
  });
}

const alreadyHere = (title: string) => ({
  code: 'guide-here-already',
  message: `“${title}” is in this station already, and was not imported from there; it stays as it is.`,
  field: 'id',
});
