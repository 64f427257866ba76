import type { Measurement, MeasurementQuery, MeasurementWrite, Measuring } from '@plesion/contract';
import { stableJson } from '@plesion/core';
import { measure, measureSets, type MeasureRequest, type Pointing, pointingOf, pointingSquares } from '@plesion/core/measure';
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
  return { ...rest, pointing: sayPointing(pointing) };
}

/** Without degrees of freedom where it is what is usual, or taken as known. */
export const sayPointing = ({ sd, df }: Pointing): Measuring['pointing'] => ({ sd, ...(Number.isFinite(df) ? { df } : {}) });

/** Repeated measurements that tell how well somebody points: the newest. */
const TELLING = 300;

/** How well somebody points, pooled over the landmarks of all that they set more than once. */
export async function pointingOfPerson(em: Em, stationId: string, name: string, without?: string): Promise<Pointing> {
  const rows = await em.getConnection().execute<{ id: string; sets: MeasurementWrite['sets'] }[]>(
    `select id, sets from measurement
     where station_id = ? and measured_by = ? and not hidden and jsonb_array_length(sets) > 1
     order by created_at desc limit ?`,
    [stationId, name, TELLING],
    'all',
    em.getTransactionContext(),
  );
  const all = rows.filter(({ id }) => id !== without).map(({ sets }) => pointingSquares(sets));
  return pointingOf({
    squares: all.reduce((sum, { squares }) => sum + squares, 0),
    df: all.reduce((sum, { df }) => sum + df, 0),
  });
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

/** What the specimens of measurements turned out to be, or were named, where one taxon without a doubt was; the label that a guide is learned by. */
export async function kindsFor(
  em: Em,
  stationId: string,
  measurements: readonly Measurement[],
): Promise<(specimenId: string) => string | undefined> {
  const ids = [...new Set(measurements.map(({ specimenId }) => specimenId))];
  const specimens = await em.find(SpecimenEntity, { stationId, id: { $in: ids } }, { fields: ['id', 'determinations', 'listedInstead'] });
  const kinds = new Map(
    specimens.map(({ id, determinations, listedInstead }) => {
      const last = determinations.at(-1);
      return [id, listedInstead ?? (last?.qualifier === 'none' ? last.taxon : undefined)];
    }),
  );
  return (id) => kinds.get(id);
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
  const before = await pointingOfPerson(em, stationId, writer.accountName, id);
  const { value, pointing } = valueOf(sent, before);
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
      pointing,
      note: sent.note ?? null,
      measuredBy: stored?.measuredBy ?? writer.accountName,
      hidden: sent.hidden,
      createdAt: stored?.createdAt ?? now,
      updatedAt: now,
    };
  });
}

function valueOf({ sets, protocol, scale, size }: MeasurementWrite, own: Pointing): Pick<Measurement, 'value' | 'pointing'> {
  const { values, warnings, pointing } = measureSets({ sets, quantity: protocol.quantity, scale, photo: size, own });
  if (values.length === 0) throw badRequest(warnings);
  const { value, unit, sd, df, interval, n } = values[0];
  return {
    value: { value, unit, sd, interval, n, ...(df === undefined ? {} : { df }) },
    pointing: sayPointing(pointing),
  };
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
    pointing: record.pointing,
    value,
    createdAt: record.createdAt.toISOString(),
    updatedAt: record.updatedAt.toISOString(),
  };
}
