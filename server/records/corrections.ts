import { stableJson } from '@plesion/core';
import { z } from 'zod';
import type { Em } from '../database/orm';
import type { Writer } from './write';

/** What a record goes by on a list: a taxon of a guide, one of two, or a name that no guide has. */
export const ListedName = z.strictObject({
  guideId: z.uuid().optional(),
  taxon: z.string().optional(),
  other: z.string().optional(),
  name: z.string().optional(),
});
export type ListedName = z.output<typeof ListedName>;

/** A record as lists see it, at one version. */
export interface Named {
  hidden: boolean;
  /** Nothing where it counts for nothing: unnamed, or doubted. */
  name?: ListedName;
}

interface Corrected {
  kind: 'capture' | 'specimen';
  id: string;
  version: number;
  /** YYYY-MM-DD. */
  day: string;
  /** The visit it was made in, if any: its site is the record's. */
  visitId?: string;
  recordedBy: string;
  /** What moved it, where it was not written itself: a word on what it turned out to be. */
  cause?: string;
}

/**
 * Keep that a record goes by another name than it did, or was removed, or put back.
 * One that is named for the first time corrects nothing.
 */
export async function noteCorrection(
  tx: Em,
  { stationId, accountName }: Pick<Writer, 'stationId' | 'accountName'>,
  { kind, id, version, day, visitId, recordedBy, cause = '' }: Corrected,
  before: Named,
  after: Named,
): Promise<void> {
  const seen = ({ hidden, name }: Named) => (hidden ? null : (name ?? null));
  const [was, became] = [seen(before), seen(after)];
  if (stableJson(was) === stableJson(became) || (!was && !before.hidden)) return;
  await tx.getConnection().execute(
    `insert into correction (station_id, kind, record_id, version, day, site_id, recorded_by, was, became, account, cause, at)
     values (?, ?, ?, ?, ?, (select site_id from visit where station_id = ? and id = ?), ?, ?::jsonb, ?::jsonb, ?, ?, now())`,
    [
      ...[stationId, kind, id, version, day, stationId, visitId ?? null, recordedBy],
      ...[was, became].map((name) => name && JSON.stringify(name)),
      accountName,
      cause,
    ],
    'run',
    tx.getTransactionContext(),
  );
}
