import { Protocol } from '@plesion/core/guide/schema';
import { Measured, PointSet, Scale } from '@plesion/core/measure/schema';
import { key } from '@plesion/core/observation/schema';
import { z } from 'zod';
import { PhotoHash } from './photos';

const instant = z.iso.datetime({ offset: true });

/** How well somebody points: the standard deviation along each axis in pixels, and the degrees of freedom it rests on; none where it is what is usual. */
export const Pointing = z.object({ sd: z.number(), df: z.number().optional() });
export type Pointing = z.output<typeof Pointing>;

/** What the measuring core makes of points. */
export const Measuring = z.object({
  values: z.array(Measured),
  /** What could not be worked out, or is doubtful, each by its field. */
  warnings: z.array(z.object({ code: z.string(), message: z.string(), field: z.string().optional() })),
  /** The pointing error that was used, in pixels; degrees of freedom where it was estimated. */
  pointing: Pointing,
});
export type Measuring = z.output<typeof Measuring>;

/** One character of a specimen, measured on one photo by one person, once or several times. */
export const MeasurementWrite = z.strictObject({
  version: z.number().int().min(0),
  specimenId: z.uuid(),
  /** The photo the points lie on, and how large it is in the pixels they are told in. */
  photo: PhotoHash.optional(),
  size: z.strictObject({ width: z.number().int().positive(), height: z.number().int().positive() }).optional(),
  character: key,
  /** How it was taken: as the guide said then. */
  protocol: Protocol,
  /** The points as they were set: once, and again for each repeat. */
  sets: z.array(PointSet).min(1, 'set the landmarks first').max(50),
  scale: Scale.optional(),
  note: z.string().max(2000).optional(),
  hidden: z.boolean(),
});
export type MeasurementWrite = z.output<typeof MeasurementWrite>;

export const Measurement = MeasurementWrite.extend({
  id: z.uuid(),
  /** Who measured. */
  by: z.string(),
  /** The pointing error that was used. */
  pointing: Pointing,
  /** What it came to: worked out when it was written. */
  value: Measured.omit({ quantity: true }),
  createdAt: instant,
  updatedAt: instant,
});
export type Measurement = z.output<typeof Measurement>;

export const MeasurementQuery = z.strictObject({
  specimenId: z.uuid().optional(),
  character: key.optional(),
  hidden: z.enum(['yes']).optional(),
});
export type MeasurementQuery = z.output<typeof MeasurementQuery>;

/** How landmarks are written: documented JSON, a line a point, TPS text, or a row a specimen with the distances between its landmarks. */
export const LandmarkQuery = z.strictObject({
  as: z.enum(['json', 'csv', 'tps', 'table']).optional(),
  specimenId: z.uuid().optional(),
  character: key.optional(),
});
export type LandmarkQuery = z.output<typeof LandmarkQuery>;

export const MeasurementList = z.object({ measurements: z.array(Measurement) });
export type MeasurementList = z.output<typeof MeasurementList>;
