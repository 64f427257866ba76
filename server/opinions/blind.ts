import type { BlindRecord } from '@plesion/contract/opinions';
import type { Situation } from '@plesion/core/observation';
import { MediaEntity, SpecimenEntity } from '../database/entities';
import { type AskColumns, type OpinionColumns } from '../database/opinionEntities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import { withTopPhoto } from '../photos/withTop';
import { givenOf } from './told';

/** What a situation says that may say the name, or where exactly it was. */
const unsaid = (situation: Situation, outside: boolean): Situation => {
  const left = ['note', ...(outside ? ['place', 'latitude', 'longitude'] : [])];
  return Object.fromEntries(Object.entries(situation).filter(([part]) => !left.includes(part)));
};

/** Picture and situation of what is asked, without its name and without anybody's word. */
export async function blindRecord(
  em: Em,
  { stationId, id, specimenId, askedBy, question }: AskColumns,
  given: OpinionColumns | undefined,
  outside: boolean,
): Promise<BlindRecord> {
  const specimen = await em.findOne(SpecimenEntity, { stationId, id: specimenId, hidden: false });
  if (!specimen) throw notFound('specimen');
  if (!specimen.guideId) throw noGuide();
  const kept = await em.find(MediaEntity, { stationId, specimenId, kind: 'photo' }, { orderBy: { position: 'asc' } });
  // Notes of photos may say the name.
  const shown = kept.map(({ id: photoId, hash, view, credit }) => ({
    ...{ id: photoId, kind: 'photo' as const, hash },
    ...(view ? { view } : {}),
    ...(credit ? { credit } : {}),
  }));
  return {
    ...{ askId: id, by: askedBy, situation: unsaid(specimen.situation, outside) },
    ...(question ? { question } : {}),
    media: withTopPhoto(specimenId, specimen.photo, shown),
    guide: await findGuide(em, stationId, specimen.guideId),
    ...(given ? { given: givenOf(given) } : {}),
  };
}

export const noGuide = () =>
  badRequest([
    {
      code: 'no-guide',
      message: 'Choose a guide for the specimen first: by it others say what they make of it.',
      field: 'specimenId',
    },
  ]);
