import { ShotRequest, ShotTaken } from '../camera';
import { LandmarkQuery, Measurement, MeasurementList, MeasurementQuery, MeasurementWrite, Measuring, Pointing } from '../measure';
import { Photo, PhotoHash } from '../photos';
import { ShotTruth } from '@plesion/core/camera/schema';
import { MeasureRequest } from '@plesion/core/measure/schema';
import { z } from 'zod';
import { byId, MB, type Endpoint } from './endpoint';

/** Photos, and what is measured on them. */
export const measureEndpoints = {
  addPhoto: {
    method: 'POST',
    path: '/api/photos',
    summary: 'Keep a photo, once for its content; where it was taken is told to nobody it is shown or sent to.',
    upload: 'photo',
    response: Photo,
    status: 201,
  },
  photoKnown: {
    method: 'GET',
    path: '/api/photos/:hash/known',
    summary: 'Is a photo of this content in the station already? Then it need not be sent.',
    params: z.strictObject({ hash: PhotoHash }),
    response: z.object({ known: z.boolean() }),
  },
  photo: {
    method: 'GET',
    path: '/api/photos/:hash',
    summary: 'A photo, whole, small, as a square thumbnail, or the file as it was sent.',
    params: z.strictObject({ hash: PhotoHash }),
    query: z.strictObject({ size: z.enum(['whole', 'small', 'thumb', 'original']).optional() }),
    response: z.unknown(),
    media: 'image/jpeg',
  },
  markedPhoto: {
    method: 'GET',
    path: '/api/specimens/:id/photos/:hash.svg',
    summary: 'A photo of a specimen as SVG, with what was pointed at and what was measured on it.',
    params: byId.extend({ hash: PhotoHash }),
    response: z.unknown(),
    media: 'image/svg+xml',
  },
  takeShot: {
    method: 'POST',
    path: '/api/camera',
    summary: 'Photograph a novel individual with the simulated field camera; who it is stays sealed.',
    body: ShotRequest,
    response: ShotTaken,
    status: 201,
  },
  shot: {
    method: 'GET',
    path: '/api/camera/:id.png',
    summary: 'What the simulated field camera saw.',
    params: byId,
    response: z.unknown(),
    media: 'image/png',
  },
  shotTruth: {
    method: 'GET',
    path: '/api/camera/:id/truth',
    summary: 'Who it was: form, traits, true measurements, and where each landmark is seen.',
    params: byId,
    response: ShotTruth,
  },
  measure: {
    method: 'POST',
    path: '/api/measurements',
    summary: 'Pixel points in, lengths, ratios, angles, areas, counts and forms out, each with its error. Nothing is kept.',
    asks: true,
    body: MeasureRequest,
    bytes: 8 * MB,
    response: Measuring,
  },
  measurements: {
    method: 'GET',
    path: '/api/measurements',
    summary: 'What was measured, of a specimen or of a character, oldest first.',
    query: MeasurementQuery,
    response: MeasurementList,
  },
  pointing: {
    method: 'GET',
    path: '/api/measurements/pointing',
    summary: 'How well whoever asks points, from all that they set more than once.',
    response: Pointing,
  },
  measurement: { method: 'GET', path: '/api/measurements/:id', summary: 'One measurement.', params: byId, response: Measurement },
  writeMeasurement: {
    method: 'PUT',
    path: '/api/measurements/:id',
    summary: 'Write a measurement; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: MeasurementWrite,
    bytes: 8 * MB,
    response: Measurement,
  },
  exportMeasurements: {
    method: 'GET',
    path: '/api/export/measurements.csv',
    summary: 'What was measured, as Darwin Core’s measurement-or-fact: value, accuracy, unit, method, by whom.',
    query: MeasurementQuery,
    response: z.unknown(),
    media: 'text/csv',
  },
  exportLandmarks: {
    method: 'GET',
    path: '/api/export/landmarks',
    summary: 'The points that were set, as JSON, CSV or TPS text, or as a table of distances to learn a guide from.',
    query: LandmarkQuery,
    response: z.unknown(),
    media: 'text/plain',
  },
} as const satisfies Record<string, Endpoint>;
