import type { Measurement, MeasurementQuery, MeasurementWrite, Measuring } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import { measure, type MeasureRequest } from '@plesion/core/measure';
import { MeasurementEntity, type MeasurementRecord, SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { checkPhotos } from '../photos/service';
import { guideOf, guideVersions } from '../specimens/list';
import { findRecord, type RecordKind, type Writer, writeVersioned } from '../records/write';

/** Most measurements told at once. */
const MOST = 2000;

/** The measuring core, for whoever asks: pixels in, values with their errors out. */
export function measuringOf(request: MeasureRequest): Measuring {
  const { pointing, ...rest } = measure(request);
  return { ...rest, pointing: { sd: pointing.sd, ...(Number.isFinite(pointing.df) ? { df: pointing.df } : {}) } };
}

export async function listMeasurements(em: Em, stationId: string, query: MeasurementQuery): Promise<Measurement[]> {
  const { specimenId, character, hidden } = query;
  const where = {
    stationId,
    hidden: hidden === 'yes',
    ...(specimenId ? { specimenId } : {}),
    ...(character ? { character } : {}),
  };
  const records = await em.find(MeasurementEntity, where, { orderBy: { createdAt: 'asc', id: 'asc' }, limit: MOST });
  return records.map(measurementOf);
}

/** What the characters of measurements are called in the guides of their specimens: by the id where there is none any more. */
export async function labelsFor(
  em: Em,
  stationId: string,
  measurements: readonly Measurement[],
): Promise<(one: Measurement) => string> {
  const ids = [...new Set(measurements.map(({ specimenId }) => specimenId))];
  const specimens = await em.find(SpecimenEntity, { stationId, id: { $in: ids } });
  const versions = await guideVersions(em, stationId, specimens);
  const labels = new Map(
    specimens.map((specimen) => [
      specimen.id,
      new Map(guideOf(versions, specimen)?.characters.map(({ id, label }) => [id, label])),
    ]),
  );
  return ({ specimenId, character }) => labels.get(specimenId)?.get(character) ?? character;
}

export const findMeasurement = (em: Em, stationId: string, id: string): Promise<Measurement> =>
  findRecord(em, MEASUREMENT, stationId, id);

const MEASUREMENT: RecordKind<MeasurementRecord, MeasurementWrite, Measurement> = {
  name: 'measurement',
  entity: MeasurementEntity,
  wireOf: (_, record) => measurementOf(record),
  same: (stored, sent) => contentOf(stored) === contentOf(sent),
};

/** Keep a measurement, with what it comes to; one that comes to nothing is refused with the reason. */
export async function writeMeasurement(em: Em, writer: Writer, id: string, sent: MeasurementWrite): Promise<Measurement> {
  const { stationId } = writer;
  const value = valueOf(sent);
  const specimen = await em.findOne(SpecimenEntity, { stationId, id: sent.specimenId }, { fields: ['id'] });
  if (!specimen)
    throw badRequest([
      { code: 'unknown-specimen', message: 'This specimen is not in the station; send it first.', field: 'specimenId' },
    ]);
  await checkPhotos(em, stationId, { photo: sent.photo });
  return writeVersioned(em, MEASUREMENT, writer, id, sent, (stored, version) => {
    const now = new Date();
    return {
      id,
      stationId,
      version,
      specimenId: sent.specimenId,
      photo: sent.photo ?? null,
      size: sent.size ?? null,
      character: sent.character,
      protocol: sent.protocol,
      sets: sent.sets,
      scale: sent.scale ?? null,
      value,
      note: sent.note ?? null,
      measuredBy: stored?.measuredBy ?? writer.accountName,
      hidden: sent.hidden,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
  });
}

function valueOf({ sets, protocol, scale, size }: MeasurementWrite): Measurement['value'] {
  const [points, ...repeats] = sets;
  const { values, warnings } = measure({ points, repeats, scale, quantities: [protocol.quantity], photo: size });
  if (values.length === 0) throw badRequest(warnings);
  const { value, unit, sd, df, interval, n } = values[0];
  return { value, unit, sd, interval, n, ...(df === undefined ? {} : { df }) };
}

const contentOf = ({
  specimenId,
  photo,
  size,
  character,
  protocol,
  sets,
  scale,
  note,
  hidden,
}: Omit<MeasurementWrite, 'version'>) => stableJson({ specimenId, photo, size, character, protocol, sets, scale, note, hidden });

function measurementOf(record: MeasurementRecord): Measurement {
  const { id, version, specimenId, character, protocol, sets, value, hidden, measuredBy, photo, size, scale, note } = record;
  return {
    id,
    version,
    specimenId,
    ...(photo ? { photo } : {}),
    ...(size ? { size } : {}),
    character,
    protocol,
    sets,
    ...(scale ? { scale } : {}),
    ...(note ? { note } : {}),
    hidden,
    by: measuredBy,
    value,
    createdAt: record.createdAt.toISOString(),
    updatedAt: record.updatedAt.toISOString(),
  };
}
